import { decimalPointOf } from '@lintrel/core/front';
import { phrase } from '@lintrel/words';
import { useId } from 'react';
import { type Control, Controller, type FieldPath, type FieldValues } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { HelperText, TextInput } from 'react-native-paper';
import { useFaultWords, useWords } from '@/person/PersonContext';
import { colour, font, measure, size } from '@/theme/theme';

interface TypedProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  readonly onBlur?: () => void;
  readonly fault?: string;
  readonly hint?: string;
  readonly unit?: string;
  readonly multiline?: boolean;
  /** Takes the whole width, standing alone in a column; else it shares a row. */
  readonly whole?: boolean;
  /** `numeric` brings up the number keys; lengths keep letters and signs for their notation. */
  readonly keys?: 'default' | 'numeric';
  /** It is not shown what is typed. */
  readonly secret?: boolean;
  readonly testID?: string;
}

/** A typed value with its unit, and what is wrong with it right below. */
export function Typed({
  label,
  value,
  onChange,
  onBlur,
  fault,
  hint,
  unit,
  multiline,
  whole = false,
  keys = 'default',
  secret = false,
  testID,
}: TypedProps) {
  const faultWords = useFaultWords();
  const { text } = useWords();
  const shown = text(label);
  const noteId = useId();
  // What was understood of a decimal comma stands beside it.
  const isNumber = (keys === 'numeric' || unit !== undefined) && decimalPointOf(value).ok;
  return (
    <View
      style={
        whole
          ? styles.whole
          : [styles.field, { flexBasis: Math.max(measure.typed, measure.labelSides + shown.length * measure.letter) }]
      }
    >
      <TextInput
        mode="outlined"
        label={shown}
        accessibilityLabel={text(unit ? phrase`${label}, ${unit}` : label)}
        value={value}
        onChangeText={onChange}
        onBlur={onBlur}
        error={Boolean(fault)}
        aria-invalid={Boolean(fault)}
        aria-describedby={fault ? noteId : undefined}
        multiline={multiline}
        secureTextEntry={secret}
        inputMode={keys === 'numeric' ? 'decimal' : 'text'}
        right={unit ? <TextInput.Affix text={text(unit)} textStyle={styles.unit} /> : undefined}
        style={styles.input}
        outlineColor={colour.quiet}
        testID={testID}
      />
      {fault ? (
        <View nativeID={noteId}>
          <HelperText type="error" role="alert" style={styles.help}>
            {faultWords(fault)}
          </HelperText>
        </View>
      ) : isNumber && /\d,\d/.test(value) ? (
        <HelperText type="info" style={styles.help} testID={testID ? `${testID}-read` : undefined}>
          {text(phrase`Read as ${value.trim().replace(',', '.') + (unit ? ` ${unit}` : '')}`)}
        </HelperText>
      ) : hint ? (
        <HelperText type="info" style={styles.help}>
          {text(hint)}
        </HelperText>
      ) : null}
    </View>
  );
}

type FieldProps<V extends FieldValues, T> = Omit<TypedProps, 'value' | 'onChange' | 'onBlur' | 'fault'> & {
  readonly control: Control<V, unknown, T>;
  readonly name: FieldPath<V>;
};

/** A typed value of a form. */
export function Field<V extends FieldValues, T>({ control, name, ...rest }: FieldProps<V, T>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <Typed
          {...rest}
          value={String(field.value ?? '')}
          onChange={field.onChange}
          onBlur={field.onBlur}
          fault={fieldState.error?.message}
          testID={rest.testID ?? name}
        />
      )}
    />
  );
}

const styles = StyleSheet.create({
  whole: { width: '100%' },
  field: { flexGrow: 1, flexShrink: 1, maxWidth: '100%' },
  input: { backgroundColor: colour.sheet, fontFamily: font.body, fontSize: size.large },
  unit: { fontFamily: font.label, fontSize: size.base, color: colour.quiet },
  help: { fontFamily: font.label, fontSize: size.small },
});
