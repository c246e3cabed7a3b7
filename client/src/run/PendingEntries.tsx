import { phrase } from '@lintrel/words';
import { StyleSheet, View } from 'react-native';
import { clock } from '@/api/clock';
import { useShade } from '@/run/shade';
import { correctedTime } from '@/sync/correctedTime';
import { timeOf, useEntryWords } from '@/sync/useEntryWords';
import { font, measure, type Shade, shades, size, space } from '@/theme/theme';
import { Text } from '@/ui/Text';
import { BoothButton } from './BoothButton';
import type { WorkSheet } from './useWorkSheet';

/** Entries the server has not taken: those that wait for a connection, and those it refuses. None goes unseen. */
export function PendingEntries({ sheet }: { sheet: WorkSheet }) {
  const { waiting, refused, unkept, plan, again, drop } = sheet;
  const styles = STYLES[useShade().name];
  const wordsOf = useEntryWords(plan?.steps ?? []);
  if (waiting.length + refused.length === 0) return null;
  return (
    <View style={styles.all} testID="pending">
      {waiting.length > 0 ? (
        <View style={styles.group} role="status">
          <Text style={styles.label}>
            {unkept ? 'Not kept: leave this page open' : 'No connection: kept on this device, sent later'}
          </Text>
          {waiting.map(({ event }) => (
            <Text key={event.id} style={styles.quiet} testID="waiting">
              {wordsOf(event)}
            </Text>
          ))}
        </View>
      ) : null}
      {refused.map((pending) => {
        const { event, refused: why } = pending;
        const mended = correctedTime(pending, clock);
        return (
          <View key={event.id} style={styles.group} role="alert" testID="refused">
            <Text style={styles.warn}>{phrase`Not taken: ${wordsOf(event)}`}</Text>
            <Text style={styles.quiet}>{why?.message}</Text>
            <View style={styles.pair}>
              {mended ? (
                <BoothButton
                  label={phrase`Send as ${timeOf(mended.at)}`}
                  onPress={() => again(event.id, mended)}
                  testID="send-mended"
                />
              ) : (
                <BoothButton label="Send again" onPress={() => again(event.id)} testID="send-again" />
              )}
              <BoothButton label="Leave it out" onPress={() => drop(event.id)} testID="leave-out" />
            </View>
          </View>
        );
      })}
    </View>
  );
}

const stylesIn = (shade: Shade) =>
  StyleSheet.create({
    all: { gap: space.middle },
    group: { gap: space.tight, borderLeftWidth: 4, borderLeftColor: shade.quiet, paddingLeft: space.middle },
    label: { fontFamily: font.heading, fontSize: size.large, color: shade.ink },
    quiet: { fontFamily: font.label, fontSize: size.base, lineHeight: size.base * 1.4, color: shade.quiet },
    warn: { fontFamily: font.heading, fontSize: size.title, color: shade.accent },
    pair: { flexDirection: 'row', gap: space.middle, minHeight: measure.runTarget },
  });
const STYLES = { booth: stylesIn(shades.booth), daylight: stylesIn(shades.daylight) } as const;
