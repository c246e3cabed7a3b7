import type { RunningWindow } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { View } from 'react-native';
import { spanWords } from '@/clock/span';
import { useWords } from '@/person/PersonContext';
import { Text } from '@/ui/Text';
import { useLook } from './look';

/** Windows of later steps. */
export function LaterWindows({ running, now }: { running: readonly RunningWindow[]; now: number }) {
  const look = useLook();
  const { say, time } = useWords();
  if (running.length === 0) return null;
  return (
    <View style={look.others}>
      <Text style={look.label}>Later</Text>
      {running.map((window) => (
        <Text
          key={`${window.step}${window.code}${window.opens}`}
          style={look.quiet}
        >{phrase`${say(window.say)}: ${time(window.code)} ${spanWords(window, now)}`}</Text>
      ))}
    </View>
  );
}
