import type { Socket } from 'node:net';
import * as v from 'valibot';
import { readJsonLines, writeJsonLine } from '../line/json-lines';

// Messages between a cutter and its client: docs/cutter.md. One JSON object per line.

const place = v.pipe(v.tuple([v.number(), v.number()]), v.readonly());

/** What is sent to a cutter. */
export const toCutterSchema = v.variant('say', [
  v.strictObject({
    say: v.literal('job'),
    name: v.string(),
    paths: v.number(),
    widthMm: v.number(),
    lengthMm: v.number(),
  }),
  v.strictObject({ say: v.literal('cut'), path: v.array(place) }),
  v.strictObject({ say: v.literal('end') }),
  v.strictObject({ say: v.literal('cancel') }),
]);
export type ToCutter = v.InferOutput<typeof toCutterSchema>;

/** What a cutter answers. */
export const fromCutterSchema = v.variant('say', [
  v.strictObject({ say: v.literal('ready'), name: v.string(), widthMm: v.number(), lengthMm: v.number() }),
  v.strictObject({ say: v.literal('cut'), done: v.number() }),
  /** The sheet is too short, or has come to its end. */
  v.strictObject({ say: v.literal('out-of-sheet'), done: v.number() }),
  v.strictObject({ say: v.literal('cancelled'), done: v.number(), picture: v.string() }),
  /** All of it is cut; the picture is an SVG of what the blade did. */
  v.strictObject({ say: v.literal('done'), done: v.number(), picture: v.string() }),
  v.strictObject({ say: v.literal('refused'), why: v.string() }),
]);
export type FromCutter = v.InferOutput<typeof fromCutterSchema>;

/** No line is longer: one that is comes from something that is no cutter. */
const LONGEST_LINE = 4_000_000;

/** Reads the messages of a connection with a cutter. */
export const readCutterLines = <T>(
  socket: Socket,
  schema: v.GenericSchema<unknown, T>,
  on: (said: T | null) => void,
): void => readJsonLines(socket, schema, LONGEST_LINE, on);

/** Sends a message. */
export const writeCutterLine = (socket: Socket, said: ToCutter | FromCutter): void => writeJsonLine(socket, said);
