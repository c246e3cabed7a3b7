import type { AskWords } from '../ask';
import type { AllMessages } from '../codes';
import type { WordsOf } from '../table';
import { ACCEPTS, ASK_FAULTS, SKETCHES } from './ask-faults';
import { ASK_MASKING } from './ask-masking';
import { ASK_PAINT } from './ask-paint';
import { ASK_TAPE } from './ask-tape';
import { DESIGNS, EDGES, FIELDS, READINGS, SURFACES } from './fields';
import { EDITS } from './edits';
import { DRAWINGS, PAPERS, PRINTS, SKIPPED, stationWords, TAKEN } from './files';
import { BANDS, LINES, SNAPS } from './lines';
import { REASONS, RULES } from './order';
import { OVER } from './over';
import { ADVICE, AFTER_WORDS, BROKEN, COATS, ENTRIES, LATE_WORDS, MOMENTS } from './plan';
import { REFUSALS } from './refusals';
import { FOLLOW_DATA_SHEETS, SAFETY } from './safety';
import { CLOSING_TAPES, LEAKS, OWN_PIECES, SECTIONS, SIDES, STEP_DETAILS, STEP_TITLES } from './steps';
import { OPENINGS } from './openings';
import { BATCHES, DAYS } from './time';
import { DOUBTS, TECHNIQUE_REASONS, TECHNIQUES } from './runs';

const SAYS: WordsOf<AllMessages> = {
  ...FIELDS,
  ...READINGS,
  ...SURFACES,
  ...EDGES,
  ...EDITS,
  ...LINES,
  ...SNAPS,
  ...BANDS,
  ...BATCHES,
  ...DAYS,
  ...DESIGNS,
  ...OVER,
  ...RULES,
  ...REASONS,
  ...TECHNIQUES,
  ...OPENINGS,
  ...DOUBTS,
  ...COATS,
  ...STEP_TITLES,
  ...LEAKS,
  ...SECTIONS,
  ...CLOSING_TAPES,
  ...OWN_PIECES,
  ...ADVICE,
  ...MOMENTS,
  ...ACCEPTS,
  ...ASK_FAULTS,
  ...SKETCHES,
  ...BROKEN,
  ...DRAWINGS,
  ...SKIPPED,
  ...TAKEN,
  ...PRINTS,
  ...PAPERS,
  ...REFUSALS,
};

/** Everything that is said, in one language. A second language is a second one of these. */
export interface LanguageBook {
  readonly says: WordsOf<AllMessages>;
  readonly details: typeof STEP_DETAILS;
  readonly reasons: Readonly<Record<string, string>>;
  readonly sides: Readonly<Record<string, string>>;
  readonly times: Readonly<Record<string, string>>;
  /** What helps once a time has passed, by cure. */
  readonly late: Readonly<Record<string, string>>;
  readonly entries: Readonly<Record<string, string>>;
  readonly cautions: Readonly<Record<string, string>>;
  /** What all of them defer to. */
  readonly follow: string;
  readonly stations: typeof stationWords;
  /** Questions of the Bench, by name. */
  readonly questions: Readonly<Record<string, AskWords<never>>>;
  /** A sentence of the interface in the language: it stands in English at its place, with `{0}`, `{1}` … where values go. */
  readonly sentence: (english: string) => string;
  /** Last touch to what the book itself has told. */
  readonly told: (text: string) => string;
}

export const ENGLISH: LanguageBook = {
  says: SAYS,
  details: STEP_DETAILS,
  reasons: TECHNIQUE_REASONS,
  sides: SIDES,
  times: AFTER_WORDS,
  late: LATE_WORDS,
  entries: ENTRIES,
  cautions: SAFETY,
  follow: FOLLOW_DATA_SHEETS,
  stations: stationWords,
  questions: { ...ASK_TAPE, ...ASK_MASKING, ...ASK_PAINT },
  sentence: (english) => english,
  told: (text) => text,
};
