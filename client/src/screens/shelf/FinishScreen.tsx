import {
  EFFECTS,
  type Finish,
  METHODS,
  PAINT_SYSTEM_KEYS,
  type PaintSystemKey,
  PULL_TIMINGS,
  REFERENCE_AIR,
  type Shelf,
  typicalFinish,
} from '@lintrel/core';
import { phrase, SYSTEM_NAMES } from '@lintrel/words';
import { type Href, router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { useForm, type UseFormReturn } from 'react-hook-form';
import { useDeleteEntry, useSaveEntry, useShelf } from '@/api/jobQueries';
import { ColourInput } from '@/forms/ColourInput';
import { placeFaults } from '@/forms/faults';
import { Field } from '@/forms/Field';
import { FieldRow } from '@/forms/FieldRow';
import { showFirstFault } from '@/forms/firstFault';
import { useKeptForm } from '@/forms/keptForm';
import { KeptNote } from '@/forms/KeptNote';
import { Pick } from '@/forms/Pick';
import { resolverOf } from '@/forms/resolver';
import { useWords } from '@/person/PersonContext';
import { BehaviourPanel } from '@/shelf/BehaviourPanel';
import { CardsPanel } from '@/shelf/CardsPanel';
import { HidingFromCard, LabInput, Ladder } from '@/shelf/ColourHelp';
import { EntryFrame } from '@/shelf/EntryFrame';
import { type FinishFields, finishFields, finishFormSchema } from '@/shelf/finishForm';
import { Choice } from '@/ui/Choice';
import { Panel, Screen, Waiting } from '@/ui/Screen';
import { Heading, Small } from '@/ui/Typography';
import { PULL_TIMING_WORDS } from '@/words';

const words = (value: string) => value[0]!.toUpperCase() + value.slice(1);

/** One finish: its colour and the data-sheet figures its coats and times are computed from. */
export function FinishScreen() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { data, error } = useShelf();
  if (!data)
    return (
      <Screen title="Finish">
        <Waiting what="the shelf" error={error} />
      </Screen>
    );
  return <FinishForm key={id} id={id} shelf={data} />;
}

function FinishForm({ id, shelf }: { id: string; shelf: Shelf }) {
  const finish = shelf.finishes.find((other) => other.id === id);
  const save = useSaveEntry<Finish>('finishes', finish);
  const remove = useDeleteEntry('finishes', finish);
  const [trouble, setTrouble] = useState<string | null>(null);
  const form = useForm<FinishFields, unknown, Finish>({
    resolver: resolverOf<FinishFields, Finish>(finishFormSchema),
    defaultValues: finishFields(finish),
  });
  const { control, handleSubmit, watch, setValue, setError, getValues, reset } = form;
  const kept = useKeptForm(`finish/${id}`, form);
  // Opened from a job, it leads back there.
  const { back: to } = useLocalSearchParams<{ back?: string }>();
  const done = () => {
    kept.forget();
    router.push((to ?? '/shelf?show=finish') as Href);
  };
  const fail = (error: Error) => {
    setTrouble(placeFaults(error, setError, Object.keys(getValues())));
    showFirstFault();
  };
  const submit = handleSubmit(
    (entry) => save.mutate({ entry, key: finish ? id : null }, { onSuccess: done, onError: fail }),
    showFirstFault,
  );
  const chooseSystem = (system: PaintSystemKey) => {
    const { id: ownId, name, colour, hidingUm } = getValues();
    // A new finish starts from the typical figures of its system; an existing one keeps its own.
    if (finish) setValue('system', system);
    else
      reset({
        ...finishFields(typicalFinish(ownId, name, system, colour, Number(hidingUm) || 40)),
        id: ownId,
        name,
        colour,
      });
  };
  const colour = watch('colour');
  return (
    <EntryFrame
      title={finish ? finish.name : 'New finish'}
      isNew={!finish}
      busy={save.isPending}
      trouble={trouble}
      onSave={() => void submit()}
      onDelete={() => remove.mutate(id, { onSuccess: done, onError: fail })}
    >
      <KeptNote kept={kept} />
      <Basics form={form} isNew={!finish} onSystem={chooseSystem} />
      <Times control={control} />
      <Film form={form} />
      {finish ? <BehaviourPanel finish={id} /> : null}
      <CardsPanel
        cards={watch('cards')}
        paint={{ colour, hidingUm: watch('hidingUm'), coatUm: watch('coatUm') }}
        onChange={(cards) => setValue('cards', cards)}
      />
    </EntryFrame>
  );
}

type FinishFormState = UseFormReturn<FinishFields, unknown, Finish>;

