import type { PropsWithChildren } from 'react';
import { StyleSheet, View } from 'react-native';
import { space } from '@/theme/theme';

/** Fields side by side, as many as there is room for. */
export const FieldRow = ({ children }: PropsWithChildren) => <View style={styles.row}>{children}</View>;

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small, alignItems: 'flex-start' },
});
