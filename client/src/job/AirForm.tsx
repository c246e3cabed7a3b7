import { useMemo } from 'react';
import { AIR_MOVEMENTS, climateSchema, type AirMovement, type Climate } from '@lintrel/core';
import { resolverOf } from '@/forms/resolver';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import * as v from 'valibot';
import { Field } from '@/forms/Field';
import { temperatureText } from '@/forms/temperatureText';
import { typedHumidity, typedTemperature } from '@/forms/typed';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { usePerson } from '@/person/PersonContext';

const { airC, rhPercent, movement } = climateSchema.entries;
/** The form as it is read; bare temperatures are in the unit of the person. */
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
  });
type AirValues = v.InferOutput<ReturnType<typeof schemaIn>>;

interface Fields {
  airC: string;
  rhPercent: string;
  surfaceC: string;
  movement: AirMovement;
}

const MOVES: Readonly<Record<AirMovement, string>> = { still: 'Still', normal: 'Normal', booth: 'Booth' };

/** The air of today. */
export function AirForm({ climate, onChange }: { climate: Climate; onChange: (climate: Climate) => void }) {
  const unit = usePerson().person.temperature;
  const { control, handleSubmit, watch, setValue, formState } = useForm<Fields, unknown, AirValues>({
    resolver: useMemo(() => resolverOf<Fields, AirValues>(schemaIn(unit)), [unit]),
    values: {
      airC: temperatureText(climate.airC, unit),
      rhPercent: String(climate.rhPercent),
      surfaceC: climate.surfaceC === null ? '' : temperatureText(climate.surfaceC, unit),
      movement: climate.movement,
    },
  });
  const submit = handleSubmit((values) => onChange(values));
  return (
    <View style={styles.form}>
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
      {formState.isDirty ? <Action label="Use this air" onPress={() => void submit()} /> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  form: { gap: space.small },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
});
