import { type Href, Link } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { colour, measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Small } from '@/ui/Typography';

/** What is missing on a plain HTTP page, with a link to the solution. */
export function PlainNote() {
  if (window.isSecureContext) return null;
  return (
    <View style={styles.note} role="note">
      <Small>
        Opened over plain HTTP: this phone may fall asleep, cannot call you, and opens only with a connection.
      </Small>
      <Link href={'/trust' as Href} asChild>
        <Action rank="quiet" label="Make it right" onPress={() => undefined} testID="to-trust" />
      </Link>
    </View>
  );
}

const styles = StyleSheet.create({
  note: {
    gap: space.tight,
    alignItems: 'flex-start',
    borderLeftWidth: 4,
    borderLeftColor: colour.hairline,
    paddingLeft: space.middle,
    minHeight: measure.target,
  },
});
