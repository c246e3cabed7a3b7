import type { PartPlan } from '@lintrel/core';
import { type PropsWithChildren, type ReactNode, useState } from 'react';
import { Pressable, ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { boxRound } from '@/drawing/path';
import { heightFor } from '@/drawing/view';
import { useWords } from '@/person/PersonContext';
import { colour, measure, size, space } from '@/theme/theme';
import { useLow, useWide } from '@/theme/useWide';
import { Icon } from '@/ui/Icon';
import { Small } from '@/ui/Typography';

interface StepLayoutProps {
  /** The part, large; left out where a step has nothing to draw. */
  readonly drawing?: ReactNode;
  /** The part that is drawn: on a phone the drawing is as high as it needs. */
  readonly part?: Pick<PartPlan, 'ring'> | null;
  /** The one main action, at the thumb. */
  readonly action?: ReactNode;
}

/** Share of a phone's height a drawing takes at least and at most. */
const LEAST_DRAWING = 0.2;
const MOST_DRAWING = 0.42;

/** A step of a job: on a phone the drawing above and the list below, to be pulled up; on a wide screen side by side. */
export function StepLayout({ drawing, part, action, children }: PropsWithChildren<StepLayoutProps>) {
  const [wide, low] = [useWide(), useLow()];
  const side = wide || low;
  const [pulledUp, setPulledUp] = useState(false);
  const { width, height } = useWindowDimensions();
  const wanted = part ? heightFor(boxRound(part.ring), width) : height;
  const high = { height: Math.max(LEAST_DRAWING * height, Math.min(MOST_DRAWING * height, wanted)) };
  const list = (
    <View style={[styles.list, side && drawing ? styles.panel : null, low && drawing ? styles.lowPanel : null]}>
      {!side && drawing ? <Handle up={pulledUp} onPress={() => setPulledUp(!pulledUp)} /> : null}
      <ScrollView style={styles.fill} contentContainerStyle={[styles.content, !drawing && styles.readable]}>
        {children}
      </ScrollView>
      {action ? (
        <View style={styles.action}>
          <View style={!drawing && styles.readable}>{action}</View>
        </View>
      ) : null}
    </View>
  );
  if (!drawing) return list;
  return (
    <View style={[styles.fill, side ? styles.across : styles.down]}>
      <View style={side ? styles.fill : pulledUp ? styles.low : high}>{drawing}</View>
      {list}
    </View>
  );
}

const Handle = ({ up, onPress }: { up: boolean; onPress: () => void }) => {
  const { text } = useWords();
  return (
    <Pressable
      role="button"
      aria-label={text(up ? 'Larger drawing' : 'Larger list')}
      onPress={onPress}
      style={styles.handle}
    >
      <Icon name={up ? 'chevron-down' : 'chevron-up'} size={size.title} color={colour.quiet} />
      <Small>{up ? 'Larger drawing' : 'Larger list'}</Small>
    </Pressable>
  );
};

const styles = StyleSheet.create({
  fill: { flex: 1 },
  across: { flexDirection: 'row' },
  down: { flexDirection: 'column' },
  low: { height: 0, overflow: 'hidden' },
  list: { flex: 1, backgroundColor: colour.ground },
  panel: { flex: 0, flexBasis: measure.panel, borderLeftWidth: measure.hairline, borderLeftColor: colour.hairline },
  lowPanel: { flexBasis: '52%' },
  content: { padding: space.middle, gap: space.middle },
  readable: { width: '100%', maxWidth: measure.readable, alignSelf: 'center' },
  handle: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'center',
    gap: space.tight,
    minHeight: measure.target,
    backgroundColor: colour.sheet,
    borderTopWidth: measure.hairline,
    borderBottomWidth: measure.hairline,
    borderColor: colour.hairline,
  },
  action: {
    padding: space.small,
    backgroundColor: colour.sheet,
    borderTopWidth: measure.hairline,
    borderTopColor: colour.hairline,
  },
});
