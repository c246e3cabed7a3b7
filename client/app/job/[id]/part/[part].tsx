import { PAINT_SYSTEM_KEYS, PAINT_SYSTEMS, SUBSTRATES, type Part, type Substrate } from '@lintrel/core';
import { router, useLocalSearchParams, type Href } from 'expo-router';
import { useFieldArray, useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { IconButton } from 'react-native-paper';
import { Field } from '@/forms/Field';
import { Pick } from '@/forms/Pick';
import { resolverOf } from '@/forms/resolver';
import { freeId } from '@/job/ids';
import { useJob } from '@/job/JobContext';
import { partFields, partFormSchema, partFrom, type PartFields, type PartValues } from '@/job/partForm';
import { StepLayout } from '@/job/StepLayout';
import { measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Screen';
import { Heading, Small } from '@/ui/Words';

const SYSTEMS = [{ value: 'bare' as const, label: 'Nothing: bare' }, ...PAINT_SYSTEM_KEYS.map((value) => ({ value, label: PAINT_SYSTEMS[value].label }))];

/** One part: what it is, its outline, and what lines are measured from. */
export default function PartScreen() {
  const { part: partId } = useLocalSearchParams<{ part: string }>();
  const { id, design, change } = useJob();
  const part = design.parts.find((one) => one.id === partId) ?? null;
  const { control, handleSubmit, watch, setValue } = useForm<PartFields, unknown, PartValues>({
    resolver: resolverOf<PartFields, PartValues>(partFormSchema({ bare: design.unit, scale: design.scale })),
    defaultValues: partFields(part, design.unit),
  });
  const corners = useFieldArray({ control, name: 'corners' });
  const datums = useFieldArray({ control, name: 'datums', keyName: 'key' });
  const shape = watch('shape');
  const leave = (to: string) => router.replace(`/job/${id}/${to}` as Href);
  const submit = handleSubmit(async (values) => {
    const made = partFrom(
      values,
      part?.id ??
        freeId(
          'part',
          design.parts.map((one) => one.id),
        ),
      part?.lines ?? [],
    );
    await change((now) => ({ ...now, parts: part ? now.parts.map((one): Part => (one.id === made.id ? made : one)) : [...now.parts, made] }));
    leave(part ? 'piece' : 'lines');
  });
  const remove = async () => {
    await change(
      (now) => ({ ...now, parts: now.parts.filter((one) => one.id !== partId), scheme: { areas: now.scheme.areas.filter((area) => area.part !== partId) } }),
      `${part?.name} taken out`,
    );
    leave('piece');
  };
  const addCorner = () => corners.append({ x: '', y: '' }, { shouldFocus: false });
  return (
    <StepLayout action={<Action rank="main" label={part ? 'Keep these' : 'Add this part'} onPress={() => void submit()} testID="submit" />}>
      <Sheet>
        <Heading>{part ? part.name : 'New part'}</Heading>
        <View style={styles.row}>
          <Field control={control} name="name" label="Name of the part" />
          <Field control={control} name="count" label="How many alike" keys="numeric" />
        </View>
        <Pick
          label="Made of"
          value={watch('substrate')}
          options={(Object.keys(SUBSTRATES) as Substrate[]).map((value) => ({ value, label: SUBSTRATES[value] }))}
          onChange={(value) => setValue('substrate', value)}
        />
        <Pick label="What is on it now" value={watch('presentSystem')} options={SYSTEMS} onChange={(value) => setValue('presentSystem', value)} />
        <View style={styles.row}>
          <Field control={control} name="presentColour" label="Its colour" hint="Such as #c7bfa6" />
          <Field control={control} name="presentAgeH" label="Its age" unit="h" keys="numeric" />
        </View>
      </Sheet>
      <Sheet>
        <Heading>Outline</Heading>
        <Choice
          label="Shape"
          value={shape}
          options={[
            { value: 'rectangle', label: 'Width × height' },
            { value: 'polygon', label: 'Corner by corner' },
          ]}
          onChange={(value) => {
            setValue('shape', value);
            if (value === 'polygon' && corners.fields.length === 0) [1, 2, 3].forEach(addCorner);
          }}
        />
        {shape === 'rectangle' ? (
          <View style={styles.row}>
            <Field control={control} name="width" label="Width" unit={design.unit} hint={'18mm, 1.2 m, 3 1/2" also do'} />
            <Field control={control} name="height" label="Height" unit={design.unit} />
          </View>
        ) : (
          <>
            <Small>Round the part in order, from its lower left: how far to the right, how far up.</Small>
            {corners.fields.map((field, index) => (
              <View key={field.id} style={styles.row}>
                <Field control={control} name={`corners.${index}.x`} label={`Corner ${index + 1}: right`} unit={design.unit} />
                <Field control={control} name={`corners.${index}.y`} label="up" unit={design.unit} />
                <IconButton icon="close" accessibilityLabel={`Take out corner ${index + 1}`} onPress={() => corners.remove(index)} style={styles.remove} />
              </View>
            ))}
            <Action label="Another corner" icon="plus" onPress={addCorner} />
          </>
        )}
      </Sheet>
      <Sheet>
        <Heading>Datums</Heading>
        <Small>Lines are measured along a datum and above it.</Small>
        {datums.fields.map((field, index) => (
          <View key={field.key} style={styles.datum}>
            <Field whole control={control} name={`datums.${index}.name`} label="Measured from" />
            <View style={styles.row}>
              <Field control={control} name={`datums.${index}.x`} label="Starts right" unit={design.unit} />
              <Field control={control} name={`datums.${index}.y`} label="up" unit={design.unit} />
              <Field control={control} name={`datums.${index}.angleDeg`} label="Turned" unit="°" />
            </View>
          </View>
        ))}
        <Action
          label="Another datum"
          icon="plus"
          onPress={() =>
            datums.append(
              {
                id: freeId(
                  'd',
                  datums.fields.map((datum) => datum.id),
                ),
                name: '',
                x: '0',
                y: '0',
                angleDeg: '0',
              },
              { shouldFocus: false },
            )
          }
        />
      </Sheet>
      {part ? <Action rank="quiet" label="Take this part out" icon="delete-outline" onPress={() => void remove()} /> : null}
    </StepLayout>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small, alignItems: 'flex-start' },
  datum: { gap: space.small },
  remove: { width: measure.target, height: measure.target, margin: 0 },
});
