import { type BehaviourAnswer, behaviourSchema, showMinutes } from '@lintrel/core';
import { countPhrase, phrase } from '@lintrel/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { request } from '@/api/http';
import { useIsAllowed } from '@/people/who';
import { FEEL_WORDS, PULL_WORDS } from '@/sync/observedWords';
import { Action } from '@/ui/Action';
import { Panel } from '@/ui/Screen';
import { Table } from '@/ui/Table';
import { Body, Heading, Small } from '@/ui/Typography';
import { dayAndTime, times } from '@/words';

/** Number of observations listed, the newest first. */
const SHOWN = 8;

/** Learned times of a finish and their observations; used in every plan at once, and can be reset. */
export function BehaviourPanel({ finish }: { finish: string }) {
  const client = useQueryClient();
  const may = useIsAllowed()('shelf');
  const path = `/shelf/behaviour/${encodeURIComponent(finish)}`;
  const { data } = useQuery({
    queryKey: ['shelf', 'behaviour', finish],
    queryFn: () => request('GET', path, behaviourSchema),
  });
  const forget = useMutation({
    mutationFn: () => request('DELETE', path, behaviourSchema),
    onSuccess: () => client.invalidateQueries({ queryKey: ['shelf'] }),
  });
  if (!data) return null;
  const { learned, seen } = data;
  return (
    <Panel testID="behaviour">
      <Heading>How it has behaved here</Heading>
      {learned ? (
        <>
          <Body>{phrase`Takes ${times(learned.factor)} times as long as its sheet says (estimate).`}</Body>
          <Small>
            {phrase`From ${countPhrase(learned.count, 'observation')}; two times in three the truth lies between ${times(learned.low)} and ${times(learned.high)}. New plans count with it. It takes tape no sooner than its sheet says.`}
          </Small>
          <Table
            columns={['When', 'Where', 'After the last coat', 'Seen']}
            rows={[...seen]
              .reverse()
              .slice(0, SHOWN)
              .map((observation) => [
                dayAndTime(observation.at),
                observation.title,
                showMinutes(Math.round(observation.passedMin)),
                seenWords(observation),
              ])}
          />
          {may ? (
            <Action
              rank="quiet"
              label="Begin again from the sheet"
              busy={forget.isPending}
              onPress={() => forget.mutate()}
              testID="forget-learned"
            />
          ) : null}
        </>
      ) : (
        <Small>
          Nothing was seen yet. Touch tests in Run, and how the tape came off, tell how fast it dries in this shop.
        </Small>
      )}
    </Panel>
  );
}

const seenWords = ({ saw }: BehaviourAnswer['seen'][number]): string =>
  saw.kind === 'feel' ? FEEL_WORDS[saw.feel] : PULL_WORDS[saw.result];
