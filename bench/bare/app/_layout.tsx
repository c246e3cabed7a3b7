import { Slot } from 'expo-router';
import { PaperProvider } from 'react-native-paper';

/** The least there can be of such an app: what its load is compared with. */
export default function Layout() {
  return (
    <PaperProvider>
      <Slot />
    </PaperProvider>
  );
}
