import {
  type LayersPin,
  type LineItem,
  PULL_TIMINGS,
  type PullTiming,
  setLayFirst,
  setOwnWay,
  setPullTiming,
} from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { Typed } from '@/forms/Field';
import { useJob } from '@/job/JobContext';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Small } from '@/ui/Typography';
import { PULL_TIMING_WORDS } from '@/words';

type First = LayersPin['first'] | 'plan';

/** What lies below, line tape or backing; when this line is pulled; and masking an edge one's own way. */
export function ByHand({ run, line, backed }: { run: LineItem; line: string; backed: boolean }) {
  const { design, change } = useJob();
  const [typing, setTyping] = useState(false);
  const [how, setHow] = useState('');
  const { layers = [], ownWays = [], pulls = [] } = design.choices;
  const place = { part: run.part, line, side: run.side };
  const first: First =
    layers.find((pin) => pin.part === place.part && pin.line === line && pin.side === place.side)?.first ?? 'plan';
  const school = pulls.find((pin) => pin.part === place.part && pin.line === line)?.school ?? 'rest';
  const ownWay = ownWays.find(
    (way) => way.part === place.part && way.line === line && (way.side === undefined || way.side === place.side),
  );
  const mask = (text: string | null) =>
    void change(
      (now) =>
        setOwnWay(
          now,
          text === null && ownWay
            ? { part: ownWay.part, line: ownWay.line, ...(ownWay.side ? { side: ownWay.side } : {}) }
            : place,
          text,
        ),
      {
        code: 'edit.own-way',
        values: { line: run.lineCode },
      },
    );
  if (ownWay) return <Action label="Let the plan mask it again" onPress={() => mask(null)} testID="own-way-gone" />;
  return (
    <>
      {backed ? (
        <Choice<First>
          label="What lies below"
          value={first}
          options={[
            { value: 'plan', label: 'as planned' },
            { value: 'line', label: 'the line tape' },
            { value: 'backing', label: 'the backing' },
          ]}
          onChange={(next) =>
            void change((now) => setLayFirst(now, place, next === 'plan' ? null : next), {
              code: 'edit.layers',
              values: { line: run.lineCode },
            })
          }
        />
      ) : null}
      <Choice<PullTiming | 'rest'>
        label={phrase`When to pull ${run.lineCode}, on both its sides`}
        value={school}
        options={[
          { value: 'rest', label: 'with the rest' },
          ...PULL_TIMINGS.map((value) => ({ value, label: PULL_TIMING_WORDS[value] })),
        ]}
        onChange={(next) =>
          void change((now) => setPullTiming(now, place, next === 'rest' ? null : next), {
            code: 'edit.pulls',
            values: { line: run.lineCode },
          })
        }
      />
      {typing ? (
        <>
          <Small>The plan lays no tape on this side of the line; it keeps its place and its minutes in the list.</Small>
          <Typed label="How you do it (may be left empty)" whole value={how} onChange={setHow} testID="own-way-how" />
          <Action
            label={phrase`Mask ${run.lineCode} my own way`}
            onPress={() => mask(how.trim())}
            testID="own-way-save"
          />
        </>
      ) : (
        <Action rank="quiet" label="I mask this my own way" onPress={() => setTyping(true)} testID="own-way" />
      )}
    </>
  );
}
