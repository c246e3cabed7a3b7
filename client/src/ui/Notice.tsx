import type { Advice } from '@lintrel/core';
import { StyleSheet, View } from 'react-native';
import { colour, measure, size, space } from '@/theme/theme';
import { Action } from './Action';
import { Icon } from './Icon';
import { Body, Small } from './Typography';

const LOOK = {
  stop: { icon: 'octagon-outline', tone: 'accent', word: 'Settle this' },
  caution: { icon: 'triangle-outline', tone: 'caution', word: 'Look at this' },
  note: { icon: 'circle-outline', tone: 'calm', word: 'Good to know' },
} as const;

interface NoticeProps {
  readonly level: Advice['level'];
  readonly text: string;
  readonly onPress?: () => void;
  /** What pressing it does. */
  readonly where?: string;
}

/** A notice with symbol, word and sentence; pressing it opens its place. */
export function Notice({ level, text, onPress, where = 'Show the place' }: NoticeProps) {
  const { icon, tone, word } = LOOK[level];
  return (
    <View style={styles.notice} role={level === 'stop' ? 'alert' : undefined}>
      <Icon name={icon} size={size.large} color={colour[tone]} />
      <View style={styles.words}>
        <Small tone={tone}>{word}</Small>
        <Body>{text}</Body>
        {onPress ? <Action rank="quiet" label={where} onPress={onPress} /> : null}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  notice: {
    flexDirection: 'row',
    gap: space.small,
    paddingVertical: space.small,
    borderTopWidth: measure.hairline,
    borderTopColor: colour.hairline,
  },
  words: { flex: 1, gap: space.hair, alignItems: 'flex-start' },
});
