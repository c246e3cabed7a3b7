import { StyleSheet } from 'react-native';
import { Button } from 'react-native-paper';
import { useWords } from '@/person/PersonContext';
import { colour, font, measure, size } from '@/theme/theme';
import type { IconName } from './icons';

interface ActionProps {
  readonly label: string;
  /** Screen-reader label, if the visible label is ambiguous. */
  readonly spoken?: string;
  readonly onPress: () => void;
  /** `main`: the one thing to do here; `other`: beside it; `quiet`: on the side. */
  readonly rank?: 'main' | 'other' | 'quiet';
  readonly icon?: IconName;
  readonly disabled?: boolean;
  readonly busy?: boolean;
  readonly testID?: string;
}

/** A button. */
export function Action({ label, spoken = label, onPress, rank = 'other', icon, disabled, busy, testID }: ActionProps) {
  const { text } = useWords();
  return (
    <Button
      mode={rank === 'main' ? 'contained' : rank === 'other' ? 'outlined' : 'text'}
      onPress={onPress}
      icon={icon}
      disabled={disabled}
      loading={busy}
      accessibilityLabel={text(spoken)}
      testID={testID}
      contentStyle={styles.content}
      labelStyle={styles.label}
      style={rank === 'other' && styles.outlined}
    >
      {text(label)}
    </Button>
  );
}

const styles = StyleSheet.create({
  content: { minHeight: measure.target },
  label: { fontFamily: font.heading, fontSize: size.base, marginVertical: 0 },
  outlined: { borderColor: colour.quiet },
});
