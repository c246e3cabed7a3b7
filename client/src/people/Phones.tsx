import { phonesSchema } from '@lintrel/core/front';
import { phrase } from '@lintrel/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { StyleSheet, View } from 'react-native';
import { request } from '@/api/http';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Body, Small } from '@/ui/Typography';
import { dayAndTime } from '@/words';
import { RefusalNote } from './RefusalNote';

/** Phones of the shop; one that is lost is unpaired here. */
export function Phones() {
  const client = useQueryClient();
  const phones =
    useQuery({ queryKey: ['phones'], queryFn: () => request('GET', '/phones', phonesSchema) }).data?.phones ?? [];
  const unpair = useMutation({
    mutationFn: (id: string) => request('DELETE', `/phones/${id}`, null),
    onSuccess: () =>
      client.invalidateQueries({ predicate: ({ queryKey: [key] }) => key === 'phones' || key === 'sessions' }),
  });
  if (phones.length === 0)
    return <Small>None yet. To pair one, an owner signs in on it and says that it belongs to the shop.</Small>;
  return (
    <>
      {phones.map(({ id, name, pairedAt }) => (
        <View key={id} style={styles.phone} testID="phone">
          <View style={styles.grow}>
            <Body>{name}</Body>
            <Small>{phrase`paired ${dayAndTime(pairedAt)}`}</Small>
          </View>
          <Action
            rank="quiet"
            label="Unpair"
            spoken={phrase`Unpair ${name}`}
            onPress={() => unpair.mutate(id)}
            testID="unpair"
          />
        </View>
      ))}
      <RefusalNote error={unpair.error} />
    </>
  );
}

const styles = StyleSheet.create({
  phone: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  grow: { flex: 1 },
});
