import { isLine, type Item, itemsIn, type LineItem, type Plan, type StagePlan } from '@lintrel/core';
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
import { OpeningsPanel } from '@/tape/OpeningsPanel';
import { AddOwnPiece, OwnPieceForm } from '@/tape/OwnPieces';
import { PinTape } from '@/tape/PinTape';
import { ReadyPanel } from '@/tape/ReadyPanel';
import { useLaidDown } from '@/tape/useLaidDown';
import { useOwnDrag } from '@/tape/useOwnDrag';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Rows } from '@/ui/Row';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';

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
    plan.stages.find((other) => other.number === number) ??
    plan.stages.find((other) => other.items.length > 0) ??
    plan.stages[0]!;
  const items = itemsIn(plan, stage);
  const entries = layEntries(items);
  const start = indexOf(entries, chosen);
  const entry = entries[start];
  const go = (to: number) => setChosen(entries[to]?.id ?? null);
  // A piece just added is selected as soon as the plan contains it.
  const ownEntries = entries.filter(({ kind }) => kind === 'own');
  if (adding !== null && ownEntries.length > adding) {
    setAdding(null);
    setChosen(ownEntries.at(-1)!.id);
  }
  const finishName = (finish: string) => shelf.finishes.find((other) => other.id === finish)?.name ?? finish;
  const walkedM = items.filter(isLine).reduce((sum, { walkMm }) => sum + walkMm, 0) / 1000;
  return (
    <StepLayout
      part={partOf(plan, entry)}
      drawing={<StageDrawing plan={plan} stage={stage} items={items} entry={entry} />}
      action={
        entry ? (
          <WalkButtons
            index={start}
            count={entries.length}
            down={isDown(entry.id)}
            onGo={go}
            onDown={(down) => setDown(entry.id, down)}
          />
        ) : undefined
      }
    >
      <Choice
        label="Stage"
        value={String(stage.number)}
        options={plan.stages.map((other) => ({
          value: String(other.number),
          label: phrase`${other.number} ${finishName(other.finish)}`,
        }))}
        onChange={(value) => {
          setNumber(Number(value));
          setChosen(null);
        }}
      />
      <Panel>
        <Heading>
          {entries.length === 0 ? 'Lay in this order' : phrase`Lay in this order: ${start + 1} of ${entries.length}`}
        </Heading>
        {entries.length === 0 ? <Body>{nothingToLay(plan, stage)}</Body> : null}
        {walkedM >= 1 ? (
          <Small>{phrase`Part after part, from the back to the front; ${walkedM.toFixed(1)} m to walk from one tape to the next.`}</Small>
        ) : null}
        <EntryList
          plan={plan}
          entries={entries}
          chosen={chosen}
          shown={entry?.id ?? null}
          isDown={isDown}
          onChoose={setChosen}
        />
        <AddOwnPiece part={partOf(plan, entry)} finish={stage.finish} onAdd={() => setAdding(ownEntries.length)} />
      </Panel>
      <OpeningsPanel />
      <ReadyPanel lists={plan.lists} shelf={shelf} />
    </StepLayout>
  );
}

/** Index of an entry; of the first where it is not there. */
const indexOf = (entries: readonly LayEntry[], id: string | null): number =>
  Math.max(
    0,
    entries.findIndex((entry) => entry.id === id),
  );

interface WalkButtonsProps {
  readonly index: number;
  readonly count: number;
  readonly down: boolean;
  readonly onGo: (index: number) => void;
  readonly onDown: (down: boolean) => void;
}

/** From one entry to the next, and whether this one is laid. */
function WalkButtons({ index, count, down, onGo, onDown }: WalkButtonsProps) {
  return (
    <View style={styles.walk}>
      <Action
        label="Back"
        icon="arrow-left"
        disabled={index === 0}
        onPress={() => onGo(index - 1)}
        testID="walk-back"
      />
      <View style={styles.grow}>
        <Action
          rank="main"
          label={down ? 'Not down' : 'It is down'}
          onPress={() => {
            onDown(!down);
            if (!down && index < count - 1) onGo(index + 1);
          }}
          testID="is-down"
        />
      </View>
      <Action label="Next" disabled={index >= count - 1} onPress={() => onGo(index + 1)} testID="walk-next" />
    </View>
  );
}

interface EntryListProps {
  readonly plan: Plan;
  readonly entries: readonly LayEntry[];
  readonly chosen: string | null;
  /** The entry that is drawn: the chosen one, or the first. */
  readonly shown: string | null;
  readonly isDown: (id: string) => boolean;
  readonly onChoose: (id: string) => void;
}

/** What is laid in a stage, in order, with what can be decided of each. */
function EntryList({ plan, entries, chosen, shown, isDown, onChoose }: EntryListProps) {
  return (
    <Rows>
      {entries.map((layEntry) => (
        <View key={layEntry.id} ref={layEntry.id === chosen ? intoSight : undefined}>
          <EntryRow
            entry={layEntry}
            plan={plan}
            chosen={layEntry.id === shown}
            down={isDown(layEntry.id)}
            onPress={() => onChoose(layEntry.id)}
          >
            {layEntry.kind === 'line' ? <LineChoices run={layEntry.items[0]} plan={plan} /> : null}
            {layEntry.kind === 'own' ? <OwnPieceForm item={layEntry.items[0]} /> : null}
          </EntryRow>
        </View>
      ))}
    </Rows>
  );
}

/** What a person may decide about a tape edge. */
function LineChoices({ run, plan }: { run: LineItem; plan: Plan }) {
  const line = ownerOf(plan, run);
  const isOwnWay = run.techniques.some(({ code }) => code === 'technique.own');
  return (
    <>
      {isOwnWay ? null : <PinTape run={run} line={line} />}
      <ByHand
        run={run}
        line={line}
        backed={plan.items.some((item) => item.kind === 'backing' && item.behind === run.id)}
      />
    </>
  );
}

/** Scrolls the next item of the list into view. */
const intoSight = (row: unknown) => (row as HTMLElement | null)?.scrollIntoView?.({ block: 'nearest' });

/** Why a stage has nothing to apply: masks are on already, or nothing has to be protected. */
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
  const picture = stage.pictures.find((other) => other.part === part.id)?.areas ?? [];
  const covered = entry ? coveredBy(entry) : [];
  const ownItems = items.flatMap((item) => (item.kind === 'own' && item.part === part.id ? [item] : []));
  const { handles, live, onDrag } = useOwnDrag(entry?.kind === 'own' ? entry.items[0] : null);
  const rims = items.flatMap((item) => (item.kind === 'rim' && item.part === part.id ? [item] : []));
  return (
    <PartDrawing
      part={part}
      areas={picture.map(({ code, covered: under, colour }) => ({ code, colour, covered: under }))}
      chosenArea={part.areas.find(({ id }) => covered.includes(`${part.id}/${id}`))?.code ?? null}
      runs={items.filter(isLine).filter((item) => item.part === part.id)}
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
      overlay={(mmPerDp) => <OwnShapes pieces={ownItems} chosen={entry?.id ?? null} live={live} mmPerDp={mmPerDp} />}
      handles={handles}
      onDrag={onDrag}
    />
  );
}

const styles = StyleSheet.create({
  walk: { flexDirection: 'row', gap: space.small, alignItems: 'center' },
  grow: { flex: 1 },
});
