import type { WorkProgress } from '@lintrel/core/front';
import { phrase } from '@lintrel/words';
import { StyleSheet, View } from 'react-native';
import type { LongWork } from '@/api/useLongWork';
import { space } from '@/theme/theme';
import { Action } from './Action';
import { Progress } from './Progress';
import { Body } from './Typography';

/** What is being done while one waits, how far it is, and how to leave it. Nothing where nothing is done. */
export function WorkNote({ work: { busy, progress, stop } }: { work: LongWork }) {
  if (!busy) return null;
  const { doing, done, of } = progress ?? { doing: 'sending' as const, done: 0, of: 0 };
  return (
    <View style={styles.note} role="status" testID="work">
      <Body>{of > 0 ? phrase`${DOING_WORDS[doing]}: ${done + 1} of ${of}` : phrase`${DOING_WORDS[doing]} …`}</Body>
      <Progress share={of === 0 ? null : done / of} />
      <Action label="Stop it" icon="close" onPress={stop} testID="stop-work" />
    </View>
  );
}

const DOING_WORDS: Readonly<Record<WorkProgress['doing'] | 'sending', string>> = {
  sending: 'Sending',
  waiting: 'Waiting its turn behind others',
  reading: 'Reading the file',
  checking: 'Checking the file',
  'working-out': 'Working it out',
  writing: 'Writing the pages',
};

const styles = StyleSheet.create({ note: { gap: space.small, alignItems: 'stretch' } });
