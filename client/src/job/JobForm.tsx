import { designSchema, type Design } from '@lintrel/core';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import * as v from 'valibot';
import { Field } from '@/forms/Field';
import { resolverOf } from '@/forms/resolver';
import { typedNumber } from '@/forms/typed';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';

const { title, scale, unit } = designSchema.entries;
const formSchema = v.object({ title, scale: typedNumber(scale), unit });
type Values = v.InferOutput<typeof formSchema>;

interface Fields {
  title: string;
  scale: string;
  unit: Design['unit'];
}

/** Name of the job, its scale if it is a model, and the unit lengths are shown and typed in. */
export function JobForm({ design, onChange }: { design: Design; onChange: (values: Values) => void }) {
  const { control, handleSubmit, watch, setValue, formState } = useForm<Fields, unknown, Values>({
    resolver: resolverOf<Fields, Values>(formSchema),
    values: { title: design.title, scale: String(design.scale), unit: design.unit },
  });
  const submit = handleSubmit((values) => onChange(values));
  return (
    <View style={styles.form}>
      <Field whole control={control} name="title" label="Name of the job" />
      {design.kind === 'model' ? <Field whole control={control} name="scale" label="Scale, 1 to" keys="numeric" /> : null}
      <Choice
        label="Lengths in"
        value={watch('unit')}
        options={[
          { value: 'mm', label: 'Millimetres' },
          { value: 'in', label: 'Inches' },
        ]}
        onChange={(value) => setValue('unit', value, { shouldDirty: true })}
      />
      {formState.isDirty ? <Action label="Keep these" onPress={() => void submit()} testID="keep-job" /> : null}
    </View>
  );
}

const styles = StyleSheet.create({ form: { gap: space.small } });
