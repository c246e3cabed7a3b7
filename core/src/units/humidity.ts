import { messageWithoutValues, readFailed, type Reading, readOk } from '../kit';
import { decimalPointOf } from './decimal-comma';

/**
 * Reads a typed relative humidity.
 * @param text `50`, `50%` or a share below one such as `0.5`, which in a workshop can only mean 50 %
 * @returns percent, above 0 and at most 100, or what was expected
 */
export function readHumidity(text: string): Reading<number> {
  const pointed = decimalPointOf(text);
  if (!pointed.ok) return pointed;
  const match = /^\s*(\d+(?:\.\d+)?|\.\d+)\s*(%?)\s*$/.exec(pointed.value);
  if (!match) return readFailed({ code: 'typed.humidity', values: { text: text.trim() } });
  const number = Number(match[1]);
  if (match[2] === '' && number === 1) return readFailed(messageWithoutValues('typed.humidity-one'));
  const percent = match[2] === '' && number < 1 ? number * 100 : number;
  if (percent <= 0 || percent > 100) return readFailed(messageWithoutValues('typed.humidity-range'));
  return readOk(percent);
}
