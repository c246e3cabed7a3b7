import { isLine, itemsIn, type Item, type LineItem, type Plan, type StagePlan } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { OwnShapes } from '@/drawing/OwnShapes';
import { PartDrawing } from '@/drawing/PartDrawing';
import { useJob } from '@/job/JobContext';
import { Missing } from '@/job/Missing';
import { StepGuard } from '@/job/StepGuard';
import { StepLayout } from '@/job/StepLayout';
import { ByHand } from '@/tape/ByHand';
import { coveredBy, layEntries, type LayEntry } from '@/tape/entries';
import { EntryRow } from '@/tape/EntryRow';
import { AddOwnPiece, OwnPieceForm } from '@/tape/OwnPieces';
import { PinTape } from '@/tape/PinTape';
import { ReadyPanel } from '@/tape/ReadyPanel';
import { useLaidDown } from '@/tape/useDown';
import { useOwnDrag } from '@/tape/useOwnDrag';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Rows } from '@/ui/Row';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Words';

/** Tape: what is laid where, in order, with length and technique; to be walked through piece by piece. */
export function TapeScreen() {
  const { id, design, plan, shelf } = useJob();
  const [number, setNumber] = useState<number | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const [adding, setAdding] = useState<number | null>(null);
  const { isDown, setDown } = useLaidDown(id);
  if (design.parts.length === 0 || !plan) return <StepGuard waiting="Laying out the tape …" />;
  if (plan.stages.length === 0)
    return (
      <StepLayout>
        <Missing need="finish" />
      </StepLayout>
    );
  const stage =
    plan.stages.find((one) => one.number === number) ??
    plan.stages.find((one) => one.items.length > 0) ??
    plan.stages[0]!;
  const items = itemsIn(plan, stage);
  const entries = layEntries(items);
  const at = Math.max(
    0,
    entries.findIndex((entry) => entry.id === chosen),
  );
  const entry = entries[at];
  const go = (to: number) => setChosen(entries[to]?.id ?? null);
  // A piece that was just added is the one that is spoken of, as soon as the plan has it.
  const own = entries.filter(({ kind }) => kind === 'own');
  if (adding !== null && own.length > adding) {
    setAdding(null);
    setChosen(own.at(-1)!.id);
  }
  const finishName = (finish: string) => shelf.finishes.find((one) => one.id === finish)?.name ?? finish;
  const walkedM = items.filter(isLine).reduce((sum, { walkMm }) => sum + walkMm, 0) / 1000;
  const down = entry ? isDown(entry.id) : false;
  return (
    <StepLayout
      part={partOf(plan, entry)}
      drawing={<StageDrawing plan={plan} stage={stage} items={items} entry={entry} />}
      action={
        entry ? (
          <View style={styles.walk}>
            <Action label="Back" icon="arrow-left" disabled={at === 0} onPress={() => go(at - 1)} testID="walk-back" />
            <View style={styles.grow}>
              <Action
                rank="main"
                label={down ? 'Not down' : 'It is down'}
                onPress={() => {
                  setDown(entry.id, !down);
                  if (!down && at < entries.length - 1) go(at + 1);
                }}
                testID="is-down"
              />
            </View>
            <Action label="Next" disabled={at >= entries.length - 1} onPress={() => go(at + 1)} testID="walk-next" />
          </View>
        ) : undefined
      }
    >
      <Choice
        label="Stage"
        value={String(stage.number)}
        options={plan.stages.map((one) => ({
          value: String(one.number),
          label: phrase`${one.number} ${finishName(one.finish)}`,
        }))}
        onChange={(value) => {
          setNumber(Number(value));
          setChosen(null);
        }}
      />
      <Panel>
        <Heading>
          {entries.length === 0 ? 'Lay in this order' : phrase`Lay in this order: ${at + 1} of ${entries.length}`}
        </Heading>
        {entries.length === 0 ? <Body>{nothingToLay(plan, stage)}</Body> : null}
        {walkedM >= 1 ? (
          <Small>{phrase`Part after part, from the back to the front; ${walkedM.toFixed(1)} m to walk from one tape to the next.`}</Small>
        ) : null}
        <Rows>
          {entries.map((one) => (
            <View key={one.id} ref={one.id === chosen ? intoSight : undefined}>
              <EntryRow
                entry={one}
                plan={plan}
                chosen={one.id === entry?.id}
                down={isDown(one.id)}
                onPress={() => setChosen(one.id)}
              >
                {one.kind === 'line' ? <LineChoices run={one.items[0]} plan={plan} /> : null}
                {one.kind === 'own' ? <OwnPieceForm item={one.items[0]} /> : null}
              </EntryRow>
            </View>
          ))}
        </Rows>
        <AddOwnPiece part={partOf(plan, entry)} finish={stage.finish} onAdd={() => setAdding(own.length)} />
      </Panel>
      <ReadyPanel lists={plan.lists} shelf={shelf} />
    </StepLayout>
  );
}

