import {
  type Design,
  type DesignChoices,
  isModelScale,
  messageWithoutValues,
  numberOrNaN,
  type Plan,
  withChoices,
} from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Typed } from '@/forms/Field';
import { Pick } from '@/forms/Pick';
import { useJob } from '@/job/JobContext';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';

/** What a person insists on: which before which, one gun, masks that stay on, how many stages. */
export function RulesPanel({ plan }: { plan: Plan }) {
  const { design, change } = useJob();
  const [open, setOpen] = useState(false);
  const { choices } = design;
  const set = (update: Partial<DesignChoices>) =>
    void change((now) => withChoices(now, update), messageWithoutValues('edit.rule'));
  const count =
    (choices.before?.length ?? 0) +
    (choices.sameGun?.length ?? 0) +
    (choices.pins?.length ?? 0) +
    (choices.vouched?.length ?? 0);
  if (!open)
    return (
      <Action
        label={count > 0 ? phrase`Your rules (${count})` : 'Set rules of your own'}
        onPress={() => setOpen(true)}
        testID="rules"
      />
    );
  const masks = choices.masks ?? (isModelScale(design.scale) ? 'free' : 'fresh');
  return (
    <Panel>
      <Heading>Rules of your own</Heading>
      <Choice
        label="Masks"
        value={choices.masks ?? 'usual'}
        options={[
          { value: 'usual', label: 'As usual' },
          { value: 'fresh', label: 'All off after every colour' },
          { value: 'free', label: 'May stay on' },
        ]}
        onChange={(value) => set({ masks: value === 'usual' ? undefined : value })}
      />
      {choices.masks === undefined ? (
        <Small>
          {isModelScale(design.scale)
            ? 'As usual: they stay on from colour to colour where their tape allows it.'
            : 'As usual: off after every colour; on what is kept they stay on through primer, colour and clear.'}
        </Small>
      ) : null}
      {masks === 'free' ? (
        <Choice
          label="Masks that stay on may come off"
          value={choices.late ? 'late' : 'window'}
          options={[
            { value: 'window', label: 'only in their window' },
            { value: 'late', label: 'later, at a risk' },
          ]}
          onChange={(value) => set({ late: value === 'late' })}
        />
      ) : null}
      <Pairs
        title="One before another"
        words={['First', 'then']}
        plan={plan}
        pairs={(choices.before ?? []).map(({ first, then }) => [first, then])}
        onChange={(pairs) => set({ before: pairs.map(([first, then]) => ({ first, then })) })}
      />
      <Pairs
        title="Through the same gun"
        words={['This', 'and this']}
        plan={plan}
        pairs={(choices.sameGun ?? []).map(({ first, second }) => [first, second])}
        onChange={(pairs) => set({ sameGun: pairs.map(([first, second]) => ({ first, second })) })}
      />
      <MostStages key={choices.mostStages} design={design} onChange={(mostStages) => set({ mostStages })} />
      <Equals key={choices.equalPercent} design={design} onChange={(equalPercent) => set({ equalPercent })} />
      <Vouched vouched={choices.vouched ?? []} onChange={(vouched) => set({ vouched })} />
      <Action rank="quiet" label="Close the rules" onPress={() => setOpen(false)} />
    </Panel>
  );
}

type Vouching = NonNullable<DesignChoices['vouched']>;

/** Pairs of finishes a person has vouched for. */
function Vouched({ vouched, onChange }: { vouched: Vouching; onChange: (vouched: Vouching) => void }) {
  return vouched.map(({ lower, upper, note }, index) => (
    <View key={`${lower} ${upper}`} style={styles.row}>
      <Body style={styles.shrink}>{phrase`${upper} over ${lower}: ${note}`}</Body>
      <Action
        rank="quiet"
        label="Take back"
        onPress={() => onChange(vouched.filter((_, pairIndex) => pairIndex !== index))}
      />
    </View>
  ));
}

type Pair = readonly [string, string];

function Pairs({
  title,
  words,
  plan,
  pairs,
  onChange,
}: {
  title: string;
  words: Pair;
  plan: Plan;
  pairs: readonly Pair[];
  onChange: (pairs: readonly Pair[]) => void;
}) {
  const { shelf } = useJob();
  const [first, setFirst] = useState('');
  const [second, setSecond] = useState('');
  const used = [
    ...new Set(plan.parts.flatMap(({ areas }) => areas.flatMap(({ finish }) => (finish === null ? [] : [finish])))),
  ];
  if (used.length < 2) return null;
  const name = (id: string) => shelf.finishes.find((finish) => finish.id === id)?.name ?? id;
  const options = used.map((id) => ({
    value: id,
    label: name(id),
    colour: shelf.finishes.find((finish) => finish.id === id)?.colour,
  }));
  return (
    <View style={styles.pairs}>
      <Small tone="ink">{title}</Small>
      {pairs.map(([one, other], index) => (
        <View key={`${one} ${other}`} style={styles.row}>
          <Body style={styles.shrink}>{phrase`${name(one)} ${words[1]} ${name(other)}`}</Body>
          <Action
            rank="quiet"
            label="Take back"
            onPress={() => onChange(pairs.filter((_, pairIndex) => pairIndex !== index))}
          />
        </View>
      ))}
      <Pick label={words[0]} value={first} options={options} onChange={setFirst} />
      <Pick
        label={words[1]}
        value={second}
        options={options.filter(({ value }) => value !== first)}
        onChange={setSecond}
      />
      <Action
        label="Add this rule"
        disabled={first === '' || second === '' || first === second}
        onPress={() => {
          onChange([...pairs, [first, second]]);
          setFirst('');
          setSecond('');
        }}
      />
    </View>
  );
}

function MostStages({ design, onChange }: { design: Design; onChange: (most: number | undefined) => void }) {
  const sound = (value: number) => Number.isInteger(value) && value >= 1 && value <= 60;
  return (
    <NumberRule
      testID="most-stages"
      label="At most so many stages"
      given={design.choices.mostStages}
      sound={sound}
      needs="needs a whole number from 1 to 60, or nothing"
      onChange={onChange}
    />
  );
}

function Equals({ design, onChange }: { design: Design; onChange: (percent: number | undefined) => void }) {
  return (
    <NumberRule
      testID="equal-percent"
      label="Orders are equals within, %"
      given={design.choices.equalPercent}
      sound={(value) => value >= 0 && value <= 50}
      needs="needs a number from 0 to 50, or nothing: then 10"
      onChange={onChange}
    />
  );
}

/** A number a person may set, or leave open. */
function NumberRule({
  testID,
  label,
  given,
  sound,
  needs,
  onChange,
}: {
  testID: string;
  label: string;
  given: number | undefined;
  sound: (value: number) => boolean;
  needs: string;
  onChange: (value: number | undefined) => void;
}) {
  const [text, setText] = useState(String(given ?? ''));
  const empty = text.trim() === '';
  const fine = empty || sound(numberOrNaN(text));
  return (
    <View style={styles.row}>
      <Typed
        label={label}
        value={text}
        keys="numeric"
        onChange={setText}
        fault={fine ? undefined : needs}
        testID={testID}
      />
      <Action
        label="Set"
        disabled={!fine}
        onPress={() => onChange(empty ? undefined : numberOrNaN(text))}
        testID={`set-${testID}`}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  pairs: { gap: space.small },
  row: { flexDirection: 'row', alignItems: 'center', gap: space.small, justifyContent: 'space-between' },
  shrink: { flexShrink: 1 },
});
