import { createElement } from 'react';
import { measure } from '@/theme/theme';

/** The colour picker of the browser, as a swatch one can tap; typed text and picked colour are the same value. */
export function ColourInput({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (hex: string) => void;
}) {
  const sound = /^#[0-9a-f]{6}$/i.test(value) ? value : '#888888';
  return createElement('input', {
    type: 'color',
    'aria-label': label,
    title: label,
    value: sound,
    onChange: (event: { target: { value: string } }) => onChange(event.target.value),
    style: {
      width: measure.target,
      height: measure.target,
      padding: 0,
      border: 'none',
      background: 'none',
      cursor: 'pointer',
    },
  });
}
