import { type Shelf, type Supply, SUPPLY_KINDS, SUPPLY_UNITS } from '@lintrel/core';
import { SUPPLY_NAMES, SUPPLY_UNIT_NAMES } from '@lintrel/words';
import { type Href, router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useDeleteEntry, useSaveEntry, useShelf } from '@/api/jobQueries';
import { placeFaults } from '@/forms/faults';
import { Field } from '@/forms/Field';
import { FieldRow } from '@/forms/FieldRow';
import { showFirstFault } from '@/forms/firstFault';
import { useKeptForm } from '@/forms/keptForm';
import { KeptNote } from '@/forms/KeptNote';
import { Pick } from '@/forms/Pick';
import { resolverOf } from '@/forms/resolver';
import { EntryFrame } from '@/shelf/EntryFrame';
import { StockPanel } from '@/shelf/StockPanel';
import { SUPPLY_FIELDS, type SupplyFields, supplyFields, supplyFormSchema } from '@/shelf/supplyForm';
import { Panel, Screen, Waiting } from '@/ui/Screen';

/** Paper, film, foam or the like: how it is bought, and what there is of it. */
export function ShelfSupplyScreen() {
  const { code } = useLocalSearchParams<{ code: string }>();
  const { data, error } = useShelf();
  if (!data)
    return (
      <Screen title="Paper, film, foam">
        <Waiting what="the shelf" error={error} />
      </Screen>
    );
  return <SupplyForm key={code} code={code} shelf={data} />;
}

function SupplyForm({ code, shelf }: { code: string; shelf: Shelf }) {
  const supply = shelf.supplies?.find((other) => other.code === code);
  const save = useSaveEntry<Supply>('supplies', supply);
  const remove = useDeleteEntry('supplies', supply);
  const [trouble, setTrouble] = useState<string | null>(null);
  const form = useForm<SupplyFields, unknown, Supply>({
    resolver: resolverOf<SupplyFields, Supply>(supplyFormSchema),
    defaultValues: supplyFields(supply),
  });
  const { control, handleSubmit, watch, setValue, setError } = form;
  const kept = useKeptForm(`supply/${code}`, form);
  const done = () => {
    kept.forget();
    router.push('/shelf?show=supply' as Href);
  };
  const fail = (error: Error) => {
    setTrouble(placeFaults(error, setError, SUPPLY_FIELDS));
    showFirstFault();
  };
  const submit = handleSubmit(
    (entry) => save.mutate({ entry, key: supply ? code : null }, { onSuccess: done, onError: fail }),
    showFirstFault,
  );
  return (
    <EntryFrame
      title={supply ? supply.name : 'New paper, film or foam'}
      isNew={!supply}
      busy={save.isPending}
      trouble={trouble}
      onSave={() => void submit()}
      onDelete={() => remove.mutate(code, { onSuccess: done, onError: fail })}
    >
      <KeptNote kept={kept} />
      <Panel>
        <Pick
          label="Kind"
          value={watch('kind')}
          options={SUPPLY_KINDS.map((value) => ({ value, label: SUPPLY_NAMES[value] }))}
          onChange={(kind) => setValue('kind', kind)}
        />
        <FieldRow>
          {supply ? null : <Field control={control} name="code" label="Code" hint="Short: paper-600" />}
          <Field control={control} name="name" label="Name" />
          <Field
            control={control}
            name="sizeMm"
            label="Thick or wide"
            unit="mm"
            keys="numeric"
            hint="Foam: how thick. Empty where it does not matter"
          />
          <Field
            control={control}
            name="pack"
            label="In a pack"
            unit={SUPPLY_UNIT_NAMES[SUPPLY_UNITS[watch('kind')]]}
            keys="numeric"
          />
          <Field
            control={control}
            name="packPrice"
            label="Price of a pack"
            keys="numeric"
            hint="In your own money. Empty: a typical one"
          />
        </FieldRow>
        <Field whole control={control} name="basis" label="Where the figures come from" />
      </Panel>
      {supply ? <StockPanel stuff="supplies" code={code} have={supply.packs} /> : null}
    </EntryFrame>
  );
}
