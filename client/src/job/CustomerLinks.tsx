import { linksSchema, newLinkSchema } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { request } from '@/api/http';
import { useIsAllowed } from '@/people/who';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { SecretAddress } from '@/ui/SecretAddress';
import { Heading, Small } from '@/ui/Typography';
import { dayAndTime } from '@/words';

/** What a customer may look at: an address that shows how the job will look and how far it is, until it is called back. */
export function CustomerLinks({ job }: { job: string }) {
  const client = useQueryClient();
  const mayPlan = useIsAllowed()('plan');
  const [made, setMade] = useState<string | null>(null);
  const links = useQuery({
    queryKey: ['links', job],
    queryFn: () => request('GET', `/jobs/${job}/links`, linksSchema),
    enabled: mayPlan,
  });
  const again = () => client.invalidateQueries({ queryKey: ['links', job] });
  const make = useMutation({
    mutationFn: () => request('POST', `/jobs/${job}/links`, newLinkSchema, {}),
    onSuccess: ({ token }) => {
      setMade(`${location.origin}/link/${token}`);
      void again();
    },
  });
  const end = useMutation({ mutationFn: (id: string) => request('DELETE', `/links/${id}`, null), onSuccess: again });
  if (!mayPlan) return null;
  return (
    <Panel>
      <Heading>For the customer</Heading>
      <Small>
        An address that shows the final look and the stages, without prices or names. Whoever has it can look.
      </Small>
      {made ? <SecretAddress address={made} testID="customer-link" /> : null}
      {make.error ? <Notice level="stop" text={make.error.message} /> : null}
      <Action
        label="Make an address"
        icon="plus"
        busy={make.isPending}
        onPress={() => make.mutate()}
        testID="make-link"
      />
      {(links.data?.links ?? []).map(({ id, madeAt, madeBy }) => (
        <View key={id} style={styles.link} testID="link">
          <View style={styles.grow}>
            <Small>{phrase`made ${dayAndTime(madeAt)}${madeBy === null ? '' : phrase` by ${madeBy}`}`}</Small>
          </View>
          <Action rank="quiet" label="Call it back" onPress={() => end.mutate(id)} testID="end-link" />
        </View>
      ))}
    </Panel>
  );
}

const styles = StyleSheet.create({
  link: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  grow: { flex: 1 },
});
