import { decidingWindow, remedyOf, type RunningWindow, type Step, windowState } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { View } from 'react-native';
import { timeWords } from '@/clock/span';
import { useWords } from '@/person/PersonContext';
import { Text } from '@/ui/Text';
import { clockTime, countdown } from '@/words';
import { useLook } from './look';

/** What is to be done now, how, with which care, and the time it has. */
export function CurrentStep({ step, running, now }: { step: Step; running: readonly RunningWindow[]; now: number }) {
  const look = useLook();
  const words = useWords();
  const { say, detail, caution, time } = words;
  const windows = running.filter((window) => window.step === step.id);
  // Only the deciding time is shown large.
  const main = decidingWindow(windows, now);
  return (
    <View style={look.current} testID="current">
      <Text role="heading" aria-level={2} style={look.title}>
        {say(step.say)}
      </Text>
      {main ? <Countdown window={main} now={now} /> : null}
      {windows
        .filter((window) => window !== main)
        .map((window) => (
          <Text key={`${window.code}${window.opens}`} style={look.quiet} testID="other-time">
            {phrase`And ${time(window.code)}: ${timeWords(window, now, words)}`}
          </Text>
        ))}
      <Text style={look.detail}>{detail(step.say)}</Text>
      {step.safety.map((code) => (
        <Text key={code} style={look.caution} testID="caution">
          {caution(code)}
        </Text>
      ))}
    </View>
  );
}

/** Time to the opening of a window, or to its close; very large. */
function Countdown({ window, now }: { window: RunningWindow; now: number }) {
  const look = useLook();
  const { time, late } = useWords();
  const what = time(window.code);
  const state = windowState(window, now);
  const closing = window.closes === null ? '' : phrase` · closes ${clockTime(window.closes, now)}`;
  if (state === 'before' && window.opens === null)
    return (
      <Text
        style={look.quiet}
      >{phrase`Later: ${what}, by ${clockTime(window.closes ?? now, now)} at the latest (estimate)`}</Text>
    );
  if (state === 'before' && window.opens !== null) {
    return (
      <View>
        <Text style={look.label}>{phrase`Not yet: ${what} in`}</Text>
        <Text style={look.countdown} testID="countdown">
          {countdown(window.opens - now)}
        </Text>
        <Text style={look.quiet}>{phrase`opens ${clockTime(window.opens, now)}${closing} (estimate)`}</Text>
        {window.opens === window.again ? (
          <Text style={look.caution} testID="in-gap">
            The time for this coat has passed, and this paint takes none before its second window, scuffed or not. Tape
            that cannot stay on so long is pulled now, and laid again then.
          </Text>
        ) : null}
      </View>
    );
  }
  if (state === 'passed')
    return (
      <Text role="alert" style={look.warn}>
        {remedyOf(window.code) === 'try'
          ? phrase`Passed: ${what} closed at ${clockTime(window.closes ?? now, now)}. ${late(window.code)}`
          : phrase`Passed: ${what} closed at ${clockTime(window.closes ?? now, now)}.`}
      </Text>
    );
  return (
    <View>
      <Text style={look.warn}>{phrase`Open now: ${what}`}</Text>
      {window.closes !== null ? (
        <Text style={look.countdown} testID="countdown">
          {countdown(window.closes - now)}
        </Text>
      ) : null}
      <Text style={look.quiet}>
        {window.closes === null ? 'no end' : phrase`left, until ${clockTime(window.closes, now)} (estimate)`}
      </Text>
    </View>
  );
}
