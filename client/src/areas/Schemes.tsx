import {
  compareSchemes,
  type Design,
  messageWithoutValues,
  type PartPlan,
  type Plan,
  type Scheme,
  type SchemeComparison,
  type SchemeTotals,
  showArea,
  showMinutes,
  withOtherScheme,
  withoutScheme,
  withSchemeCopy,
  withSchemeName,
} from '@lintrel/core';
import type { Words } from '@lintrel/words';
import { phrase, phrases } from '@lintrel/words';
import { useEffect, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { finalAreas } from '@/drawing/paint';
import { PartThumb } from '@/drawing/PartThumb';
import { Typed } from '@/forms/Field';
import { useJob } from '@/job/JobContext';
import { useWords } from '@/person/PersonContext';
import { measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';
import { KEEP_AS_IS } from '@/words';
import { useView } from '@/worker/useSession';

const schemeName = (scheme: Scheme, index: number): string => scheme.name ?? phrase`Scheme ${index + 1}`;

/** The part in the other scheme, to be drawn beside the planned one. */
export interface OtherDrawing {
  readonly part: PartPlan;
  readonly names: readonly [string, string];
}

/** The schemes of a job: one is planned, others are kept for comparison. */
export function Schemes({
  plan,
  part,
  onOther,
}: {
  plan: Plan;
  part: PartPlan;
  onOther: (other: OtherDrawing | null) => void;
}) {
  const { design, change } = useJob();
  const [against, setAgainst] = useState<string | null>(null);
  const others = design.others ?? [];
  const index = others.findIndex((other, schemeIndex) => schemeName(other, schemeIndex + 1) === against);
  const copy = () =>
    void change(
      (now) => withSchemeCopy(now, `Scheme ${(now.others?.length ?? 0) + 2}`),
      messageWithoutValues('edit.scheme-copied'),
    );
  return (
    <Panel>
      <Heading>{phrase`Planned: ${schemeName(design.scheme, 0)}`}</Heading>
      <SchemeName key={design.scheme.name} />
      {others.length > 0 ? (
        <Choice
          label="Compare with"
          value={against ?? ''}
          options={[
            { value: '', label: 'Nothing' },
            ...others.map((other, schemeIndex) => ({
              value: schemeName(other, schemeIndex + 1),
              label: schemeName(other, schemeIndex + 1),
            })),
          ]}
          onChange={(name) => setAgainst(name === '' ? null : name)}
        />
      ) : (
        <Small>Keep a copy, then change this one: both can be seen side by side.</Small>
      )}
      {others.length < MOST_OTHERS ? (
        <Action label="Keep a copy to compare" onPress={copy} testID="copy-scheme" />
      ) : null}
      {index >= 0 ? (
        <Compared plan={plan} part={part} index={index} onGone={() => setAgainst(null)} onOther={onOther} />
      ) : null}
    </Panel>
  );
}

const MOST_OTHERS = 9;

function SchemeName() {
  const { design, change } = useJob();
  const [name, setName] = useState(schemeName(design.scheme, 0));
  const sound = name.trim() !== '' && name.length <= 120;
  if (!design.others?.length) return null;
  return (
    <View style={styles.name}>
      <Typed label="Its name" value={name} onChange={setName} fault={sound ? undefined : 'needs a name'} />
      <Action
        rank="quiet"
        label="Rename"
        disabled={!sound || name === schemeName(design.scheme, 0)}
        onPress={() =>
          void change((now) => withSchemeName(now, name.trim()), messageWithoutValues('edit.scheme-named'))
        }
      />
    </View>
  );
}

/** Two schemes side by side, with what they differ in. */
function Compared({
  plan,
  part,
  index,
  onGone,
  onOther,
}: {
  plan: Plan;
  part: PartPlan;
  index: number;
  onGone: () => void;
  onOther: (other: OtherDrawing | null) => void;
}) {
  const { design, shelf, change, unit } = useJob();
  const other = useMemo(
    (): Design => ({ ...design, scheme: (design.others as Scheme[])[index]!, others: undefined }),
    [design, index],
  );
  const { output } = useView('scheme', { other: index });
  const names = [schemeName(design.scheme, 0), schemeName(other.scheme, index + 1)] as const;
  const theirs = output?.parts.find(({ id }) => id === part.id) ?? null;
  const [mine, yours] = names;
  useEffect(() => {
    onOther(theirs && { part: theirs, names: [mine, yours] });
    return () => onOther(null);
  }, [theirs, mine, yours, onOther]);
  const swap = () =>
    void change((now) => withOtherScheme(now, index, names), messageWithoutValues('edit.scheme-taken'));
  const remove = () => {
    onGone();
    void change((now) => withoutScheme(now, index), messageWithoutValues('edit.scheme-gone'), true);
  };
  if (!output) return <Small>Working out the other scheme …</Small>;
  const theirPart = theirs ?? part;
  const { areas, first, second } = compareSchemes(plan, output);
  const finishName = (id: string | null) => shelf.finishes.find((finish) => finish.id === id)?.name ?? KEEP_AS_IS;
  const partName = (id: string) => plan.parts.find((planned) => planned.id === id)?.name ?? id;
  return (
    <View style={styles.compared} testID="compared">
      <View style={styles.pair}>
        {(
          [
            [names[0], part],
            [names[1], theirPart],
          ] as const
        ).map(([name, drawn]) => (
          <View key={name} style={styles.one}>
            <PartThumb
              part={drawn}
              areas={finalAreas(drawn.areas, shelf)}
              width={measure.compare}
              height={measure.compareHigh}
            />
            <Small tone="ink">{name}</Small>
          </View>
        ))}
      </View>
      <Totals names={names} first={first} second={second} />
      {areas.length === 0 ? <Small>Every area gets the same finish in both.</Small> : null}
      {grouped(areas).map(({ first: mine, second: theirs, sizeM2, places }) => (
        <View key={`${mine} ${theirs}`}>
          <Body>{phrase`${finishName(mine)} or ${finishName(theirs)}: ${showArea(sizeM2, unit)}`}</Body>
          <Small>
            {phrases(
              places.map(
                ({ part: id, codes }) =>
                  phrase`${plan.parts.length > 1 ? phrase`${partName(id)} ` : ''}${codes.join(', ')}`,
              ),
              '; ',
            )}
          </Small>
        </View>
      ))}
      <Action label={phrase`Plan ${names[1]} instead`} onPress={swap} />
      <Action rank="quiet" label={phrase`Remove ${names[1]}`} onPress={remove} />
    </View>
  );
}

interface Difference {
  readonly first: string | null;
  readonly second: string | null;
  readonly sizeM2: number;
  readonly places: readonly { readonly part: string; readonly codes: readonly string[] }[];
}

/** Groups equal changes with all their places. */
function grouped(areas: SchemeComparison['areas']): Difference[] {
  const keys = [...new Set(areas.map(({ first, second }) => JSON.stringify([first, second])))];
  return keys.map((key) => {
    const changed = areas.filter(({ first, second }) => JSON.stringify([first, second]) === key);
    const parts = [...new Set(changed.map(({ part }) => part))];
    return {
      first: changed[0]!.first,
      second: changed[0]!.second,
      sizeM2: changed.reduce((sum, { sizeM2 }) => sum + sizeM2, 0),
      places: parts.map((part) => ({
        part,
        codes: changed.filter((place) => place.part === part).map(({ area }) => area),
      })),
    };
  });
}

const ROWS: readonly { readonly label: string; readonly show: (schemeTotals: SchemeTotals, words: Words) => string }[] =
  [
    { label: 'Work (estimate)', show: ({ workMin }) => showMinutes(workMin) },
    { label: 'Done after (estimate)', show: ({ endMin }) => showMinutes(endMin) },
    { label: 'Tape edges', show: ({ tapeM }, { metres }) => metres(1000 * tapeM) },
    { label: 'Paint (estimate)', show: ({ paintMl }, { volume }) => volume(paintMl) },
    { label: 'Coats', show: ({ coats }) => String(coats) },
    { label: 'Stages', show: ({ stages }) => String(stages) },
  ];

function Totals({
  names,
  first,
  second,
}: {
  names: readonly [string, string];
  first: SchemeTotals;
  second: SchemeTotals;
}) {
  const words = useWords();
  return (
    <View role="table" aria-label={words.text(phrase`${names[0]} and ${names[1]}`)}>
      {ROWS.map(({ label, show }) => (
        <View key={label} role="row" style={styles.row}>
          <Small style={styles.cell}>{label}</Small>
          <Body style={styles.cell}>{show(first, words)}</Body>
          <Body style={styles.cell}>{show(second, words)}</Body>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  name: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  compared: { gap: space.small },
  pair: { flexDirection: 'row', gap: space.small, justifyContent: 'space-between' },
  one: { alignItems: 'center', gap: space.tight, flexShrink: 1 },
  row: { flexDirection: 'row', gap: space.small, paddingVertical: space.hair },
  cell: { flex: 1 },
});
