import { isModelScale, type Design, type DesignChoices, type Plan } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Typed } from '@/forms/Field';
import { Pick } from '@/forms/Pick';
import { useJob } from '@/job/JobContext';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Words';

/** What a person insists on: which before which, one gun, masks that stay on, how many stages. */
export function RulesSheet({ plan }: { plan: Plan }) {
  const { design, change } = useJob();
  const [open, setOpen] = useState(false);
  const { choices } = design;
  const set = (update: Partial<DesignChoices>) => void change((now) => ({ ...now, choices: { ...now.choices, ...update } }), 'Changed a rule');
  const count = (choices.before?.length ?? 0) + (choices.sameGun?.length ?? 0) + (choices.pins?.length ?? 0) + (choices.vouched?.length ?? 0);
  if (!open) return <Action label={count > 0 ? phrase`Your rules (${count})` : 'Set rules of your own'} onPress={() => setOpen(true)} testID="rules" />;
  const masks = choices.masks ?? (isModelScale(design.scale) ? 'free' : 'fresh');
  return (
    <Sheet>
      <Heading>Rules of your own</Heading>
      <Choice
        label="Masks"
        value={masks}
        options={[
          { value: 'fresh', label: 'Off after every colour' },
          { value: 'free', label: 'May stay on' },
        ]}
        onChange={(value) => set({ masks: value })}
      />
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
      {(choices.vouched ?? []).map(({ lower, upper, note }, index) => (
        <View key={`${lower} ${upper}`} style={styles.row}>
          <Body style={styles.shrink}>{phrase`${upper} over ${lower}: ${note}`}</Body>
          <Action rank="quiet" label="Take back" onPress={() => set({ vouched: choices.vouched?.filter((_, at) => at !== index) })} />
        </View>
      ))}
      <Action rank="quiet" label="Close the rules" onPress={() => setOpen(false)} />
    </Sheet>
  );
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
  const used = [...new Set(plan.parts.flatMap(({ areas }) => areas.flatMap(({ finish }) => (finish === null ? [] : [finish]))))];
  if (used.length < 2) return null;
  const name = (id: string) => shelf.finishes.find((one) => one.id === id)?.name ?? id;
  const options = used.map((id) => ({ value: id, label: name(id), colour: shelf.finishes.find((one) => one.id === id)?.colour }));
  return (
    <View style={styles.pairs}>
      <Small tone="ink">{title}</Small>
      {pairs.map(([one, other], index) => (
        <View key={`${one} ${other}`} style={styles.row}>
          <Body style={styles.shrink}>{phrase`${name(one)} ${words[1]} ${name(other)}`}</Body>
          <Action rank="quiet" label="Take back" onPress={() => onChange(pairs.filter((_, at) => at !== index))} />
        </View>
      ))}
      <Pick label={words[0]} value={first} options={options} onChange={setFirst} />
      <Pick label={words[1]} value={second} options={options.filter(({ value }) => value !== first)} onChange={setSecond} />
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
  const [text, setText] = useState(String(design.choices.mostStages ?? ''));
  const value = Number(text);
  const sound = text.trim() === '' || (Number.isInteger(value) && value >= 1 && value <= 60);
  return (
    <View style={styles.row}>
      <Typed label="At most so many stages" value={text} onChange={setText} fault={sound ? undefined : 'needs a whole number from 1 to 60, or nothing'} />
      <Action label="Set" disabled={!sound} onPress={() => onChange(text.trim() === '' ? undefined : value)} />
    </View>
  );
}

const styles = StyleSheet.create({
  pairs: { gap: space.small },
  row: { flexDirection: 'row', alignItems: 'center', gap: space.small, justifyContent: 'space-between' },
  shrink: { flexShrink: 1 },
});
