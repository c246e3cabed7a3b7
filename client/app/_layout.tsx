import { Barlow_400Regular } from '@expo-google-fonts/barlow/400Regular';
import { BarlowSemiCondensed_500Medium } from '@expo-google-fonts/barlow-semi-condensed/500Medium';
import { BarlowSemiCondensed_600SemiBold } from '@expo-google-fonts/barlow-semi-condensed/600SemiBold';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useFonts } from 'expo-font';
import { Slot, usePathname } from 'expo-router';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { PaperProvider } from 'react-native-paper';
import { useLive } from '@/api/live';
import { SignInGate } from '@/people/SignInGate';
import { PersonProvider } from '@/person/PersonContext';
import { fetchScreens } from '@/screens/lazyScreen';
import { NewerBuild } from '@/sync/NewerBuild';
import { NotSent } from '@/sync/NotSent';
import { useSending } from '@/sync/useOutbox';
import { colour, paperTheme } from '@/theme/theme';
import { useLow, useWide } from '@/theme/useWide';
import { Icon } from '@/ui/Icon';
import type { IconName } from '@/ui/icons';
import { TabBar } from '@/ui/TabBar';
import { UndoBar } from '@/ui/UndoBar';

const paperSettings = {
  // Names come from our own components alone, which know them by type.
  icon: ({ name, color, size }: { name: string; color?: string; size: number }) => (
    <Icon name={name as IconName} color={color} size={size} />
  ),
};

/** The browser's online state is ignored: the shop's server may be reachable without the internet. */
const QUERIES = {
  queries: { retry: 2, staleTime: 5000, networkMode: 'always' },
  mutations: { networkMode: 'always' },
} as const;

/** Root of the application: fonts, theme, data, and the tab bar. */
export default function RootLayout() {
  // What is there is shown at once; letters change to their own when the fonts have come.
  useFonts({ Barlow_400Regular, BarlowSemiCondensed_500Medium, BarlowSemiCondensed_600SemiBold });
  const [client] = useState(() => new QueryClient({ defaultOptions: QUERIES }));
  const [wide, low] = [useWide(), useLow()];
  return (
    <PersonProvider>
      <QueryClientProvider client={client}>
        <PaperProvider theme={paperTheme} settings={paperSettings}>
          <View style={[styles.shell, wide || low ? styles.across : styles.down]}>
            <View style={styles.place}>
              <Sending />
              <Ahead />
              <NewerBuild />
              <NotSent />
              <UndoBar />
              <SignInGate>
                <Slot />
              </SignInGate>
            </View>
            <PlacesForAll />
          </View>
        </PaperProvider>
      </QueryClientProvider>
    </PersonProvider>
  );
}

/** The tab bar; not for a customer who views one job. */
function PlacesForAll() {
  return usePathname().startsWith('/link/') ? null : <TabBar />;
}

/** Sends pending entries and listens to changes on every screen. */
function Sending() {
  useSending();
  useLive();
  return null;
}

/** Delay after the first page until the other screens are preloaded, so that they open at once, also offline, ms. */
const AHEAD_MS = 5000;

function Ahead() {
  useEffect(() => {
    const timer = setTimeout(() => void fetchScreens().catch(() => undefined), AHEAD_MS);
    return () => clearTimeout(timer);
  }, []);
  return null;
}

const styles = StyleSheet.create({
  shell: { flex: 1, backgroundColor: colour.ground },
  down: { flexDirection: 'column' },
  across: { flexDirection: 'row-reverse' },
  place: { flex: 1 },
});
