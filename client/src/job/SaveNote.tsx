import { phrase } from '@lintrel/words';
import { StyleSheet, View } from 'react-native';
import { colour, size, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Icon } from '@/ui/Icon';
import { Body, Small } from '@/ui/Typography';
import { useJob } from './JobContext';

const LOOK = {
  saved: { icon: 'check', words: 'Saved' },
  saving: { icon: 'dots-horizontal', words: 'Saving …' },
  waiting: { icon: 'cloud-off-outline', words: 'No connection: kept on this device, sent when it is back' },
  stale: { icon: 'alert-outline', words: 'Changed elsewhere' },
  refused: { icon: 'alert-outline', words: 'Not saved' },
} as const;

/** Saving state of the design on screen. */
export function SaveNote() {
  const { saved } = useJob();
  const { icon, words } = LOOK[saved.kind];
  return (
    <View style={styles.note} role="status" testID={`save-${saved.kind}`}>
      <Icon name={icon} size={size.base} color={colour.quiet} />
      <Small lines={2} style={styles.words}>
        {words}
      </Small>
    </View>
  );
}

/** What to do when a save was not taken. */
export function SaveTrouble() {
  const { saved, settleStale } = useJob();
  if (saved.kind === 'refused') {
    return (
      <View style={styles.trouble} role="alert">
        <Body>{phrase`Not saved: ${saved.message}. Your changes are still here; change that and they are saved.`}</Body>
      </View>
    );
  }
  if (saved.kind !== 'stale') return null;
  return (
    <View style={styles.trouble} role="alert">
      <Body>{phrase`This job was changed elsewhere (revision ${saved.current.revision}). Nothing is lost: both versions are there. Which shall go on?`}</Body>
      <View style={styles.actions}>
        <Action rank="main" label="Go on with mine" onPress={() => settleStale('mine')} />
        <Action label="Take the other" onPress={() => settleStale('theirs')} />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  note: { flexDirection: 'row', alignItems: 'center', gap: space.tight, flexShrink: 1 },
  words: { flexShrink: 1 },
  trouble: {
    padding: space.middle,
    gap: space.small,
    backgroundColor: colour.sheet,
    borderLeftWidth: 4,
    borderLeftColor: colour.accent,
  },
  actions: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
});