/** What it is, how it looks and how it goes on. */
function Basics({
  form,
  isNew,
  onSystem,
}: {
  form: FinishFormState;
  isNew: boolean;
  onSystem: (system: PaintSystemKey) => void;
}) {
  const { control, watch, setValue } = form;
  const colour = watch('colour');
  return (
    <Panel>
      <Field whole control={control} name="name" label="Name" />
      <FieldRow>
        {isNew ? <Field control={control} name="id" label="Short id" hint="Such as sky-blue" /> : null}
        <Field control={control} name="colour" label="Colour" hint="Such as #f5f3ea" />
        <ColourInput label="Pick the colour" value={colour} onChange={(hex) => setValue('colour', hex)} />
      </FieldRow>
      <LabInput onColour={(hex) => setValue('colour', hex)} />
      <Pick
        label="System"
        value={watch('system')}
        options={PAINT_SYSTEM_KEYS.map((value) => ({ value, label: SYSTEM_NAMES[value] }))}
        onChange={onSystem}
      />
      <Choice
        label="Effect"
        value={watch('effect')}
        options={EFFECTS.map((value) => ({ value, label: words(value) }))}
        onChange={(value) => setValue('effect', value)}
      />
      <Choice
        label="Put on with"
        value={watch('method')}
        options={METHODS.map((value) => ({ value, label: words(value) }))}
        onChange={(value) => setValue('method', value)}
      />
      <FieldRow>
        <Field control={control} name="gun" label="Gun it goes through" hint="Empty: the one gun of the shop" />
        <Field control={control} name="pricePerL" label="Price of a litre" keys="numeric" hint="In money of your own" />
      </FieldRow>
      <Choice
        label="Tape is pulled"
        value={watch('school')}
        options={PULL_TIMINGS.map((value) => ({ value, label: PULL_TIMING_WORDS[value] }))}
        onChange={(value) => setValue('school', value)}
      />
    </Panel>
  );
}

/** Drying times by the data sheet. */
function Times({ control }: { control: FinishFormState['control'] }) {
  const { temperature } = useWords();
  return (
    <Panel>
      <Heading>Times</Heading>
      <Small>{phrase`Minutes at ${temperature(REFERENCE_AIR.airC)}, ${REFERENCE_AIR.rhPercent} % humidity and the film below`}</Small>
      <FieldRow>
        <Field control={control} name="flashMin" label="Flash" unit="min" keys="numeric" />
        <Field control={control} name="recoatFrom" label="Next coat from" unit="min" keys="numeric" />
        <Field
          control={control}
          name="recoatTo"
          label="Next coat until"
          unit="min"
          keys="numeric"
          hint="Empty: no end"
        />
        <Field
          control={control}
          name="againFrom"
          label="Again from"
          unit="min"
          keys="numeric"
          hint="Empty: one window"
        />
        <Field control={control} name="againTo" label="Again until" unit="min" keys="numeric" />
        <Field control={control} name="touchMin" label="Touch-dry" unit="min" keys="numeric" />
        <Field control={control} name="tapeSafeMin" label="Takes tape" unit="min" keys="numeric" hint="Empty: never" />
        <Field control={control} name="throughMin" label="Dry through" unit="min" keys="numeric" />
        <Field
          control={control}
          name="wetLimitMin"
          label="Edge flows until"
          unit="min"
          keys="numeric"
          hint="Empty: a fifth of touch-dry"
        />
        <Field control={control} name="cureH" label="Cured" unit="h" keys="numeric" />
        <Field control={control} name="potLifeMin" label="Pot life" unit="min" keys="numeric" />
        <Field
          control={control}
          name="activationKj"
          label="Activation energy"
          unit="kJ/mol"
          keys="numeric"
          hint="How strongly warmth speeds it"
        />
      </FieldRow>
    </Panel>
  );
}

/** Film, hiding and solids by the data sheet. */
function Film({ form }: { form: FinishFormState }) {
  const { control, watch, setValue } = form;
  const colour = watch('colour');
  return (
    <Panel>
      <Heading>Film</Heading>
      <FieldRow>
        <Field control={control} name="coatUm" label="One coat, dry" unit="µm" keys="numeric" />
        <Field control={control} name="referenceBuildUm" label="Film of the times above" unit="µm" keys="numeric" />
        <Field control={control} name="hidingUm" label="Hides black and white" unit="µm" keys="numeric" />
        <Field
          control={control}
          name="coats"
          label="Coats by the data sheet"
          keys="numeric"
          hint="Empty: as hiding needs"
        />
        <Field control={control} name="solids" label="Solids, share of volume" keys="numeric" />
        <Field control={control} name="mixRatio" label="Mix" hint="Such as 4:1:1" />
      </FieldRow>
      <HidingFromCard coatUm={watch('coatUm')} onHiding={(um) => setValue('hidingUm', um)} />
      <Ladder colour={colour} hidingUm={watch('hidingUm')} coatUm={watch('coatUm')} />
      <Field whole control={control} name="basis" label="Where the figures come from" />
    </Panel>
  );
}
