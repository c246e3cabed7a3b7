import { router } from 'expo-router';
import { Action } from '@/ui/Action';
import { Screen } from '@/ui/Screen';
import { Body } from '@/ui/Typography';

/** An address that leads nowhere. */
export default function NotFoundScreen() {
  return (
    <Screen
      title="Nothing here"
      action={<Action rank="main" label="Go to Jobs" onPress={() => router.replace('/')} testID="to-jobs" />}
    >
      <Body>There is no page at this address. It may be mistyped, or of another version of Lintrel.</Body>
    </Screen>
  );
}
