import type { AskWords } from '../ask';
import type { AllMessages } from '../codes';
import type { WordsOf } from '../table';
import { ACCEPT_WORDS, ASK_FAULTS, SKETCH_WORDS } from './ask-faults';
import { ASK_MASKING } from './ask-masking';
import { ASK_PAINT } from './ask-paint';
import { ASK_TAPE } from './ask-tape';
import { EDIT_WORDS } from './edits';
import { DESIGN_WORDS, EDGE_WORDS, FIELD_WORDS, READING_WORDS, SURFACE_WORDS } from './fields';
import { DRAWING_WORDS, IMPORT_WORDS, PAPER_WORDS, PRINT_WORDS, SKIPPED_WORDS, stationWords } from './files';
import { BAND_WORDS, LINE_WORDS, SNAP_WORDS } from './lines';
import { CLOSING_FAULT_WORDS, OPENING_WORDS } from './openings';
import { REASON_WORDS, RULE_WORDS } from './order';
import { COMPATIBILITY_WORDS } from './over';
import {
  ADVICE_WORDS,
  AFTER_WORDS,
  COAT_WORDS,
  LATE_WORDS,
  LOG_ENTRY_WORDS,
  MOMENT_WORDS,
  PLAN_FAULT_WORDS,
} from './plan';
import { REFUSAL_WORDS } from './refusals';
import { REQUEST_WORDS } from './requests';
import { DOUBT_WORDS, TECHNIQUE_REASONS, TECHNIQUE_WORDS } from './runs';
import { FOLLOW_DATA_SHEETS, SAFETY_WORDS } from './safety';
import {
  BACKED_LINE_WORDS,
  CLOSING_TAPES,
  LEAK_WORDS,
  OWN_PIECE_WORDS,
  SECTION_WORDS,
  SIDES,
  STEP_DETAILS,
  STEP_TITLES,
} from './steps';
import { BATCH_WORDS, DAY_WORDS } from './time';

const SAYS: WordsOf<AllMessages> = {
  ...FIELD_WORDS,
  ...READING_WORDS,
  ...SURFACE_WORDS,
  ...EDGE_WORDS,
  ...EDIT_WORDS,
  ...LINE_WORDS,
  ...SNAP_WORDS,
  ...BAND_WORDS,
  ...BATCH_WORDS,
  ...DAY_WORDS,
  ...DESIGN_WORDS,
  ...COMPATIBILITY_WORDS,
  ...RULE_WORDS,
  ...REASON_WORDS,
  ...TECHNIQUE_WORDS,
  ...OPENING_WORDS,
  ...CLOSING_FAULT_WORDS,
  ...DOUBT_WORDS,
  ...COAT_WORDS,
  ...STEP_TITLES,
  ...LEAK_WORDS,
  ...BACKED_LINE_WORDS,
  ...SECTION_WORDS,
  ...CLOSING_TAPES,
  ...OWN_PIECE_WORDS,
  ...ADVICE_WORDS,
  ...MOMENT_WORDS,
  ...ACCEPT_WORDS,
  ...ASK_FAULTS,
  ...SKETCH_WORDS,
  ...PLAN_FAULT_WORDS,
  ...DRAWING_WORDS,
  ...SKIPPED_WORDS,
  ...IMPORT_WORDS,
  ...PRINT_WORDS,
  ...PAPER_WORDS,
  ...REFUSAL_WORDS,
  ...REQUEST_WORDS,
};

/** All words of one language. */
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
  /** Translates a sentence of the interface, given in English with `{0}`, `{1}` … for values. */
  readonly sentence: (english: string) => string;
  /** Applied to every text of the book. */
  readonly told: (text: string) => string;
}

export const ENGLISH: LanguageBook = {
  says: SAYS,
  details: STEP_DETAILS,
  reasons: TECHNIQUE_REASONS,
  sides: SIDES,
  times: AFTER_WORDS,
  late: LATE_WORDS,
  entries: LOG_ENTRY_WORDS,
  cautions: SAFETY_WORDS,
  follow: FOLLOW_DATA_SHEETS,
  stations: stationWords,
  questions: { ...ASK_TAPE, ...ASK_MASKING, ...ASK_PAINT },
  sentence: (english) => english,
  told: (text) => text,
};
