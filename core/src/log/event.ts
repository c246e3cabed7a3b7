import * as v from 'valibot';
import { idText, instantText, noteText } from '../units';

export const EVENT_KINDS = {
  start: 'Started in the shop',
  done: 'Done',
  undo: 'Not done after all',
  trouble: 'Went wrong',
  note: 'Note',
  touch: 'Touch test',
  finish: 'Job finished',
} as const;
export type EventKind = keyof typeof EVENT_KINDS;

/** A log holds at most this many events, so that it can always be written to a file and read again. */
export const MOST_EVENTS = 10_000;

/** Letters of all notes of one log together. */
export const MOST_NOTE_LETTERS = 4_000_000;

/** Something that was really done or seen. Never edited; corrected by a later event. */
export const logEventSchema = v.strictObject({
  id: v.pipe(v.string('needs an id'), v.uuid('must be a UUID')),
  at: instantText(),
  kind: v.picklist(Object.keys(EVENT_KINDS) as EventKind[], `must be one of ${Object.keys(EVENT_KINDS).join(' ')}`),
  /** Step of the run sheet it belongs to; null for the job as a whole. */
  step: v.nullable(idText()),
  note: noteText(),
});
export type LogEvent = v.InferOutput<typeof logEventSchema>;
