import { EDGE_CLASSES, REFERENCE_AIR, rollLengthM, type Shelf, type Tape, TAPE_KINDS } from '@lintrel/core';
import { phrase, TAPE_NAMES } from '@lintrel/words';
import { router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { useForm, type UseFormReturn } from 'react-hook-form';
import { useDeleteEntry, useSaveEntry, useShelf } from '@/api/jobQueries';
import { placeFaults } from '@/forms/faults';
import { Field } from '@/forms/Field';
import { FieldRow } from '@/forms/FieldRow';
import { showFirstFault } from '@/forms/firstFault';
import { useKeptForm } from '@/forms/keptForm';
import { KeptNote } from '@/forms/KeptNote';
import { Pick } from '@/forms/Pick';
import { resolverOf } from '@/forms/resolver';
import { useWords } from '@/person/PersonContext';
import { EntryFrame } from '@/shelf/EntryFrame';
import { StockPanel } from '@/shelf/StockPanel';
import { TAPE_FIELDS, type TapeFields, tapeFields, tapeFormSchema } from '@/shelf/tapeForm';
import { TapeTests } from '@/shelf/TapeTests';
import { Choice } from '@/ui/Choice';
import { Panel, Screen, Waiting } from '@/ui/Screen';

const EDGE_WORDS = { crisp: 'Crisp', fair: 'Fair', soft: 'Soft' } as const;

/** One tape: the figures its bends and times are computed from. */
export function ShelfTapeScreen() {
  const { code } = useLocalSearchParams<{ code: string }>();
  const { data, error } = useShelf();
  if (!data)
    return (
      <Screen title="Tape">
        <Waiting what="the shelf" error={error} />
      </Screen>
    );
  return <TapeForm key={code} code={code} shelf={data} />;
}

function TapeForm({ code, shelf }: { code: string; shelf: Shelf }) {
  const { text } = useWords();
  const tape = shelf.tapes.find((other) => other.code === code);
  const save = useSaveEntry<Tape>('tapes', tape);
  const remove = useDeleteEntry('tapes', tape);
  const [trouble, setTrouble] = useState<string | null>(null);
  const form = useForm<TapeFields, unknown, Tape>({
    resolver: resolverOf<TapeFields, Tape>(tapeFormSchema),
    defaultValues: tapeFields(tape),
  });
  const { handleSubmit, setValue, setError } = form;
  const kept = useKeptForm(`tape/${code}`, form);
  const done = () => {
    kept.forget();
    router.push('/shelf');
  };
  const fail = (error: Error) => {
    setTrouble(placeFaults(error, setError, TAPE_FIELDS));
    showFirstFault();
  };
  const submit = handleSubmit(
    (entry) => save.mutate({ entry, key: tape ? code : null }, { onSuccess: done, onError: fail }),
    showFirstFault,
  );
  return (
    <EntryFrame
      title={tape ? tape.name : 'New tape'}
      isNew={!tape}
      busy={save.isPending}
      trouble={trouble}
      onSave={() => void submit()}
      onDelete={() => remove.mutate(code, { onSuccess: done, onError: fail })}
    >
      <KeptNote kept={kept} />
      <TapeFigures form={form} isNew={!tape} />
      {tape ? <StockPanel stuff="tapes" code={code} have={tape.rolls} /> : null}
      {tape ? (
        <TapeTests
          tape={tape}
          onFigures={(figures) => {
            for (const [name, value] of Object.entries(figures))
              setValue(name as 'stretch' | 'adhesionN25' | 'minApplyC', String(value));
            setValue('basis', text('Tested here'));
          }}
        />
      ) : null}
    </EntryFrame>
  );
}

/** Kind, width and figures of a tape. */
function TapeFigures({ form, isNew }: { form: UseFormReturn<TapeFields, unknown, Tape>; isNew: boolean }) {
  const { temperature } = useWords();
  const { control, watch, setValue } = form;
  return (
    <Panel>
      <FieldRow>
        {isNew ? <Field control={control} name="code" label="Code" hint="Letter of the kind and width: V6" /> : null}
        <Field control={control} name="name" label="Name" />
      </FieldRow>
      <Pick
        label="Kind"
        value={watch('kind')}
        options={TAPE_KINDS.map((value) => ({ value, label: phrase`${value}  ${TAPE_NAMES[value]}` }))}
        onChange={(kind) => setValue('kind', kind)}
      />
      <Choice
        label="Edge it leaves"
        value={watch('edge')}
        options={EDGE_CLASSES.map((value) => ({ value, label: EDGE_WORDS[value] }))}
        onChange={(edge) => setValue('edge', edge)}
      />
      <FieldRow>
        <Field control={control} name="widthMm" label="Width" unit="mm" />
        <Field control={control} name="thicknessUm" label="Thickness" unit="µm" keys="numeric" />
        <Field control={control} name="stretch" label="Safe stretch, share" keys="numeric" hint="0.15 is 15 %" />
        <Field control={control} name="fold" label="Fold limit, share" keys="numeric" hint="0.005 is 0.5 %" />
        <Field control={control} name="adhesionN25" label="Grip" unit="N/25 mm" keys="numeric" />
        <Field control={control} name="minApplyC" label="Sticks from" unit="°C" />
        <Field
          control={control}
          name="cleanHours"
          label="Comes off clean within"
          unit="h"
          keys="numeric"
          hint={phrase`At ${temperature(REFERENCE_AIR.airC)}`}
        />
      </FieldRow>
      <FieldRow>
        <Field
          control={control}
          name="rollM"
          label="On a roll"
          unit="m"
          keys="numeric"
          hint={phrase`Empty: ${rollLengthM({ kind: watch('kind') })} m, typical`}
        />
        <Field
          control={control}
          name="rollPrice"
          label="Price of a roll"
          keys="numeric"
          hint="In your own money. Empty: a typical one"
        />
      </FieldRow>
      <Field whole control={control} name="use" label="Good for" />
      <Field whole control={control} name="basis" label="Where the figures come from" />
    </Panel>
  );
}
