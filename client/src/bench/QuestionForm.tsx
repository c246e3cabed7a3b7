import { type Fault, faultText, type Key, type Question, type Shelf } from '@lintrel/core';
import type { QuestionWords } from '@lintrel/words';
import { phrase } from '@lintrel/words';
import { StyleSheet, View } from 'react-native';
import { ColourInput } from '@/forms/ColourInput';
import { Typed } from '@/forms/Field';
import { Pick } from '@/forms/Pick';
import { useWords } from '@/person/PersonContext';
import { space } from '@/theme/theme';
import { Choice } from '@/ui/Choice';
import { OPTIONAL } from '@/words';
import type { QuestionState } from './useQuestion';

/** More things to choose from than these are folded away. */
const MOST_IN_SIGHT = 5;

/** The keys of a question as a form; every key brings its own kind of field. */
export function QuestionForm({ question, asked, shelf }: { question: Question; asked: QuestionState; shelf: Shelf }) {
  const words = useWords().question(question.name);
  const hidden = question.ways.filter((way) => way !== asked.way).flatMap(({ keys }) => keys);
  const shown = Object.entries(question.keys).filter(
    ([name]) => !hidden.includes(name) || asked.way?.keys.includes(name),
  );
  const faults = asked.answer.ok ? [] : asked.answer.faults;
  return (
    <View style={styles.form}>
      {question.ways.length > 1 && asked.way ? (
        <Choice
          label="Given by"
          value={asked.way.name}
          options={question.ways.map(({ name }) => ({ value: name, label: words.way(name) }))}
          onChange={(name) => asked.choose(question.ways.find((way) => way.name === name) ?? question.ways[0]!)}
        />
      ) : null}
      <View style={styles.row}>
        {shown.map(([name, key]) => (
          <KeyField
            key={name}
            name={name}
            of={key}
            words={words}
            asked={asked}
            shelf={shelf}
            fault={faults.find(({ path }) => path === name)}
          />
        ))}
      </View>
    </View>
  );
}

interface KeyFieldProps {
  readonly name: string;
  readonly of: Key;
  readonly words: QuestionWords;
  readonly asked: QuestionState;
  readonly shelf: Shelf;
  readonly fault?: Fault;
}

function KeyField({ name, of, words, asked, shelf, fault: found }: KeyFieldProps) {
  const label = words.key(name);
  const fault = found && faultText(found);
  const value = asked.input[name] ?? '';
  const change = (text: string) => asked.set(name, text);
  if (of.choices && of.choices.length > MOST_IN_SIGHT)
    return (
      <View style={styles.whole}>
        <Pick
          label={label}
          value={value}
          options={of.choices.map((choice) => ({ value: choice, label: words.choice(choice) }))}
          onChange={change}
          fault={fault}
        />
      </View>
    );
  if (of.choices)
    return (
      <View style={styles.whole}>
        <Choice
          label={label}
          value={value}
          options={of.choices.map((choice) => ({ value: choice, label: words.choice(choice) }))}
          onChange={change}
        />
      </View>
    );
  if (of.from === 'tapes')
    return (
      <View style={styles.whole}>
        <Pick
          label={label}
          value={value}
          options={shelf.tapes.map(({ code, name: words }) => ({ value: code, label: phrase`${code}  ${words}` }))}
          onChange={change}
          fault={fault}
        />
      </View>
    );
  if (of.from === 'finishes')
    return (
      <View style={styles.whole}>
        <Pick
          label={label}
          value={value}
          options={shelf.finishes.map(({ id, name: words, colour }) => ({ value: id, label: words, colour }))}
          onChange={change}
          fault={fault}
        />
      </View>
    );
  if (/^#[0-9a-f]{6}$/i.test(of.example))
    return (
      <View style={styles.colour}>
        <Typed label={label} value={value} onChange={change} fault={fault} testID={name} />
        <ColourInput label={phrase`Pick: ${label}`} value={value} onChange={change} />
      </View>
    );
  return (
    <Typed
      label={label}
      hint={of.optional ? OPTIONAL : undefined}
      unit={of.unit || undefined}
      value={value}
      onChange={change}
      fault={fault}
      testID={name}
    />
  );
}

const styles = StyleSheet.create({
  form: { gap: space.middle },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  colour: { flexDirection: 'row', alignItems: 'flex-start', gap: space.tight },
  whole: { flexBasis: '100%' },
});
