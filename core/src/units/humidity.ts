import { refused, understood, type Reading } from './reading';

/**
 * Reads a typed relative humidity.
 * @param text `50`, `50%` or a share below one such as `0.5`, which in a workshop can only mean 50 %
 * @returns percent, above 0 and at most 100, or what was expected
 */
export function readHumidity(text: string): Reading<number> {
  const match = /^\s*(\d+(?:\.\d+)?|\.\d+)\s*(%?)\s*$/.exec(text);
  if (!match) return refused(`"${text.trim()}" is not a humidity: write it in percent, like 50`);
  const number = Number(match[1]);
  if (match[2] === '' && number === 1) return refused('1 could mean 1 % or all of it: write 1% or 100%');
  const percent = match[2] === '' && number < 1 ? number * 100 : number;
  if (percent <= 0 || percent > 100) return refused('humidity lies above 0 % and at most at 100 %');
  return understood(percent);
}
