import { phrase } from '@lintrel/words';
import { StyleSheet, View } from 'react-native';
import { useWords } from '@/person/PersonContext';
import { colour, font, measure, size, space } from '@/theme/theme';
import { Text } from '@/ui/Text';

export interface Band {
  readonly key: string;
  readonly label: string;
  /** Its pieces, in the unit of the rail. */
  readonly pieces: readonly Piece[];
  readonly words: string;
}

interface Piece {
  readonly from: number;
  /** Null: it does not end; drawn to the end of the rail. */
  readonly to: number | null;
  readonly tone: 'work' | 'wait' | 'window' | 'chosen';
}

interface RailProps {
  readonly from: number;
  readonly to: number;
  readonly bands: readonly Band[];
  /** Where the present is; null on a rail without one. */
  readonly now: number | null;
  readonly ticks: readonly { readonly at: number; readonly label: string }[];
}

const TONES = { work: colour.ink, wait: colour.hairline, window: colour.ground, chosen: colour.calm } as const;

/** Time drawn sideways: one band a row, its times written below it. */
export function Rail({ from, to, bands, now, ticks }: RailProps) {
  const { text } = useWords();
  const share = (atMs: number) => `${Math.min(100, Math.max(0, ((atMs - from) / (to - from)) * 100))}%` as const;
  return (
    <View style={styles.rail}>
      <View style={styles.ticks}>
        {ticks.map(({ at, label }) => (
          <Text key={at} numberOfLines={1} style={[styles.tick, { left: share(at) }]}>
            {label}
          </Text>
        ))}
      </View>
      {bands.map(({ key, label, pieces, words }) => (
        <View key={key} style={styles.band} accessible accessibilityLabel={text(phrase`${label}: ${words}`)}>
          <Text style={styles.label}>{label}</Text>
          <View style={styles.track}>
            {pieces.map(({ from: start, to: end, tone }) => {
              const width = Math.max(0.5, ((Math.min(end ?? to, to) - Math.max(start, from)) / (to - from)) * 100);
              return (
                <View
                  key={start}
                  style={[
                    styles.bar,
                    tone === 'window' && styles.window,
                    { left: share(start), width: `${width}%`, backgroundColor: TONES[tone] },
                  ]}
                />
              );
            })}
            {now !== null ? <View style={[styles.now, { left: share(now) }]} /> : null}
          </View>
          <Text style={styles.words}>{words}</Text>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  rail: { gap: space.small },
  ticks: { height: size.small * 1.5 },
  tick: {
    position: 'absolute',
    fontFamily: font.label,
    fontSize: size.small,
    color: colour.quiet,
    fontVariant: ['tabular-nums'],
  },
  band: { gap: space.hair },
  label: { fontFamily: font.heading, fontSize: size.base, color: colour.ink },
  track: { height: space.base, borderBottomWidth: measure.hairline, borderColor: colour.hairline },
  bar: { position: 'absolute', top: space.hair, bottom: space.hair },
  window: { borderWidth: measure.hairline, borderColor: colour.quiet },
  now: { position: 'absolute', top: -space.tight, bottom: -space.tight, width: 2, backgroundColor: colour.accent },
  words: { fontFamily: font.label, fontSize: size.small, color: colour.quiet },
});
