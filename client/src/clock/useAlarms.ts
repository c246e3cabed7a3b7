import { type JobSummary } from '@lintrel/core/front';
import { phrase, withoutMarks, type Words } from '@lintrel/words';
import { useEffect, useRef, useState } from 'react';
import * as v from 'valibot';
import { useWords } from '@/person/PersonContext';
import { clockTime } from '@/words';
import { type Alarm, alarmsAt, type AlarmSetting, DEFAULT_ALARM, isQuiet } from './alarms';

const KEY = 'lintrel.alarm';
const settingSchema = v.object({ on: v.boolean(), quietFromMin: v.number(), quietToMin: v.number() });

function kept(): AlarmSetting {
  try {
    const read = v.safeParse(settingSchema, JSON.parse(localStorage.getItem(KEY) ?? 'null'));
    return read.success ? read.output : DEFAULT_ALARM;
  } catch {
    return DEFAULT_ALARM;
  }
}

/** Alarm settings of this device. Turning alarms on asks the browser for permission. */
export function useAlarmSetting(): readonly [AlarmSetting, (next: AlarmSetting) => void] {
  const [setting, set] = useState(kept);
  return [
    setting,
    (next) => {
      set(next);
      try {
        localStorage.setItem(KEY, JSON.stringify(next));
      } catch {
        // It holds until the page is closed.
      }
      if (next.on && typeof Notification !== 'undefined' && Notification.permission === 'default')
        void Notification.requestPermission();
    },
  ];
}

/** Raises alarms on this device: a notification, a vibration and a tone, as far as the browser allows. */
export function useAlarms(jobs: readonly JobSummary[], now: number, setting: AlarmSetting): void {
  const refObject = useRef(new Set<string>());
  const words = useWords();
  useEffect(() => {
    if (!setting.on) return;
    const due = alarmsAt(jobs, now, refObject.current);
    for (const alarm of due) refObject.current.add(alarm.key);
    const date = new Date(now);
    if (due.length === 0 || isQuiet(setting, date.getHours() * 60 + date.getMinutes())) return;
    for (const alarm of due) tell(alarm, words.text(sentenceOf(alarm, now, words)));
    navigator.vibrate?.([300, 150, 300]);
    sound();
  }, [jobs, now, setting, words]);
}

function sentenceOf(
  { kind, window: { say: told, closes, code } }: Alarm,
  now: number,
  { say, time, late }: Words,
): string {
  const [step, what] = [say(told), time(code)];
  const closesAt = clockTime(closes ?? now, now);
  if (kind === 'passed') return phrase`${step}: ${what} closed at ${closesAt}. ${late(code)}`;
  if (kind === 'closing') return phrase`${step}: ${what} closes at ${closesAt} (estimate)`;
  return phrase`${step}: ${what} is open now (estimate)`;
}

function tell({ key, job }: Alarm, body: string): void {
  if (typeof Notification === 'undefined' || Notification.permission !== 'granted') return;
  const options = { body: withoutMarks(body), tag: key };
  const alone = () => void new Notification(job.title, options);
  void navigator.serviceWorker
    ?.getRegistration()
    .then((registration) => (registration ? void registration.showNotification(job.title, options) : alone()), alone);
}

/** Two short tones. A browser that wants a touch first stays silent. */
function sound(): void {
  try {
    const context = new AudioContext();
    for (const [from, pitch] of [
      [0, 660],
      [0.25, 880],
    ] as const) {
      const tone = context.createOscillator();
      const loud = context.createGain();
      tone.frequency.value = pitch;
      loud.gain.value = 0.2;
      tone.connect(loud).connect(context.destination);
      tone.start(context.currentTime + from);
      tone.stop(context.currentTime + from + 0.18);
    }
    setTimeout(() => void context.close(), 1000);
  } catch {
    // There is no sound on this device.
  }
}
