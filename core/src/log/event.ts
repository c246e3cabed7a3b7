import * as v from 'valibot';
import { HEATS } from '../air';
import {
  faultText,
  instantText,
  messageWithoutValues,
  nameText,
  noteText,
  numberBetween,
  oneOfWords,
  stepText,
  uuidText,
  wholeBetween,
} from '../kit';
import { FEELS, PULLS } from '../learning';

/** Kinds of event this program writes. */
export const EVENT_KINDS = ['start', 'done', 'undo', 'trouble', 'note', 'touch', 'finish'] as const;
export type EventKind = (typeof EVENT_KINDS)[number];

/** Version of events this program writes. */
export const EVENT_VERSION = 5;

/** A log holds at most this many events, so that it can always be written to a file and read again. */
export const MAX_EVENTS = 10_000;

/** Maximum size of a photo, bytes; phones reduce theirs before sending. */
export const MAX_PHOTO_BYTES = 1_000_000;

/** A job holds at most this many photos. */
export const MAX_PHOTOS = 300;

/** Letters of all notes of one log together. */
export const MAX_NOTE_CHARACTERS = 4_000_000;

/** What was seen or set, as figures: how a film feels, how a pull went, how a coat was sprayed; or which photo shows it. What is left out was not noted. */
const observedSchema = v.variant('kind', [
  v.strictObject({ kind: v.literal('feel'), feel: oneOfWords(FEELS) }),
  v.strictObject({ kind: v.literal('pull'), result: oneOfWords(PULLS) }),
  v.strictObject({
    kind: v.literal('coat'),
    passes: v.optional(wholeBetween(1, 20)),
    pressureBar: v.optional(numberBetween(0, 20, 'bar')),
    distanceMm: v.optional(numberBetween(0, 2000, 'mm')),
    thinnerPercent: v.optional(numberBetween(0, 300, '%')),
  }),
  v.strictObject({ kind: v.literal('photo'), photo: uuidText() }),
  /** Plugs counted out of a total; null: not all came out, and the note tells about the rest. */
  v.strictObject({ kind: v.literal('plugs'), out: v.nullable(wholeBetween(0, 10_000)), of: wholeBetween(0, 10_000) }),
  /** Paint mixed once for two jobs: the title of the other, and whether it was mixed at this job's step or at the other's. */
  v.strictObject({ kind: v.literal('mix'), with: nameText(), here: v.boolean() }),
  /** Warmth from the moment of the entry on. */
  v.strictObject({
    kind: v.literal('heat'),
    how: oneOfWords(HEATS),
    filmC: numberBetween(15, 120, '°C'),
    minutes: wholeBetween(1, 1440),
  }),
]);
export type Observed = v.InferOutput<typeof observedSchema>;

/**
 * Something done or observed. Never edited; corrected by a later event. A kind unknown to this program comes from a
 * newer version: it is kept unchanged and shown by its name.
 */
export const newestEventSchema = v.strictObject({
  id: uuidText(),
  version: wholeBetween(1, 1_000),
  at: instantText(),
  kind: v.pipe(
    v.string(faultText(messageWithoutValues('field.event'))),
    v.regex(/^[a-z][a-z-]{0,39}$/, faultText(messageWithoutValues('field.event'))),
  ),
  /** Step of the run sheet it belongs to; null for the job as a whole. */
  step: v.nullable(stepText()),
  note: noteText(),
  /**
   * Number of the work sheet it belongs to; in a job file, the index of the started plan. Missing from older
   * clients.
   */
  sheet: v.optional(wholeBetween(0, 2_000_000_000)),
  /** Author and device; and who was signed in when it was sent, if that was another person. */
  person: v.optional(nameText()),
  sentBy: v.optional(nameText()),
  device: v.optional(nameText()),
  /** Time by the device's clock if that is known to be wrong; `at` is corrected. */
  deviceAt: v.optional(instantText()),
  /** Observation or setting in figures. */
  saw: v.optional(observedSchema),
});
export type LogEvent = v.InferOutput<typeof newestEventSchema>;

/**
 * An event of any version. Events without a version are version 1; version 1 has no sheet, person or device, version
 * 2 no observation, version 3 no photo and no heat, version 4 no plugs, no mix and no sender.
 */
export const logEventSchema = v.pipe(v.unknown(), v.transform(upgradedEvent), newestEventSchema);

function upgradedEvent(data: unknown): unknown {
  return typeof data === 'object' && data !== null && !('version' in data) ? { ...data, version: 1 } : data;
}
