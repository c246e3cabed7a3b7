import { BarlowSemiCondensed_500Medium } from '@expo-google-fonts/barlow-semi-condensed/500Medium';
import { BarlowSemiCondensed_600SemiBold } from '@expo-google-fonts/barlow-semi-condensed/600SemiBold';
import { Barlow_400Regular } from '@expo-google-fonts/barlow/400Regular';
import MaterialCommunityIcons from '@expo/vector-icons/MaterialCommunityIcons';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useFonts } from 'expo-font';
import { Slot } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { PaperProvider } from 'react-native-paper';
import { useSending } from '@/api/useOutbox';
import { PersonProvider } from '@/person/PersonContext';
import { colour, paperTheme } from '@/theme/theme';
import { useWide } from '@/theme/useWide';
import { Places } from '@/ui/Places';

type IconName = keyof typeof MaterialCommunityIcons.glyphMap;
const paperSettings = {
  icon: ({ name, color, size }: { name: string; color?: string; size: number }) => (
    <MaterialCommunityIcons aria-hidden name={name as IconName} color={color} size={size} />
  ),
};

/** Everything stands in here: fonts, theme, data, and the four places round the screen. */
export default function RootLayout() {
  const [loaded, failed] = useFonts({ Barlow_400Regular, BarlowSemiCondensed_500Medium, BarlowSemiCondensed_600SemiBold, ...MaterialCommunityIcons.font });
  const [client] = useState(() => new QueryClient({ defaultOptions: { queries: { retry: 2, staleTime: 5000 } } }));
  const wide = useWide();
  if (!loaded && !failed) return null;
  return (
    <PersonProvider>
      <QueryClientProvider client={client}>
        <PaperProvider theme={paperTheme} settings={paperSettings}>
          <View style={[styles.shell, wide ? styles.across : styles.down]}>
            <View style={styles.place}>
              <Sending />
              <Slot />
            </View>
            <Places />
          </View>
        </PaperProvider>
      </QueryClientProvider>
    </PersonProvider>
  );
}

/** Whatever screen is open, entries that wait are sent. */
function Sending() {
  useSending();
  return null;
}

const styles = StyleSheet.create({
  shell: { flex: 1, backgroundColor: colour.ground },
  down: { flexDirection: 'column' },
  across: { flexDirection: 'row-reverse' },
  place: { flex: 1 },
});
