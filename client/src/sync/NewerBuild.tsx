import { usePathname } from 'expo-router';
import { Action } from '@/ui/Action';
import { Bar } from '@/ui/Bar';
import { useInstalled } from './install';

/** Offers a newer version of the program where it lies ready: never while a run sheet is worked by. */
export function NewerBuild() {
  const update = useInstalled();
  const path = usePathname();
  if (!update || path.endsWith('/run')) return null;
  return (
    <Bar text="A newer version of Lintrel is ready." testID="newer-build">
      <Action label="Use it now" onPress={update.take} testID="use-newer" />
    </Bar>
  );
}
