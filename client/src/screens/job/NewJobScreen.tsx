import { JOB_KINDS, type JobKind, newJobSchema, numberBetween } from '@lintrel/core';
import { JOB_NAMES } from '@lintrel/words';
import { router } from 'expo-router';
import { useForm } from 'react-hook-form';
import * as v from 'valibot';
import { useCreateJob } from '@/api/jobQueries';
import { Field } from '@/forms/Field';
import { showFirstFault } from '@/forms/firstFault';
import { useKeptForm } from '@/forms/keptForm';
import { KeptNote } from '@/forms/KeptNote';
import { resolverOf } from '@/forms/resolver';
import { typedNumber } from '@/forms/typed';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/Notice';
import { Panel, Screen } from '@/ui/Screen';

const formSchema = v.object({
  title: newJobSchema.entries.title,
  kind: newJobSchema.entries.kind,
  scale: typedNumber(numberBetween(1, 1000)),
});

interface Fields {
  title: string;
  kind: JobKind;
  scale: string;
}

/** A new job: its name and what kind of thing it is. */
export function NewJobScreen() {
  const create = useCreateJob();
  const form = useForm<Fields, unknown, v.InferOutput<typeof formSchema>>({
    resolver: resolverOf<Fields, v.InferOutput<typeof formSchema>>(formSchema),
    defaultValues: { title: '', kind: 'road', scale: '1' },
  });
  const { control, handleSubmit, watch, setValue } = form;
  const kept = useKeptForm('job/new', form);
  const kind = watch('kind');
  const open = ({ id }: { readonly id: string }) => {
    kept.forget();
    router.replace(`/job/${id}/part/new`);
  };
  const submit = handleSubmit(
    (job) => create.mutate(job, { onSuccess: open, onError: showFirstFault }),
    showFirstFault,
  );
  return (
    <Screen
      title="New job"
      action={
        <Action
          rank="main"
          label="Start setting out"
          busy={create.isPending}
          onPress={() => void submit()}
          testID="submit"
        />
      }
    >
      <KeptNote kept={kept} />
      <Panel>
        <Field whole control={control} name="title" label="Name of the job" />
        <Choice
          label="What is it?"
          value={kind}
          options={JOB_KINDS.map((value) => ({ value, label: JOB_NAMES[value] }))}
          onChange={(value) => {
            setValue('kind', value);
            setValue('scale', value === 'model' ? '72' : '1');
          }}
        />
        {kind === 'model' ? (
          <Field
            whole
            control={control}
            name="scale"
            label="Scale, 1 to"
            keys="numeric"
            hint="72 for 1:72. Sizes may then be typed as the real thing's: 600 mm real"
          />
        ) : null}
        {create.error ? <Notice level="stop" text={create.error.message} /> : null}
      </Panel>
    </Screen>
  );
}
