import { useWindowDimensions } from 'react-native';
import { measure } from './theme';

/** True on a screen wide enough to have drawing and list side by side. */
export const useWide = (): boolean => useWindowDimensions().width >= measure.wideFrom;

/** True on a phone held sideways: too low for one above the other. */
export function useLow(): boolean {
  const { width, height } = useWindowDimensions();
  return width > height && height < measure.lowBelow;
}
