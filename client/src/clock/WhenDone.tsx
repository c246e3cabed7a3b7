import { type DayAnswer, dayAnswerSchema } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { request, RequestError } from '@/api/http';
import { useLongWork } from '@/api/useLongWork';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';
import { useNow } from '@/ui/useNow';
import { WorkNote } from '@/ui/WorkNote';
import { clockTime } from '@/words';
import { WorkAhead } from './WorkAhead';

/** When a job that has not been begun would be done, by the people and hours of the shop, beside its other jobs and in the air that is expected. */
export function WhenDone({ job }: { job: string }) {
  const work = useLongWork();
  const now = useNow();
  const [day, setDay] = useState<DayAnswer | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const ask = async () => {
    setTrouble(null);
    await work
      .run(async (long) => setDay(await request('GET', `/jobs/${job}/when`, dayAnswerSchema, undefined, long)))
      .catch((error: unknown) => setTrouble(error instanceof RequestError ? error.message : String(error)));
  };
  const ownWork = day?.work.filter((task) => task.job === job) ?? [];
  const last = ownWork[ownWork.length - 1];
  return (
    <Panel testID="when">
      <Heading>When would it be done?</Heading>
      <Small>
        By the people and hours of this shop, beside the jobs that are on, in the air that is measured and expected;
        begun now, as it was saved.
      </Small>
      {trouble ? <Notice level="stop" text={trouble} /> : null}
      {day && last ? (
        <>
          <Body>
            {day.more > 0
              ? phrase`Too much is on in the shop to tell its end: its next work would end by ${clockTime(last.endMs, now)} (estimate).`
              : phrase`Done by ${clockTime(last.endMs, now)} (estimate).`}
          </Body>
          <WorkAhead work={ownWork} people={day.people} now={now} />
        </>
      ) : null}
      {day && !last ? (
        <Body>With these people and hours it cannot be planned: look at the clock for what stands in the way.</Body>
      ) : null}
      <WorkNote work={work} />
      {work.busy ? null : (
        <Action label={day ? 'Work it out again' : 'Work it out'} onPress={() => void ask()} testID="ask-when" />
      )}
    </Panel>
  );
}
