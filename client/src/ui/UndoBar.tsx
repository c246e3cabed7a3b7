import { useState } from 'react';
import { endUndo, useUndoable } from '@/device/undo';
import { Action } from './Action';
import { Bar } from './Bar';

/** Offers Undo on every screen. */
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
    <Bar text={trouble ?? undoable.text} testID="undo-bar">
      <Action label="Undo" busy={busy} onPress={() => void undo()} testID="undo-last" />
      <Action rank="quiet" label="Close" onPress={endUndo} />
    </Bar>
  );
}
