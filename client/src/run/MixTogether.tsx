import type { DayAnswer, Step } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { View } from 'react-native';
import { useDay } from '@/clock/useDay';
import { useWords } from '@/person/PersonContext';
import { BoothButton } from '@/run/BoothButton';
import { Text } from '@/ui/Text';
import { useLook } from './look';

type OneMix = DayAnswer['oneMix'][number];

/** Where the day's plan mixes for two jobs at once: what is mixed here for the other, done on both sheets with one tap, or that it is mixed there. */
export function MixTogether({ job, step, onBoth }: { job: string; step: Step; onBoth: (mix: OneMix) => void }) {
  const look = useLook();
  const { volume } = useWords();
  const { data: day } = useDay();
  const mix = day?.oneMix.find(({ mixes }) => mixes.some((other) => other.job === job && other.step === step.id));
  if (!mix) return null;
  if (mix.mixes[0]?.job !== job)
    return (
      <Text
        style={look.caution}
      >{phrase`Mix it with ${mix.first}, once for both: do it on that sheet, and it is done on this one too.`}</Text>
    );
  return (
    <View style={look.buttons}>
      <Text style={look.caution}>
        {phrase`${mix.second} takes the same paint: mix ${volume(mix.ml)} for both (estimate), spray that job right after this one from the same gun, and clean the gun after both.`}
      </Text>
      <BoothButton label={phrase`Mixed for ${mix.second} too`} onPress={() => onBoth(mix)} testID="mixed-for-both" />
    </View>
  );
}
