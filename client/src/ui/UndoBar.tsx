import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, measure, size, space } from '@/theme/theme';
import { Action } from './Action';
import { Text } from './Text';
import { endUndo, useUndoable } from './undo';

/** Offers to undo what was just done, on whatever screen one is. */
export function UndoBar() {
  const undoable = useUndoable();
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  if (!undoable) return null;
  const undo = async () => {
    setBusy(true);
    setTrouble(null);
    await undoable.undo().then(endUndo, (error: Error) => setTrouble(error.message));
    setBusy(false);
  };
  return (
    <View style={styles.bar} role="status" testID="undo-bar">
      <Text style={styles.words}>{trouble ?? undoable.text}</Text>
      <Action label="Undo" busy={busy} onPress={() => void undo()} testID="undo-last" />
      <Action rank="quiet" label="Close" onPress={endUndo} />
    </View>
  );
}

const styles = StyleSheet.create({
  bar: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: space.small,
    minHeight: measure.target,
    paddingHorizontal: space.base,
    paddingVertical: space.tight,
    backgroundColor: colour.sheet,
    borderBottomWidth: measure.hairline,
    borderBottomColor: colour.hairline,
  },
  words: { flexGrow: 1, flexShrink: 1, fontSize: size.base, color: colour.ink },
});
