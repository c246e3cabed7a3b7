import { type Design, neighbourPart, newestDesignSchema, numberBetween, RULE_OF_THUMB } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import * as v from 'valibot';
import { Field } from '@/forms/Field';
import { showFirstFault } from '@/forms/firstFault';
import { useKeptForm } from '@/forms/keptForm';
import { KeptNote } from '@/forms/KeptNote';
import { resolverOf } from '@/forms/resolver';
import { typedNumber, typedOrNone } from '@/forms/typed';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { useJob } from './JobContext';

const { title, scale } = newestDesignSchema.entries;
const formSchema = v.object({
  title,
  scale: typedNumber(scale),
  bodyM2: typedOrNone(v.nullable(numberBetween(0.001, 5000, 'm²'))),
});
type Values = v.InferOutput<typeof formSchema>;

interface Fields {
  title: string;
  scale: string;
  bodyM2: string;
}

/** Name of the job, and its scale if it is a model. */
export function JobForm({
  design,
  onChange,
}: {
  design: Design;
  onChange: (values: Pick<Design, 'title' | 'scale' | 'bodyM2'>) => void;
}) {
  const { id } = useJob();
  const form = useForm<Fields, unknown, Values>({
    resolver: resolverOf<Fields, Values>(formSchema),
    values: {
      title: design.title,
      scale: String(design.scale),
      bodyM2: design.bodyM2 === undefined ? '' : String(design.bodyM2),
    },
  });
  const { control, handleSubmit, formState } = form;
  const kept = useKeptForm(`job/${id}`, form);
  const submit = handleSubmit(({ bodyM2, ...values }) => {
    kept.forget();
    onChange({ ...values, bodyM2: bodyM2 ?? undefined });
  }, showFirstFault);
  // Shown only if something beyond the parts stays clean.
  const surrounded = design.parts.some(({ rims }) =>
    rims?.some((rim) => rim.beyond !== 'free' && neighbourPart(rim) === null),
  );
  return (
    <View style={styles.form}>
      <KeptNote kept={kept} />
      <Field whole control={control} name="title" label="Name of the job" />
      {design.kind === 'model' ? (
        <Field whole control={control} name="scale" label="Scale, 1 to" keys="numeric" />
      ) : null}
      {surrounded ? (
        <Field
          whole
          control={control}
          name="bodyM2"
          label="Film over all of what stays clean"
          unit="m²"
          keys="numeric"
          hint={phrase`Where a gun is used. Empty: ${RULE_OF_THUMB.bodyM2[design.kind]} m², typical`}
        />
      ) : null}
      {formState.isDirty ? <Action label="Keep these" onPress={() => void submit()} testID="keep-job" /> : null}
    </View>
  );
}

const styles = StyleSheet.create({ form: { gap: space.small } });
