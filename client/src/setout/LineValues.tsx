import type { Design, EdgeName, TrimLine } from '@lintrel/core';
import { phrase, type Words } from '@lintrel/words';
import { StyleSheet, View } from 'react-native';
import { Typed } from '@/forms/Field';
import { FieldRow } from '@/forms/FieldRow';
import { Pick } from '@/forms/Pick';
import { useWords } from '@/person/PersonContext';
import { Choice } from '@/ui/Choice';
import { OPTIONAL } from '@/words';
import type { LineFields } from './lineForm';
import { KIND_FORMS, type KindField } from './lineKinds';

interface LineValuesProps {
  readonly fields: LineFields;
  readonly faults: Readonly<Record<string, string>>;
  readonly unit: 'mm' | 'in';
  /** Other lines of the part, names of its edges, and the other parts. */
  readonly lines: readonly TrimLine[];
  readonly edges: readonly EdgeName[];
  readonly parts: Design['parts'];
  readonly onChange: (values: LineFields['values']) => void;
}

const UNITS: Partial<Record<KindField['as'], string>> = { angle: '°', ratio: '×' };

/** Values of a kind of line, besides its points. */
export function LineValues({ fields, faults, unit, lines, edges, parts, onChange }: LineValuesProps) {
  const { say } = useWords();
  const put = (key: string, value: string) => onChange({ ...fields.values, [key]: value });
  return (
    <FieldRow>
      {KIND_FORMS[fields.kind].fields.map((field) => {
        const value = fields.values[field.key] ?? '';
        const fault = faults[`values.${field.key}`];
        if (field.options)
          return (
            <View key={field.key} style={styles.whole}>
              <Choice
                label={field.label}
                value={value}
                options={field.options}
                onChange={(next) => put(field.key, next)}
              />
            </View>
          );
        const options = choicesFor(field, lines, edges, parts, say);
        if (options)
          return (
            <View key={field.key} style={styles.whole}>
              <Pick
                label={field.label}
                value={value}
                options={options}
                onChange={(next) => put(field.key, next)}
                fault={fault}
              />
            </View>
          );
        return (
          <Typed
            key={field.key}
            label={field.label}
            unit={UNITS[field.as] ?? (field.as === 'count' || field.as === 'letters' ? undefined : unit)}
            hint={field.hint ?? (field.optional ? OPTIONAL : undefined)}
            value={value}
            onChange={(text) => put(field.key, text)}
            fault={fault}
            keys={field.as === 'count' ? 'numeric' : 'default'}
            testID={field.key}
          />
        );
      })}
    </FieldRow>
  );
}

/** Choices of a reference; null for a typed value. */
function choicesFor(
  { as }: KindField,
  lines: readonly TrimLine[],
  edges: readonly EdgeName[],
  parts: Design['parts'],
  say: Words['say'],
): { value: string; label: string }[] | null {
  if (as === 'line') return lines.map(({ id, name }) => ({ value: id, label: name }));
  if (as === 'lineOrEdge')
    return [
      ...lines.map(({ id, name }) => ({ value: `line:${id}`, label: name })),
      ...edges.map((name, index) => ({ value: `edge:${index}`, label: `The ${say(name)} of the part` })),
    ];
  if (as === 'partLine')
    return parts.flatMap((part) =>
      part.lines.map(({ id, name }) => ({ value: `${part.id}/${id}`, label: phrase`${part.name}: ${name}` })),
    );
  return null;
}

const styles = StyleSheet.create({
  whole: { flexBasis: '100%', flexGrow: 1 },
});
