import Svg, { Path } from 'react-native-svg';
import { type IconName, ICONS } from './icons';

/** An icon beside text; hidden from screen readers. */
export const Icon = ({ name, size, color }: { name: IconName; size: number; color?: string }) => (
  <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
    <Path d={ICONS[name]} fill={color} />
  </Svg>
);
