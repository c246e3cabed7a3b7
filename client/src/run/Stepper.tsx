import { phrase } from '@lintrel/words';
import { View } from 'react-native';
import { BoothButton } from '@/run/BoothButton';
import { Text } from '@/ui/Text';
import { useLook } from './look';

interface StepperProps {
  /** What it is, and how a test finds its buttons. */
  readonly label: string;
  readonly name: string;
  /** The value as shown, with its unit. */
  readonly shown: string;
  readonly value: number;
  readonly step: number;
  readonly least: number;
  readonly most: number;
  readonly onChange: (value: number) => void;
}

/** Steps are at most this fine: sums of tenths stay tenths. */
const TENTHS = 10;

/** A value with minus and plus buttons for gloved hands. */
export function Stepper({ label, name, shown, value, step, least, most, onChange }: StepperProps) {
  const look = useLook();
  const set = (by: number) => onChange(Math.min(most, Math.max(least, Math.round((value + by) * TENTHS) / TENTHS)));
  return (
    <View style={look.stepper}>
      <BoothButton label="−" spoken={phrase`${label}: less`} onPress={() => set(-step)} testID={`${name}-less`} />
      <View style={look.steppedValue}>
        <Text style={look.quiet}>{label}</Text>
        <Text style={look.label}>{shown}</Text>
      </View>
      <BoothButton label="+" spoken={phrase`${label}: more`} onPress={() => set(step)} testID={`${name}-more`} />
    </View>
  );
}
