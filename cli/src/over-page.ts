import {
  compatibilityOf,
  type FilmAgeMarks,
  firstItem,
  PAINT_SYSTEM_KEYS,
  type PaintSystemKey,
  REFERENCE_AIR,
  typicalAgeMarks,
} from '@lintrel/core';
import { SYSTEM_NAMES } from '@lintrel/words';
import { WORDS } from './words';

/** Ages of a film at which the answer may differ. */
export const FILM_AGES = ['young', 'in window', 'in the gap', 'past limit', 'cured'] as const;
export type FilmAge = (typeof FILM_AGES)[number];

/** A representative age of a film, minutes; null if it has no such age. */
function ageOf({ recoat, cureMin }: FilmAgeMarks, age: FilmAge): number | null {
  const first = firstItem(recoat);
  const last = recoat[recoat.length - 1]!;
  if (age === 'young') return first.fromMin / 2;
  if (age === 'in window') return first.toMin === null ? first.fromMin + 1 : (first.fromMin + first.toMin) / 2;
  if (age === 'in the gap')
    return recoat.length > 1 && first.toMin !== null ? (first.toMin + recoat[1]!.fromMin) / 2 : null;
  const past = last.toMin === null ? null : last.toMin + 1;
  if (age === 'past limit') return past !== null && (cureMin === null || past < cureMin) ? past : null;
  return cureMin === null ? null : cureMin + 1;
}

/** Text of a cell: the answer, and until when, if waiting helps; a dash if the film has no such age. */
export function compatibilityCell(lower: PaintSystemKey, upper: PaintSystemKey, age: FilmAge): string {
  const marks = typicalAgeMarks(lower, REFERENCE_AIR);
  const ageMin = ageOf(marks, age);
  if (ageMin === null) return '–';
  const { answer, untilMin } = compatibilityOf({ marks, ageMin, known: true }, upper);
  return answer === 'no' && untilMin !== null
    ? `no, until ${untilMin === marks.cureMin ? 'cured' : 'touch-dry'}`
    : answer;
}

/** Reasons of a pair, each once, in the order of the ages. */
function reasonsOf(lower: PaintSystemKey, upper: PaintSystemKey): string {
  const marks = typicalAgeMarks(lower, REFERENCE_AIR);
  const answers = FILM_AGES.flatMap((age) => {
    const ageMin = ageOf(marks, age);
    const overVerdict = ageMin === null ? null : compatibilityOf({ marks, ageMin, known: true }, upper);
    return overVerdict === null ||
      overVerdict.answer === 'wait' ||
      (overVerdict.answer === 'yes' && overVerdict.window?.toMin !== undefined && overVerdict.window.toMin !== null)
      ? []
      : [WORDS.say(overVerdict.reason)];
  });
  return [...new Set(answers)].join(' ');
}

/** The page of over-rules in the docs: one table a lower system, every upper in it. */
export function compatibilityPage(): string {
  const lines = [
    '# May this go over that',
    '',
    'Written by `npm run over-rules` from `core/src/over/pairs.ts`; a test reads every cell back. Rules of thumb: the data sheet decides, and',
    'a test in a hidden place. Ages are those of the lower film: *young* before its first recoat window, *in window*, *in the gap* between two',
    'windows, *past limit* after the last, *cured*. A dash: the film has no such age. A pair nobody has considered asks for a barrier coat.',
    'An antifouling nobody knows asks for one under any other.',
  ];
  for (const lower of PAINT_SYSTEM_KEYS) {
    lines.push(
      '',
      `## Over ${SYSTEM_NAMES[lower]} (\`${lower}\`)`,
      '',
      `| then | ${FILM_AGES.join(' | ')} | why |`,
      `|${'---|'.repeat(FILM_AGES.length + 2)}`,
    );
    for (const upper of PAINT_SYSTEM_KEYS)
      lines.push(
        `| \`${upper}\` | ${FILM_AGES.map((age) => compatibilityCell(lower, upper, age)).join(' | ')} | ${reasonsOf(lower, upper)} |`,
      );
  }
  return `${lines.join('\n')}\n`;
}
