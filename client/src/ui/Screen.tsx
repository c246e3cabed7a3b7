import { phrase } from '@lintrel/words';
import type { PropsWithChildren, ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { colour, measure, space } from '@/theme/theme';
import { Body, Small, Title } from './Typography';
import { useTitle } from './useTitle';

interface ScreenProps {
  readonly title: string;
  readonly about?: string;
  /** The main action, within reach of the thumb. */
  readonly action?: ReactNode;
}

/** A screen of one of the four places: heading, content in a readable column, main action below. */
export function Screen({ title, about, action, children }: PropsWithChildren<ScreenProps>) {
  useTitle(title);
  return (
    <View style={styles.fill}>
      <ScrollView style={styles.fill} contentContainerStyle={styles.content}>
        <View style={styles.head}>
          <Title>{title}</Title>
          {about ? <Small>{about}</Small> : null}
        </View>
        {children}
      </ScrollView>
      {action ? <View style={styles.action}>{action}</View> : null}
    </View>
  );
}

/** A flat sheet with a hairline round it. */
export const Panel = ({ testID, children }: PropsWithChildren<{ readonly testID?: string }>) => (
  <View style={styles.sheet} testID={testID}>
    {children}
  </View>
);

/** Placeholder while something is loading, or failed to load. */
export const Waiting = ({ what, error, retry }: { what: string; error?: Error | null; retry?: ReactNode }) => (
  <View style={styles.waiting} role={error ? 'alert' : 'status'}>
    <Body>{error ? error.message : phrase`Fetching ${what} …`}</Body>
    {error ? retry : null}
  </View>
);

const styles = StyleSheet.create({
  fill: { flex: 1, backgroundColor: colour.ground },
  content: {
    padding: space.base,
    gap: space.base,
    width: '100%',
    maxWidth: measure.readable + 2 * space.base,
    alignSelf: 'center',
  },
  head: { gap: space.tight },
  sheet: {
    backgroundColor: colour.sheet,
    borderWidth: measure.hairline,
    borderColor: colour.hairline,
    borderRadius: measure.corner,
    padding: space.base,
    gap: space.middle,
  },
  action: {
    padding: space.middle,
    borderTopWidth: measure.hairline,
    borderTopColor: colour.hairline,
    backgroundColor: colour.sheet,
  },
  waiting: { padding: space.wide, gap: space.base, alignItems: 'flex-start' },
});