/** What a person may decide about a tape edge. */
function LineChoices({ run, plan }: { run: LineItem; plan: Plan }) {
  const line = ownerOf(plan, run);
  const own = run.techniques.some(({ code }) => code === 'technique.own');
  return (
    <>
      {own ? null : <PinTape run={run} line={line} />}
      <ByHand
        run={run}
        line={line}
        backed={plan.items.some((item) => item.kind === 'backing' && item.behind === run.id)}
      />
    </>
  );
}

/** Whoever walks through the list sees the piece that is next. */
const intoSight = (row: unknown) => (row as HTMLElement | null)?.scrollIntoView?.({ block: 'nearest' });

/** Why a stage lays nothing: masks are on, or there is nothing to be kept clean. */
const nothingToLay = ({ items }: Plan, { number }: StagePlan): string =>
  items.some(({ stage, until }) => stage < number && until.stage >= number)
    ? 'Nothing new: the masks of an earlier stage are still on.'
    : 'Nothing to mask in this stage: everything that is left gets painted over or is open.';

const ownerOf = ({ parts }: Plan, { part, line }: Extract<Item, { kind: 'line' | 'soft' }>): string =>
  parts.find(({ id }) => id === part)?.lines.find(({ id }) => id === line)?.owner ?? line;

const partOf = ({ parts }: Plan, entry: LayEntry | undefined) =>
  parts.find(({ id }) => id === entry?.items[0]?.part) ?? parts[0]!;

/** The part an entry lies on, with everything that lies there, that entry stronger. */
function StageDrawing({
  plan,
  stage,
  items,
  entry,
}: {
  plan: Plan;
  stage: StagePlan;
  items: readonly Item[];
  entry: LayEntry | undefined;
}) {
  const part = partOf(plan, entry);
  const picture = stage.pictures.find((one) => one.part === part.id)?.areas ?? [];
  const covered = entry ? coveredBy(entry) : [];
  const own = items.flatMap((item) => (item.kind === 'own' && item.part === part.id ? [item] : []));
  const { handles, live, onDrag } = useOwnDrag(entry?.kind === 'own' ? entry.items[0] : null);
  const rims = items.flatMap((item) => (item.kind === 'rim' && item.part === part.id ? [item] : []));
  return (
    <PartDrawing
      part={part}
      areas={picture.map(({ code, covered: under, colour }) => ({ code, colour, covered: under }))}
      chosenArea={part.areas.find(({ id }) => covered.includes(`${part.id}/${id}`))?.code ?? null}
      runs={items.filter(isLine).filter((one) => one.part === part.id)}
      chosenRun={entry?.kind === 'line' ? entry.id : entry?.kind === 'backing' ? entry.items[0].behind : null}
      edges={{
        beyond: new Map(rims.map(({ edge, beyond }) => [edge, beyond])),
        chosen:
          entry?.kind === 'rim'
            ? entry.items.map(({ edge }) => edge)
            : entry?.kind === 'cover' && entry.items[0].area === 'beyond'
              ? rims.map(({ edge }) => edge)
              : [],
      }}
      codes="lines"
      overlay={(mmPerDp) => <OwnShapes pieces={own} chosen={entry?.id ?? null} live={live} mmPerDp={mmPerDp} />}
      handles={handles}
      onDrag={onDrag}
    />
  );
}

const styles = StyleSheet.create({
  walk: { flexDirection: 'row', gap: space.small, alignItems: 'center' },
  grow: { flex: 1 },
});
