import { StyleSheet, View } from 'react-native';
import { usePerson } from '@/person/PersonContext';
import { space } from '@/theme/theme';
import { Choice } from '@/ui/Choice';

/** Units the person at this device reads and types in: no job is changed by them. */
export function PersonForm() {
  const { person, set } = usePerson();
  return (
    <View style={styles.form}>
      <Choice
        label="Lengths in"
        value={person.length}
        options={[
          { value: 'mm', label: 'Millimetres' },
          { value: 'in', label: 'Inches' },
        ]}
        onChange={(length) => set({ length })}
      />
      <Choice
        label="Temperatures in"
        value={person.temperature}
        options={[
          { value: 'C', label: '°C' },
          { value: 'F', label: '°F' },
        ]}
        onChange={(temperature) => set({ temperature })}
      />
    </View>
  );
}

const styles = StyleSheet.create({ form: { gap: space.small } });
