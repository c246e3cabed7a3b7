import { router } from 'expo-router';
import type { PropsWithChildren } from 'react';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Screen } from '@/ui/Screen';

interface EntryFrameProps {
  readonly title: string;
  readonly isNew: boolean;
  readonly busy: boolean;
  readonly trouble: string | null;
  readonly onSave: () => void;
  readonly onDelete: () => void;
}

/** Round the form of one shelf entry: save, take off, and what stood in the way. */
export const EntryFrame = ({ title, isNew, busy, trouble, onSave, onDelete, children }: PropsWithChildren<EntryFrameProps>) => (
  <Screen
    title={title}
    action={<Action rank="main" label={isNew ? 'Put it on the shelf' : 'Keep these figures'} busy={busy} onPress={onSave} testID="submit" />}
  >
    {trouble ? <Notice level="stop" text={trouble} /> : null}
    {children}
    {isNew ? null : <Action rank="quiet" icon="delete-outline" label="Take it off the shelf" onPress={onDelete} testID="delete" />}
    <Action rank="quiet" icon="arrow-left" label="Back to the shelf" onPress={() => router.push('/shelf')} />
  </Screen>
);
