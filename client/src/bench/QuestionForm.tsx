import type { Fault, Key, Question, Shelf } from '@lintrel/core';
import { StyleSheet, View } from 'react-native';
import { ColourInput } from '@/forms/ColourInput';
import { Typed } from '@/forms/Field';
import { Pick } from '@/forms/Pick';
import { space } from '@/theme/theme';
import { Choice } from '@/ui/Choice';
import type { Asked } from './useQuestion';

/** The keys of a question as a form; every key brings its own kind of field. */
export function QuestionForm({ question, asked, shelf }: { question: Question; asked: Asked; shelf: Shelf }) {
  const hidden = question.ways.filter((way) => way !== asked.way).flatMap(({ keys }) => keys);
  const shown = Object.entries(question.keys).filter(([name]) => !hidden.includes(name) || asked.way?.keys.includes(name));
  const faults = asked.answer.ok ? [] : asked.answer.faults;
  return (
    <View style={styles.form}>
      {question.ways.length > 1 && asked.way ? (
        <Choice
          label="Given by"
          value={asked.way.label}
          options={question.ways.map(({ label }) => ({ value: label, label }))}
          onChange={(label) => asked.choose(question.ways.find((way) => way.label === label) ?? question.ways[0])}
        />
      ) : null}
      <View style={styles.row}>
        {shown.map(([name, key]) => (
          <KeyField key={name} name={name} of={key} asked={asked} shelf={shelf} fault={faults.find(({ path }) => path === name)} />
        ))}
      </View>
    </View>
  );
}

function KeyField({ name, of, asked, shelf, fault }: { name: string; of: Key; asked: Asked; shelf: Shelf; fault?: Fault }) {
  const value = asked.input[name] ?? '';
  const change = (text: string) => asked.set(name, text);
  if (of.choices && of.labels)
    return (
      <View style={styles.whole}>
        <Pick
          label={of.label}
          value={value}
          options={of.choices.map((choice, index) => ({ value: choice, label: of.labels?.[index] ?? choice }))}
          onChange={change}
          fault={fault?.message}
        />
      </View>
    );
  if (of.choices)
    return (
      <View style={styles.whole}>
        <Choice label={of.label} value={value} options={of.choices.map((choice) => ({ value: choice, label: choice }))} onChange={change} />
      </View>
    );
  if (of.from === 'tapes')
    return (
      <View style={styles.whole}>
        <Pick
          label={of.label}
          value={value}
          options={shelf.tapes.map(({ code, name: words }) => ({ value: code, label: `${code}  ${words}` }))}
          onChange={change}
          fault={fault?.message}
        />
      </View>
    );
  if (of.from === 'finishes')
    return (
      <View style={styles.whole}>
        <Pick
          label={of.label}
          value={value}
          options={shelf.finishes.map(({ id, name: words, colour }) => ({ value: id, label: words, colour }))}
          onChange={change}
          fault={fault?.message}
        />
      </View>
    );
  if (/^#[0-9a-f]{6}$/i.test(of.example))
    return (
      <View style={styles.colour}>
        <Typed label={of.label} value={value} onChange={change} fault={fault?.message} testID={name} />
        <ColourInput label={`Pick: ${of.label}`} value={value} onChange={change} />
      </View>
    );
  return (
    <Typed
      label={of.optional ? `${of.label} (optional)` : of.label}
      unit={of.unit || undefined}
      value={value}
      onChange={change}
      fault={fault?.message}
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
