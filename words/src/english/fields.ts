import type {
  DesignMessages,
  EdgeMessages,
  FieldMessages,
  ListName,
  ReadingMessages,
  SurfaceMessages,
} from '@lintrel/core';
import type { SentenceTools, WordsOf } from '../table';

const LISTED: Readonly<Record<ListName, string>> = {
  areas: 'areas',
  cards: 'cards',
  cells: 'cells',
  corners: 'corners',
  datums: 'datums',
  edges: 'edges',
  events: 'events',
  features: 'features',
  finishes: 'finishes',
  layers: 'layers',
  lengths: 'lengths',
  lines: 'lines',
  'measured-points': 'measured points',
  'measured-steps': 'measured steps',
  'mixing-parts': 'mixing parts such as 4, 1, 1',
  days: 'days of a week',
  'days-off': 'days off',
  'shop-people': 'people of the shop',
  forecast: 'days of a forecast',
  pairs: 'pairs',
  panels: 'panels',
  parts: 'parts',
  pieces: 'pieces',
  openings: 'openings',
  plans: 'plans',
  supplies: 'supplies',
  paths: 'paths',
  pins: 'pins',
  places: 'places',
  'profile-pairs': 'further pairs of radius and length',
  'recoat-windows': 'recoat windows',
  rows: 'rows',
  schemes: 'other schemes',
  tapes: 'tapes',
  things: 'things',
};

/** Two bounds with their unit: lengths as the person reads them. */
const span = (
  { least, most, unit }: { readonly least: number; readonly most: number; readonly unit: string },
  to: SentenceTools,
): readonly [string, string] =>
  unit === 'mm' && to.inches ? [to.length(least), to.length(most)] : [String(least), `${most}${unit && ` ${unit}`}`];

const most = (value: number, unit: string, to: SentenceTools): string => span({ least: 0, most: value, unit }, to)[1];

/** Faults of a value, shown at its field. */
export const FIELD_WORDS: WordsOf<FieldMessages> = {
  'field.unknown': () => 'is not known here',
  'field.missing': () => 'is missing',
  'field.other': ({ message }) => message,
  'field.list': ({ what }) => `needs a list of ${LISTED[what]}`,
  'field.list-most': ({ what, most: many }) => `has at most ${many} ${LISTED[what]}`,
  'field.list-least': ({ what, least }) => `needs at least ${least} ${LISTED[what]}`,
  'field.number': (bounds, to) => `needs a number from ${span(bounds, to).join(' to ')}`,
  'field.between': (bounds, to) => `must lie between ${span(bounds, to).join(' and ')}`,
  'field.number-above': ({ most: value, unit }, to) => `needs a number above 0 and up to ${most(value, unit, to)}`,
  'field.above': ({ most: value, unit }, to) => `must be above 0 and at most ${most(value, unit, to)}`,
  'field.whole-number': ({ least, most: many }) => `needs a whole number from ${least} to ${many}`,
  'field.whole': ({ least, most: many }) => `must be a whole number from ${least} to ${many}`,
  'field.name': () => 'needs a name',
  'field.letters': ({ most: many }) => `must have at most ${many} characters`,
  'field.one-line': () => 'must be one line without control characters',
  'field.text': () => 'needs text',
  'field.controls': () => 'must not hold control characters',
  'field.id-needed': () => 'needs an id',
  'field.id': () => 'must be 1 to 40 letters, digits, hyphens, points or underscores',
  'field.step': () => 'must be the id of a step, at most 400 characters without spaces',
  'field.colour-needed': () => 'needs a colour',
  'field.colour': () => 'must be a colour such as #f5f3ea',
  'field.time-needed': () => 'needs a time',
  'field.time': () => 'must be a time such as 2026-05-04T13:30:00.000Z',
  'field.uuid': () => 'must be a UUID',
  'field.passphrase': () => 'must have ten letters at least: a few words are easier to keep than signs',
  'field.pin': () => 'must be four to eight digits',
  'field.event': () => 'must be the kind of an entry, such as done or note',
  'field.boolean': () => 'must be true or false',
  'field.choice': ({ choices }) =>
    choices.length > 8 ? `must be one of ${choices.join(' ')}` : `must be ${eitherOf(choices)}`,
  'field.exactly': ({ value }) => `must be "${value}"`,
  'field.version': ({ newest }) => `must be a version up to ${newest}: a newer program wrote this file`,
  'field.system': () => 'must be a paint system',
  'field.line-or-edge': () => 'must be the id of a line or an edge',
  'field.offset': ({ leastMm }, { length }) => `must be at least ${length(leastMm)} to either side`,
  'field.letters-needed': () => 'needs letters',
  'field.lettering': ({ most: many }) => `takes up to ${many} capitals, figures, spaces, points and hyphens`,
  'field.line-kind': () => 'must be a kind of line such as straight, arc, sweep or parallel',
  'field.file-text': () => 'needs the text of the file',
  'field.layer': () => 'needs the name of a layer',
  'field.place': () => 'needs [x, y] in mm',
  'field.place-in-space': () => 'needs [forward, left, up] in mm',
};

/** `a, b or c`. */
const eitherOf = (choices: readonly string[]): string =>
  choices.length < 2 ? choices.join('') : `${choices.slice(0, -1).join(', ')} or ${choices[choices.length - 1]}`;

const EXAMPLES = 'write it like 18, 18mm, 1.2 m, 3 1/2", 7/16 or 1\' 6"';

/** What is missing where nothing was typed, and what it is not where something was. */
const notOne = (text: string, what: string): string =>
  text.trim() === '' ? `${what} is missing` : `"${text}" is not ${what}`;

