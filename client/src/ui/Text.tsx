import { Children } from 'react';
import { Text as Plain, type TextProps } from 'react-native';
import { useWords } from '@/person/PersonContext';

/** Text of the interface: every word that is shown goes through here, in the language of the person. */
export function Text({ children, ...rest }: TextProps) {
  const { text } = useWords();
  // Pieces of one sentence are one text: a number in the middle must not be cut out of it.
  const parts = Children.toArray(children);
  const whole = parts.every((part) => typeof part === 'string' || typeof part === 'number');
  const shown = whole ? text(parts.join('')) : parts.map((part) => (typeof part === 'string' ? text(part) : part));
  return <Plain {...rest}>{shown}</Plain>;
}
