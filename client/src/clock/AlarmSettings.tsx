import { phrase } from '@lintrel/words';
import { StyleSheet, View } from 'react-native';
import { clockOf } from '@/clock/dayTime';
import { space } from '@/theme/theme';
import { Choice } from '@/ui/Choice';
import { Panel } from '@/ui/Screen';
import { Heading, Small } from '@/ui/Typography';
import type { AlarmSetting } from './alarms';

const QUIET = [
  { value: 'none', from: 0, to: 0 },
  { value: 'night', from: 1260, to: 360 },
  { value: 'evening', from: 1080, to: 480 },
] as const;

/** Settings of the alarms on this device. */
export function AlarmSettings({
  setting,
  onChange,
}: {
  setting: AlarmSetting;
  onChange: (next: AlarmSetting) => void;
}) {
  const quiet =
    QUIET.find(({ from, to }) => from === setting.quietFromMin && to === setting.quietToMin)?.value ?? 'night';
  const may =
    typeof Notification === 'undefined' || typeof window === 'undefined' || !window.isSecureContext
      ? 'no'
      : Notification.permission;
  return (
    <Panel>
      <Heading>Tell me on this device</Heading>
      <View style={styles.form}>
        <Choice
          label="When a window opens or closes"
          value={setting.on ? 'on' : 'off'}
          options={[
            { value: 'off', label: 'Do not' },
            { value: 'on', label: 'Tell me' },
          ]}
          onChange={(value) => onChange({ ...setting, on: value === 'on' })}
        />
        {setting.on ? (
          <Choice
            label="Quiet hours"
            value={quiet}
            options={QUIET.map(({ value, from, to }) => ({
              value,
              label: from === to ? 'None' : phrase`${clockOf(from)} to ${clockOf(to)}`,
            }))}
            onChange={(value) => {
              const { from, to } = QUIET.find((option) => option.value === value)!;
              onChange({ ...setting, quietFromMin: from, quietToMin: to });
            }}
          />
        ) : null}
      </View>
      {setting.on ? (
        <Small>
          {may === 'granted'
            ? 'With a tone, a buzz and a line of the system, while this page is open somewhere.'
            : may === 'denied'
              ? 'The browser was told not to show messages: with a tone and a buzz only, while this page is open.'
              : may === 'no'
                ? 'Messages need the secret address of the shop (The shop, phones): with a tone and a buzz only.'
                : 'The browser asks whether it may show messages.'}
        </Small>
      ) : null}
    </Panel>
  );
}

const styles = StyleSheet.create({ form: { gap: space.small } });
