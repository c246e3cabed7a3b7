import { newestDesignSchema, type Design } from '@lintrel/core';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import * as v from 'valibot';
import { Field } from '@/forms/Field';
import { resolverOf } from '@/forms/resolver';
import { typedNumber } from '@/forms/typed';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';

const { title, scale } = newestDesignSchema.entries;
const formSchema = v.object({ title, scale: typedNumber(scale) });
type Values = v.InferOutput<typeof formSchema>;

interface Fields {
  title: string;
  scale: string;
}

/** Name of the job, and its scale if it is a model. */
export function JobForm({ design, onChange }: { design: Design; onChange: (values: Values) => void }) {
  const { control, handleSubmit, formState } = useForm<Fields, unknown, Values>({
    resolver: resolverOf<Fields, Values>(formSchema),
    values: { title: design.title, scale: String(design.scale) },
  });
  const submit = handleSubmit((values) => onChange(values));
  return (
    <View style={styles.form}>
      <Field whole control={control} name="title" label="Name of the job" />
      {design.kind === 'model' ? <Field whole control={control} name="scale" label="Scale, 1 to" keys="numeric" /> : null}
      {formState.isDirty ? <Action label="Keep these" onPress={() => void submit()} testID="keep-job" /> : null}
    </View>
  );
}

const styles = StyleSheet.create({ form: { gap: space.small } });
