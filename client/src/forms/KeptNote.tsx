import { StyleSheet, View } from 'react-native';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Small } from '@/ui/Typography';
import type { KeptForm } from './keptForm';

/** Notice that the form contains restored, unsaved input. */
export const KeptNote = ({ kept: { restored, startOver } }: { readonly kept: KeptForm }) =>
  restored ? (
    <View style={styles.note} role="status" testID="kept-form">
      <Small>What you typed before is here again. It is not saved yet.</Small>
      <Action rank="quiet" label="Start over" onPress={startOver} testID="start-over" />
    </View>
  ) : null;

const styles = StyleSheet.create({
  note: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.small },
});
