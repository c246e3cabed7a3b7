import { usePathname } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { colour, measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Body } from '@/ui/Words';
import { useInstalled } from './install';

/** Offers a newer version of the program where it lies ready: never while a run sheet is worked by. */
export function NewerBuild() {
  const update = useInstalled();
  const path = usePathname();
  if (!update || path.endsWith('/run')) return null;
  return (
    <View style={styles.bar} role="status" testID="newer-build">
      <Body>A newer version of Lintrel is ready.</Body>
      <Action label="Use it now" onPress={update.take} testID="use-newer" />
    </View>
  );
}

const styles = StyleSheet.create({
  bar: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    justifyContent: 'space-between',
    gap: space.small,
    paddingHorizontal: space.base,
    paddingVertical: space.tight,
    backgroundColor: colour.sheet,
    borderBottomWidth: measure.hairline,
    borderBottomColor: colour.hairline,
  },
});
