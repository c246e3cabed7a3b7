import * as v from 'valibot';
import type { Place } from '../curves';
import { type Checked, type Fault, pathText, type Shelf } from '../job';
import { closeRing, MAX_FAULTS, parseFaultText, truncate } from '../kit';
import { type Key, MAX_ECHO_CHARACTERS } from './key';
import type { AskMessage, SketchMessage } from './messages';

/** Values of a question as its keys read them; those left out without a fallback are undefined. */
export type Values<K extends Record<string, Key>> = {
  readonly [N in keyof K]: K[N] extends Key<infer T> ? T | undefined : never;
};

/** A line of a drawing, mm, y up. `fill` is an area, `tape` a strip, `ink` and `quiet` lines, `mark` a point. */
export interface SketchStroke {
  readonly tone: 'fill' | 'tape' | 'ink' | 'quiet' | 'mark';
  readonly points: readonly Place[];
  /** Paint of a fill; no other stroke has one. */
  readonly colour?: string;
}

/** A drawing in true proportions. */
export interface Sketch {
  readonly strokes: readonly SketchStroke[];
  readonly words: readonly { readonly at: Place; readonly what: SketchMessage }[];
}

/** Corners of an upright box, the first repeated. */
export const rectangleRing = (x1: number, y1: number, x2: number, y2: number): Place[] => [
  [x1, y1],
  [x2, y1],
  [x2, y2],
  [x1, y2],
  [x1, y1],
];

/** A ring of places as a closed line. */
export const closedLoop = (ring: readonly { readonly x: number; readonly y: number }[]): Place[] =>
  closeRing(ring).map(({ x, y }) => [x, y]);

/** Plain data, as printed. */
export type Answer = Readonly<Record<string, unknown>>;

/** A way to give part of the input: exactly one of a question's ways is used. */
export interface Way {
  readonly name: string;
  readonly keys: readonly string[];
}

/** One question of the Bench. */
export interface Question<K extends Record<string, Key> = Record<string, Key>, A extends Answer = Answer> {
  readonly name: string;
  readonly keys: K;
  /** Ways that exclude each other; empty where there is only one. The first is what the form opens with. */
  readonly ways: readonly Way[];
  readonly answer: (values: Values<K>, shelf: Shelf) => Checked<A>;
  /** A small drawing to scale; left out if it would not help. */
  readonly sketch?: (answer: A) => Sketch;
}

/**
 * Defines a question with the types of its keys and answer, and returns it in the untyped form used by screen, HTTP
 * and command line.
 */
export function question<K extends Record<string, Key>, A extends Answer>(definition: Question<K, A>): Question {
  return definition as unknown as Question;
}

/** Refuses an answer at one key. */
export const refuseAt = (path: string, why: AskMessage): { readonly ok: false; readonly faults: readonly Fault[] } => ({
  ok: false,
  faults: [{ path, ...why }],
});

/**
 * Asks a question.
 * @param input keys and values as typed or sent: text or numbers
 * @returns the answer, or a fault for every key that is unknown, missing or not understood
 */
export function askQuestion(asked: Question, input: unknown, shelf: Shelf): Checked<Answer> {
  if (input === null || typeof input !== 'object' || Array.isArray(input))
    return refuseAt('(body)', { code: 'ask.body', values: { keys: Object.keys(asked.keys) } });
  const given = input as Record<string, unknown>;
  const faults = [...unknownKeys(asked, given), ...wayFaults(asked, given), ...missingKeys(asked, given)];
  const values: Record<string, unknown> = {};
  for (const [name, key] of Object.entries(asked.keys)) {
    values[name] = key.fallback;
    if (!isGiven(given[name])) continue;
    const result = v.safeParse(key.schema, given[name]);
    if (result.success) values[name] = result.output;
    else faults.push(...result.issues.map((issue) => ({ path: pathText([name]), ...parseFaultText(issue.message) })));
  }
  return faults.length > 0 ? { ok: false, faults: faults.slice(0, MAX_FAULTS) } : asked.answer(values, shelf);
}

const isGiven = (value: unknown): boolean => value !== undefined && value !== null && value !== '';

function unknownKeys(asked: Question, given: Record<string, unknown>): Fault[] {
  return Object.keys(given)
    .filter((name) => !Object.hasOwn(asked.keys, name))
    .slice(0, MAX_FAULTS)
    .map((name) => ({
      path: truncate(name, MAX_ECHO_CHARACTERS),
      code: 'ask.unknown-key',
      values: { question: asked.name, keys: Object.keys(asked.keys) },
    }));
}

function missingKeys(definition: Question, given: Record<string, unknown>): Fault[] {
  const way = usedWay(definition, given);
  const asked = (name: string) => !definition.ways.some(({ keys }) => keys.includes(name)) || way.keys.includes(name);
  const noWay = way.keys.every((name) => !isGiven(given[name]));
  const instead = noWay
    ? definition.ways
        .filter((other) => other !== way)
        .map(({ keys }) => keys.filter((name) => !definition.keys[name]!.optional).join(', '))
    : [];
  return Object.entries(definition.keys).flatMap(([name, key]) =>
    key.optional || isGiven(given[name]) || !asked(name)
      ? []
      : [
          {
            path: name,
            code: 'ask.missing',
            values: { accepts: key.accepts, instead: way.keys.includes(name) ? instead : [] },
          },
        ],
  );
}

/** The way most of whose keys were given; the first where none was. */
function usedWay(asked: Question, given: Record<string, unknown>): Way {
  const count = ({ keys }: Way) => keys.filter((name) => isGiven(given[name])).length;
  return asked.ways.reduce<Way>(
    (best, way) => (count(way) > count(best) ? way : best),
    asked.ways[0] ?? { name: '', keys: [] },
  );
}

function wayFaults(asked: Question, given: Record<string, unknown>): Fault[] {
  const used = usedWay(asked, given);
  const others = asked.ways
    .filter((way) => way !== used)
    .flatMap(({ keys }) => keys)
    .filter((name) => isGiven(given[name]) && !used.keys.includes(name));
  return others.map((name) => ({
    path: name,
    code: 'ask.not-together',
    values: { keys: used.keys.filter((key) => isGiven(given[key])) },
  }));
}

/** The input a form opens with: the examples of every key in use. */
export function exampleInput(asked: Question, way: Way | undefined = asked.ways[0]): Record<string, string> {
  const hidden = asked.ways
    .filter((other) => other !== way)
    .flatMap(({ keys }) => keys)
    .filter((name) => !way?.keys.includes(name));
  return Object.fromEntries(
    Object.entries(asked.keys).flatMap(([name, key]) => (hidden.includes(name) ? [] : [[name, key.example]])),
  );
}

/** Refuses a tape that is not on the shelf. */
export const noTape = (code: string, { tapes }: Shelf) =>
  refuseAt('tape', { code: 'ask.no-tape', values: { code, codes: tapes.map((tape) => tape.code) } });
