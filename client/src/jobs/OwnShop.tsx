import { ownShopSchema } from '@lintrel/core/front';
import { countPhrase, phrase } from '@lintrel/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { request } from '@/api/http';
import { useIsAllowed } from '@/people/who';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { Body, Heading } from '@/ui/Typography';

/** In a shop that shows the demo: how one begins with one's own jobs. */
export function OwnShop() {
  const client = useQueryClient();
  const may = useIsAllowed()('shop');
  const [asking, setAsking] = useState(false);
  const { data } = useQuery({ queryKey: ['own-shop'], queryFn: () => request('GET', '/shop/own', ownShopSchema) });
  const clear = useMutation({
    mutationFn: () => request('POST', '/shop/own', ownShopSchema),
    onSuccess: (state) => {
      client.setQueryData(['own-shop'], state);
      return client.invalidateQueries();
    },
  });
  if (!may || !data || data.demoJobs === 0) return null;
  return (
    <Panel>
      <Heading>This is the demo</Heading>
      <Body>{phrase`${countPhrase(data.demoJobs, 'job')} here ${data.demoJobs === 1 ? 'is' : 'are'} made up, to look round. Your own jobs and the shelf stay.`}</Body>
      {clear.error ? <Notice level="stop" text={clear.error.message} /> : null}
      {asking ? (
        <>
          <Action
            label="Delete the demo jobs"
            busy={clear.isPending}
            onPress={() => clear.mutate()}
            testID="clear-demo"
          />
          <Action rank="quiet" label="Cancel" onPress={() => setAsking(false)} />
        </>
      ) : (
        <Action label="Start my own shop" onPress={() => setAsking(true)} testID="own-shop" />
      )}
    </Panel>
  );
}
