import type { Observed } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { View } from 'react-native';
import { BoothButton } from '@/run/BoothButton';
import { Text } from '@/ui/Text';
import { useLook } from './look';
import { Stepper } from './Stepper';

type Coat = Extract<Observed, { kind: 'coat' }>;

/** What a first coat is logged from: typical for a gun, to be set right. */
const USUAL = { kind: 'coat', passes: 2, pressureBar: 2, distanceMm: 200, thinnerPercent: 10 } as const;

const FIGURES = [
  { key: 'passes', label: 'Passes', unit: '', step: 1, least: 1, most: 20 },
  { key: 'pressureBar', label: 'Pressure', unit: 'bar', step: 0.2, least: 0, most: 20 },
  { key: 'distanceMm', label: 'Distance', unit: 'mm', step: 10, least: 0, most: 2000 },
  { key: 'thinnerPercent', label: 'Thinner', unit: '%', step: 5, least: 0, most: 300 },
] as const;

/** How the coat was sprayed, from how the last one was: one tap where nothing changed, a tap a step where something did. */
export function CoatLog({
  last,
  onSay,
  onCancel,
}: {
  last: Coat | null;
  onSay: (saw: Coat) => void;
  onCancel: () => void;
}) {
  const look = useLook();
  const [coat, setCoat] = useState<Required<Coat>>({ ...USUAL, ...last });
  return (
    <View style={look.buttons} testID="coat-log">
      <Text style={look.label}>How was this coat sprayed?</Text>
      {FIGURES.map(({ key, unit, ...figure }) => (
        <Stepper
          key={key}
          {...figure}
          name={key}
          value={coat[key]}
          shown={unit === '' ? `${coat[key]}` : phrase`${coat[key]} ${unit}`}
          onChange={(value) => setCoat({ ...coat, [key]: value })}
        />
      ))}
      <BoothButton
        rank="main"
        label={last ? 'Write it down' : 'So it was'}
        onPress={() => onSay(coat)}
        testID="coat-said"
      />
      <BoothButton label="Never mind" onPress={onCancel} />
    </View>
  );
}
