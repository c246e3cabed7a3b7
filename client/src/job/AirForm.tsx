import { AIR_MOVEMENTS, type AirMovement, type Climate, climateSchema } from '@lintrel/core';
import { useMemo } from 'react';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import * as v from 'valibot';
import { Field } from '@/forms/Field';
import { showFirstFault } from '@/forms/firstFault';
import { useKeptForm } from '@/forms/keptForm';
import { KeptNote } from '@/forms/KeptNote';
import { resolverOf } from '@/forms/resolver';
import { temperatureText } from '@/forms/temperatureText';
import { typedHumidity, typedTemperature } from '@/forms/typed';
import { usePerson } from '@/person/PersonContext';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { useJob } from './JobContext';

const { airC, rhPercent, movement } = climateSchema.entries;
/** Whether a place has the air of where it is sprayed. */
const PLACES = ['same', 'other'] as const;
type Place = (typeof PLACES)[number];
/** Schema of the form; bare temperatures are in the person's unit. */
const schemaIn = (bare: 'C' | 'F') =>
  v.object({
    airC: typedTemperature(airC, bare),
    rhPercent: typedHumidity(rhPercent),
    surfaceC: v.union(
      [
        v.pipe(
          v.string(),
          v.trim(),
          v.literal(''),
          v.transform(() => null),
        ),
        typedTemperature(climateSchema.entries.surfaceC.wrapped, bare),
      ],
      'write a temperature such as 18, or leave it empty',
    ),
    movement,
    taped: v.picklist(PLACES),
    tapedC: typedTemperature(airC, bare),
    tapedRh: typedHumidity(rhPercent),
    left: v.picklist(PLACES),
    leftC: typedTemperature(airC, bare),
    leftRh: typedHumidity(rhPercent),
    leftMovement: movement,
  });
type AirValues = v.InferOutput<ReturnType<typeof schemaIn>>;

interface Fields {
  airC: string;
  rhPercent: string;
  surfaceC: string;
  movement: AirMovement;
  taped: Place;
  tapedC: string;
  tapedRh: string;
  left: Place;
  leftC: string;
  leftRh: string;
  leftMovement: AirMovement;
}

const PLACE_OPTIONS: readonly { readonly value: Place; readonly label: string }[] = [
  { value: 'same', label: 'In the same air' },
  { value: 'other', label: 'Elsewhere' },
];

/** Form values for a climate: places without air of their own show that of the spraying place. */
function fieldsOf(
  { airC: here, rhPercent: rh, surfaceC, movement: moves, taped, left }: Climate,
  unit: 'C' | 'F',
): Fields {
  return {
    airC: temperatureText(here, unit),
    rhPercent: String(rh),
    surfaceC: surfaceC === null ? '' : temperatureText(surfaceC, unit),
    movement: moves,
    taped: taped ? 'other' : 'same',
    tapedC: temperatureText(taped?.airC ?? here, unit),
    tapedRh: String(taped?.rhPercent ?? rh),
    left: left ? 'other' : 'same',
    leftC: temperatureText(left?.airC ?? here, unit),
    leftRh: String(left?.rhPercent ?? rh),
    leftMovement: left?.movement ?? 'still',
  };
}

const climateOf = ({ taped, tapedC, tapedRh, left, leftC, leftRh, leftMovement, ...sprayed }: AirValues): Climate => ({
  ...sprayed,
  ...(taped === 'other' ? { taped: { airC: tapedC, rhPercent: tapedRh } } : {}),
  ...(left === 'other' ? { left: { airC: leftC, rhPercent: leftRh, movement: leftMovement } } : {}),
});

const MOVES: Readonly<Record<AirMovement, string>> = { still: 'Still', normal: 'Normal', booth: 'Booth' };

/** The air of today: where it is sprayed, and where it is taped and left to dry, if that is elsewhere. */
export function AirForm({ climate, onChange }: { climate: Climate; onChange: (climate: Climate) => void }) {
  const unit = usePerson().person.temperature;
  const { id } = useJob();
  const form = useForm<Fields, unknown, AirValues>({
    resolver: useMemo(() => resolverOf<Fields, AirValues>(schemaIn(unit)), [unit]),
    values: fieldsOf(climate, unit),
  });
  const { control, handleSubmit, watch, setValue, formState } = form;
  const kept = useKeptForm(`air/${id}`, form);
  const submit = handleSubmit((values) => {
    kept.forget();
    onChange(climateOf(values));
  }, showFirstFault);
  // In the same air the values typed for another place are dropped: they may be invalid and would block saving.
  const settle = (which: 'taped' | 'left', place: Place) => {
    const plain = fieldsOf({ ...climate, [which]: undefined }, unit);
    if (place === 'same')
      for (const name of [`${which}C`, `${which}Rh`] as const) setValue(name, plain[name], { shouldValidate: true });
    setValue(which, place, { shouldDirty: true });
  };
  return (
    <View style={styles.form}>
      <KeptNote kept={kept} />
      <View style={styles.row}>
        <Field control={control} name="airC" label="Air" unit={`°${unit}`} />
        <Field control={control} name="rhPercent" label="Humidity" unit="%" keys="numeric" />
        <Field control={control} name="surfaceC" label="Surface" unit={`°${unit}`} hint="Empty: as the air" />
      </View>
      <Choice
        label="The air moves"
        value={watch('movement')}
        options={AIR_MOVEMENTS.map((value) => ({ value, label: MOVES[value] }))}
        onChange={(value) => setValue('movement', value, { shouldDirty: true })}
      />
      <Choice
        label="Taped"
        value={watch('taped')}
        options={PLACE_OPTIONS}
        onChange={(place) => settle('taped', place)}
      />
      {watch('taped') === 'other' ? (
        <View style={styles.row}>
          <Field control={control} name="tapedC" label="Air there" unit={`°${unit}`} />
          <Field control={control} name="tapedRh" label="Humidity there" unit="%" keys="numeric" />
        </View>
      ) : null}
      <Choice
        label="Left to dry"
        value={watch('left')}
        options={PLACE_OPTIONS}
        onChange={(place) => settle('left', place)}
      />
      {watch('left') === 'other' ? (
        <>
          <View style={styles.row}>
            <Field control={control} name="leftC" label="Air where it is left" unit={`°${unit}`} />
            <Field control={control} name="leftRh" label="Humidity where it is left" unit="%" keys="numeric" />
          </View>
          <Choice
            label="The air moves where it is left"
            value={watch('leftMovement')}
            options={AIR_MOVEMENTS.map((value) => ({ value, label: MOVES[value] }))}
            onChange={(value) => setValue('leftMovement', value, { shouldDirty: true })}
          />
        </>
      ) : null}
      {formState.isDirty ? <Action label="Use this air" onPress={() => void submit()} /> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  form: { gap: space.small },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
});