/** What was not understood of something typed. */
export const READING_WORDS: WordsOf<ReadingMessages> = {
  'typed.length-missing': () => `a length is missing: ${EXAMPLES}`,
  'typed.length-real': () => '"real" needs a job at scale; this one is full size',
  'typed.comma': ({ text, decimal, thousands }) => `"${text}": is it ${decimal} or ${thousands}? Type it so`,
  'typed.commas': ({ text }) => `"${text}" has more than one comma or point: type it with one point`,
  'typed.length': ({ text }) => `"${text}" is not a length: ${EXAMPLES}`,
  'typed.number-missing': () => 'a number is missing',
  'typed.number': ({ text }) => `"${text}" is not a number: write it like 12 or 0.5`,
  'typed.temperature': ({ text }) => `${notOne(text, 'a temperature')}: write it like 23, 23 °C or 73 °F`,
  'typed.humidity': ({ text }) => `${notOne(text, 'a humidity')}: write it in percent, like 50`,
  'typed.humidity-one': () => '1 could mean 1 % or all of it: write 1% or 100%',
  'typed.humidity-range': () => 'humidity lies above 0 % and at most at 100 %',
};

export const SURFACE_WORDS: WordsOf<SurfaceMessages> = {
  'outline.open': () => 'must end where the outline starts',
  'outline.no-length': () => 'ends where it starts',
  'outline.crosses-itself': () => 'the outline crosses itself',
  'outline.same-corner': () => 'is the same place as the corner before it',
  'outline.edges-cross': ({ edge, other }) => `the edge from corner ${edge} crosses the edge from corner ${other}`,
  'outline.too-small': () => 'the outline encloses next to nothing',
  'profile.negative': () => 'a radius cannot be below 0',
  'profile.same-pair': () => 'is the same place as the pair before it',
  'profile.passes-axis': () => 'the curve to here passes the axis',
  'profile.no-radius': () => 'a turned piece needs a radius somewhere',
  'panel.first-hangs': () => 'the first panel hangs on nothing',
  'panel.hangs-nowhere': () => 'hangs on no other panel',
  'panel.no-panel': ({ panel }) => `there is no panel "${panel}"`,
  'panel.further-up': () => 'must hang on a panel further up in the list',
  'panel.few-edges': ({ panel, edges }) => `"${panel}" has only ${edges} edges`,
  'panel.own-few-edges': ({ edges }) => `has only ${edges} edges`,
  'panel.edge-taken': () => 'that edge is taken by a fold',
  'panel.edge-long': ({ ownMm, otherMm }, { length }) =>
    `its edge is ${length(ownMm)} long, the one it hangs on only ${length(otherMm)}`,
  'panel.overlap': () => 'panels lie on each other when unfolded: hang one of them on another edge',
  'surface.cone-is-tube': () => 'both ends have the same diameter: make it a tube',
  'surface.too-far': ({ reachM, mostM }, { metres }) =>
    `laid flat it reaches ${metres(reachM * 1000)} from its origin: the most is ${metres(mostM * 1000)}`,
  'surface.used-twice': ({ id }) => `"${id}" is used twice`,
  'feature.no-length': () => 'starts and ends at the same place',
};

export const DESIGN_WORDS: WordsOf<DesignMessages> = {
  'design.too-large': ({ million }) =>
    `is more than one job can hold (${million} million letters in a job file): split it into several jobs`,
  'design.too-many-finishes': ({ count, max }) =>
    `names ${count} finishes: one job holds ${max}; plan what is left as another job`,
  'design.no-finish': ({ finish }) => `there is no finish "${finish}" on the shelf`,
  'design.attached-itself': () => 'a part cannot be attached to itself',
  'design.no-part': ({ part }) => `there is no part "${part}"`,
  'design.no-edge': ({ edge, edges }) => `there is no edge ${edge}: this part has ${edges}, counted from 0`,
  'design.rim-backwards': ({ edge }) => `what is said of edge ${edge + 1} ends before it begins`,
  'design.rim-twice': () => 'lies over another stretch of this edge: say once what is beyond each place',
  'design.rim-itself': () => 'a part cannot lie beyond its own edge',
  'design.no-datum': ({ datum }) => `there is no datum "${datum}" on this part`,
  'design.rim-corners': ({ most: many }) =>
    `is one too many: openings and zones of a part may have ${many} corners together, rounds as they are drawn`,
  'design.line-itself': () => 'a line cannot be made from itself',
  'design.no-other-part': ({ part }) => `there is no other part "${part}"`,
  'design.mirror-of-mirror': ({ part }) => `"${part}" is itself a mirror image: take the part it follows`,
  'design.used-twice': ({ id }) => `"${id}" is used twice`,
  'design.no-area': ({ alongMm, aboveMm, part }) => `${alongMm}, ${aboveMm} lies in no area of "${part}"`,
  'shelf.path-name': ({ name }) => `"${name}" is no name: choose one with a letter or a digit in it`,
  'shelf.letters': ({ most: many }) => `has more than ${many} letters in all: shorten its notes or those of its cards`,
  'file.not-json': ({ reason }) => `is not JSON: ${reason}`,
  'file.log-letters': ({ million }) => `has more than ${million} million letters in its notes`,
};

export const EDGE_WORDS: WordsOf<EdgeMessages> = {
  'edge.named': ({ name }) => name,
  'edge.numbered': ({ number, seen }) => `edge ${number}${seen === undefined ? '' : ` (${seen})`}`,
  'edge.near': () => 'near end',
  'edge.far': () => 'far end',
};
