import { createElement } from 'react';
import { colour, measure } from '@/theme/theme';

interface RangeProps {
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly step: number;
  /** The value in words, for screen readers. */
  readonly words: string;
  readonly onChange: (value: number) => void;
  readonly testID?: string;
}

/** A slider: the browser's own, so that arrow keys, touch and screen readers work. */
export function RangeInput({ label, value, least, most, step, words, onChange, testID }: RangeProps) {
  return createElement('input', {
    type: 'range',
    'aria-label': label,
    'aria-valuetext': words,
    min: least,
    max: most,
    step,
    value,
    'data-testid': testID,
    onChange: (event: { target: { value: string } }) => onChange(Number(event.target.value)),
    style: { width: '100%', height: measure.target, margin: 0, accentColor: colour.calm, touchAction: 'pan-y' },
  });
}
