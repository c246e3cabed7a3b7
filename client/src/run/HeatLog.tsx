import { heatRisk, HEATS, type Observed, RULE_OF_THUMB } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { View } from 'react-native';
import { useWords } from '@/person/PersonContext';
import { BoothButton } from '@/run/BoothButton';
import { HEAT_WORDS } from '@/sync/observedWords';
import { Text } from '@/ui/Text';
import { useLook } from './look';
import { Stepper } from './Stepper';

type Warmth = Extract<Observed, { kind: 'heat' }>;

/** What a lamp is set to as a rule; to be set right. */
const USUAL: Warmth = { kind: 'heat', how: 'heater', filmC: 45, minutes: 30 };

const FIGURES = [
  { key: 'filmC', label: 'The film gets', step: 5, least: 15, most: 120 },
  { key: 'minutes', label: 'From now on for', step: 5, least: 5, most: 1440 },
] as const;

/** Warmth that is brought to the films of a job from now on: their times are counted with it at once. */
export function HeatLog({ onSay, onCancel }: { onSay: (saw: Warmth) => void; onCancel: () => void }) {
  const look = useLook();
  const { temperature } = useWords();
  const [heat, setHeat] = useState(USUAL);
  return (
    <View style={look.buttons} testID="heat-log">
      <Text style={look.label}>What warms the film?</Text>
      <View style={look.pair}>
        {HEATS.map((how) => (
          <View key={how} style={look.half}>
            <BoothButton
              rank={how === heat.how ? 'calm' : 'other'}
              label={how === heat.how ? phrase`✓ ${HEAT_WORDS[how]}` : HEAT_WORDS[how]}
              spoken={how === heat.how ? phrase`${HEAT_WORDS[how]}: chosen` : HEAT_WORDS[how]}
              onPress={() => setHeat({ ...heat, how })}
              testID={`heat-${how}`}
            />
          </View>
        ))}
      </View>
      {FIGURES.map(({ key, ...figure }) => (
        <Stepper
          key={key}
          {...figure}
          name={key}
          value={heat[key]}
          shown={key === 'filmC' ? temperature(heat.filmC) : phrase`${heat.minutes} min`}
          onChange={(value) => setHeat({ ...heat, [key]: value })}
        />
      ))}
      {heatRisk(heat, RULE_OF_THUMB.heatMostC) ? (
        <Text style={look.caution}>
          {phrase`Above ${temperature(RULE_OF_THUMB.heatMostC)} paint may blister and parts, models and tape warp: only where the data sheets of all of them allow it.`}
        </Text>
      ) : null}
      <Text style={look.quiet}>
        Let it flash first, as the sheet says. No open flame or hot coil near vapour; tape that gets warm comes off
        sooner or not at all.
      </Text>
      <BoothButton rank="main" label="It is on" onPress={() => onSay(heat)} testID="heat-said" />
      <BoothButton label="Never mind" onPress={onCancel} />
    </View>
  );
}
