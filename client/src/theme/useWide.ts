import { useWindowDimensions } from 'react-native';
import { measure } from './theme';

/** True on a screen wide enough to have drawing and list side by side. */
export const useWide = (): boolean => useWindowDimensions().width >= measure.wideFrom;
