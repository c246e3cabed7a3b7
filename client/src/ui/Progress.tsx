import { StyleSheet, View } from 'react-native';
import { ProgressBar } from 'react-native-paper';
import { useWords } from '@/person/PersonContext';
import { colour, measure } from '@/theme/theme';

/** How far something has come, 0 to 1; null: not known. The bar itself would be as high as what it is in. */
export function Progress({ share }: { share: number | null }) {
  const { text } = useWords();
  return (
    <View style={styles.bar}>
      <ProgressBar
        indeterminate={share === null}
        progress={share ?? 0}
        color={colour.calm}
        accessibilityLabel={text('How far it is')}
      />
    </View>
  );
}

const styles = StyleSheet.create({ bar: { height: measure.progress } });
