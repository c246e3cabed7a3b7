import { type Href, router, useLocalSearchParams } from 'expo-router';
import type { PropsWithChildren } from 'react';
import { useIsAllowed } from '@/people/who';
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

/** Frame of the form of a shelf entry: save, delete, errors. */
export function EntryFrame({
  title,
  isNew,
  busy,
  trouble,
  onSave,
  onDelete,
  children,
}: PropsWithChildren<EntryFrameProps>) {
  const may = useIsAllowed()('shelf');
  const { back: to } = useLocalSearchParams<{ back?: string }>();
  const save = (
    <Action
      rank="main"
      label={isNew ? 'Put it on the shelf' : 'Keep these figures'}
      busy={busy}
      onPress={onSave}
      testID="submit"
    />
  );
  return (
    <Screen title={title} action={may ? save : undefined}>
      {may ? null : (
        <Notice level="note" text="Painters and the owner change the shelf: you may look at everything here." />
      )}
      {trouble ? <Notice level="stop" text={trouble} /> : null}
      {children}
      {isNew || !may ? null : (
        <Action rank="quiet" icon="delete-outline" label="Take it off the shelf" onPress={onDelete} testID="delete" />
      )}
      <Action
        rank="quiet"
        icon="arrow-left"
        label={to ? 'Back to the job' : 'Back to the shelf'}
        onPress={() => router.push((to ?? '/shelf') as Href)}
        testID="leave-entry"
      />
    </Screen>
  );
}
