import { LINE_KINDS, type LineKind } from '@lintrel/core';
import { phrase } from '@lintrel/words';

/** How a typed value of a line is read. */
type FieldAs =
  | 'length'
  | 'distance'
  | 'coordinate'
  | 'angle'
  | 'count'
  | 'ratio'
  | 'letters'
  | 'choice'
  | 'line'
  | 'lineOrEdge'
  | 'part'
  | 'partLine';

/** One value of a kind of line besides its places; its key is that of the job file. */
export interface KindField {
  readonly key: string;
  readonly label: string;
  readonly as: FieldAs;
  readonly hint?: string;
  /** What a new line opens with. */
  readonly start?: string;
  /** Left empty it stays out of the line. */
  readonly optional?: boolean;
  readonly options?: readonly { readonly value: string; readonly label: string }[];
}

/** Form of one kind of line. */
export interface KindForm {
  readonly about: string;
  /** Places by the keys of the job file; `many` for as many as one likes. */
  readonly places: readonly { readonly key: string; readonly label: string }[] | 'many' | 'arc';
  /** What the two numbers of a place are called. */
  readonly placeWords: readonly [string, string];
  /** True where its places are measured from a datum. */
  readonly datum: boolean;
  /** True where its ends may run on to the edge or stop at other lines. */
  readonly ends: boolean;
  readonly fields: readonly KindField[];
}

const fromTo = [
  { key: 'from', label: 'From' },
  { key: 'to', label: 'To' },
] as const;
const ALONG: KindForm['placeWords'] = ['along', 'above'];
const TURN: KindField = {
  key: 'turnDeg',
  label: 'Turned by',
  as: 'angle',
  start: '0',
  hint: 'To the left, from the datum',
};

/** Typed only to find another value by; the line does not keep it. */
export const WHOLE_LENGTH = 'wholeLength';

export const KIND_FORMS: Readonly<Record<LineKind, KindForm>> = {
  straight: {
    about: 'From one measured place to another.',
    places: fromTo,
    placeWords: ALONG,
    datum: true,
    ends: true,
    fields: [],
  },
  sweep: {
    about: 'A smooth curve through measured places.',
    places: 'many',
    placeWords: ALONG,
    datum: true,
    ends: true,
    fields: [
      { key: 'startDeg', label: 'Leaves at', as: 'angle', optional: true, hint: 'Left empty: as it likes' },
      { key: 'endDeg', label: 'Arrives at', as: 'angle', optional: true },
    ],
  },
  arc: {
    about: 'A piece of a circle through three places, or as near as it can to more.',
    places: 'arc',
    placeWords: ALONG,
    datum: true,
    ends: true,
    fields: [],
  },
  radius: {
    about: 'A piece of a circle that starts in a direction.',
    places: [{ key: 'from', label: 'From' }],
    placeWords: ALONG,
    datum: true,
    ends: true,
    fields: [
      {
        key: 'headingDeg',
        label: 'Starts towards',
        as: 'angle',
        start: '0',
        hint: '0: along the datum; 90: away from it',
      },
      { key: 'radius', label: 'Radius', as: 'length' },
      { key: 'turnDeg', label: 'Turns by', as: 'angle', hint: 'Above 0 to the left, below 0 to the right' },
    ],
  },
  ellipse: {
    about: 'A circle by its middle and diameter; with two diameters an ellipse.',
    places: [{ key: 'centre', label: 'Middle' }],
    placeWords: ALONG,
    datum: true,
    ends: false,
    fields: [
      { key: 'width', label: 'Diameter', as: 'length' },
      { key: 'height', label: 'Diameter across', as: 'length', hint: 'Left empty: a circle', optional: true },
      TURN,
    ],
  },
  frame: {
    about: 'A rectangle by its middle and size, its corners rounded or sharp.',
    places: [{ key: 'centre', label: 'Middle' }],
    placeWords: ALONG,
    datum: true,
    ends: false,
    fields: [
      { key: 'width', label: 'Width', as: 'length' },
      { key: 'height', label: 'Height', as: 'length' },
      { key: 'corner', label: 'Radius of its corners', as: 'length', start: '0', hint: '0: sharp' },
      TURN,
    ],
  },
  parallel: {
    about: 'At one distance from another line or an edge of the part.',
    places: [],
    placeWords: ALONG,
    datum: false,
    ends: true,
    fields: [
      { key: 'of', label: 'Follows', as: 'lineOrEdge' },
      { key: 'distance', label: 'At a distance of', as: 'length' },
      {
        key: 'side',
        label: 'On its',
        as: 'choice',
        start: 'right',
        options: [
          { value: 'left', label: 'upper or left side' },
          { value: 'right', label: 'lower or right side' },
        ],
      },
    ],
  },
  bands: {
    about: 'Several bands one after another; both edges of each are lines.',
    places: [{ key: 'from', label: 'Measured from' }],
    placeWords: ALONG,
    datum: true,
    ends: false,
    fields: [
      { key: 'headingDeg', label: 'Follow each other towards', as: 'angle', start: '0' },
      { key: 'count', label: 'How many', as: 'count', start: '3' },
      { key: 'width', label: 'Width of a band', as: 'length' },
      { key: 'gap', label: 'Gap', as: 'distance' },
      { key: 'margin', label: 'Bare at each end', as: 'distance', start: '0' },
      {
        key: WHOLE_LENGTH,
        label: 'Over a length of',
        as: 'length',
        optional: true,
        hint: 'With it, write ? for the one to be found',
      },
      { key: 'slantDeg', label: 'Slanted by', as: 'angle', start: '0' },
      { key: 'taper', label: 'Last is so many times the first', as: 'ratio', start: '1' },
    ],
  },
  ring: {
    about: 'Once round a tube, a cone or a turned part.',
    places: [],
    placeWords: ALONG,
    datum: false,
    ends: false,
    fields: [{ key: 'at', label: 'Along the axis, from the near end', as: 'coordinate' }],
  },
  cut: {
    about:
      'Where a plane meets the part: a waterline, or a line that is straight from where one stands. Measured on the whole piece.',
    places: fromTo,
    placeWords: ['across', 'up'],
    datum: false,
    ends: false,
    fields: [
      {
        key: 'view',
        label: 'Straight as seen from',
        as: 'choice',
        start: 'side',
        options: [
          { value: 'side', label: 'the side' },
          { value: 'top', label: 'above' },
          { value: 'end', label: 'the front' },
        ],
      },
      {
        key: 'half',
        label: 'On',
        as: 'choice',
        start: 'both',
        options: [
          { value: 'both', label: 'both sides' },
          { value: 'near', label: 'the side one sees' },
          { value: 'far', label: 'the far side' },
        ],
      },
    ],
  },
  continuation: {
    about: 'Goes on across a gap with a line of another part.',
    places: [],
    placeWords: ALONG,
    datum: false,
    ends: true,
    fields: [
      { key: 'of', label: 'Goes on from', as: 'partLine' },
      {
        key: 'end',
        label: 'From its',
        as: 'choice',
        start: 'end',
        options: [
          { value: 'end', label: 'end' },
          { value: 'start', label: 'start' },
        ],
      },
      {
        key: 'mode',
        label: 'So that it looks',
        as: 'choice',
        start: 'side',
        options: [
          { value: 'side', label: 'straight from the side' },
          { value: 'top', label: 'straight from above' },
          { value: 'level', label: 'level' },
        ],
      },
    ],
  },
  mirror: {
    about: 'Another line, reflected about a datum.',
    places: [],
    placeWords: ALONG,
    datum: true,
    ends: true,
    fields: [{ key: 'of', label: 'Mirrors', as: 'line' }],
  },
  fillet: {
    about: 'Rounds the corner between two lines and cuts off what is beyond.',
    places: [],
    placeWords: ALONG,
    datum: false,
    ends: false,
    fields: [
      { key: 'a', label: 'One line', as: 'line' },
      {
        key: 'keepA',
        label: 'Of it stays',
        as: 'choice',
        start: 'start',
        options: [
          { value: 'start', label: 'its start' },
          { value: 'end', label: 'its end' },
        ],
      },
      { key: 'b', label: 'Other line', as: 'line' },
      {
        key: 'keepB',
        label: 'Of the other stays',
        as: 'choice',
        start: 'end',
        options: [
          { value: 'start', label: 'its start' },
          { value: 'end', label: 'its end' },
        ],
      },
      { key: 'radius', label: 'Radius', as: 'length' },
    ],
  },
  rays: {
    about: 'Straight lines that fan out from one place.',
    places: [{ key: 'from', label: 'Middle of the fan' }],
    placeWords: ALONG,
    datum: true,
    ends: true,
    fields: [
      { key: 'count', label: 'How many', as: 'count', start: '5' },
      { key: 'firstDeg', label: 'First towards', as: 'angle', start: '0' },
      { key: 'stepDeg', label: 'From one to the next', as: 'angle', start: '15' },
      { key: 'clear', label: 'Bare round the middle', as: 'distance', start: '0' },
      { key: 'length', label: 'Length of a ray', as: 'length' },
    ],
  },
  wave: {
    about: 'Waves or scallops along a straight base; the pitch is adjusted until whole ones fill it.',
    places: fromTo,
    placeWords: ALONG,
    datum: true,
    ends: true,
    fields: [
      {
        key: 'shape',
        label: 'Shape',
        as: 'choice',
        start: 'wave',
        options: [
          { value: 'wave', label: 'Wave' },
          { value: 'scallop', label: 'Scallop' },
        ],
      },
      { key: 'pitch', label: 'Pitch', as: 'length' },
      { key: 'height', label: 'Height', as: 'length' },
    ],
  },
  text: {
    about: 'Outlines of letters, for marks cut from film.',
    places: [{ key: 'at', label: 'Lower left' }],
    placeWords: ALONG,
    datum: true,
    ends: false,
    fields: [
      { key: 'text', label: 'Letters', as: 'letters', hint: 'Capitals, figures, spaces, points and hyphens' },
      { key: 'height', label: 'Height', as: 'length' },
      { key: 'stroke', label: 'Width of a stroke', as: 'length', hint: 'Usually a sixth of the height' },
      { key: 'spacing', label: 'Room between letters', as: 'distance', start: '0' },
      { key: 'slantDeg', label: 'Leaning by', as: 'angle', start: '0' },
      TURN,
    ],
  },
  imported: {
    about: 'Taken from a drawing; measured from a datum as a whole.',
    places: [],
    placeWords: ALONG,
    datum: true,
    ends: true,
    fields: [],
  },
};

/** Kinds a new line can be made as; imported ones come from a file. */
export const KINDS_OFFERED = LINE_KINDS.filter((kind) => kind !== 'imported');

/** How many places a kind takes, least and most. */
export function placesNeeded(kind: LineKind): { readonly least: number; readonly most: number } {
  const { places } = KIND_FORMS[kind];
  if (places === 'many') return { least: 2, most: 200 };
  if (places === 'arc') return { least: 3, most: 50 };
  return { least: places.length, most: places.length };
}

/** What a place of a kind is called. */
export function placeName(kind: LineKind, index: number, count: number): string {
  const { places } = KIND_FORMS[kind];
  if (places === 'many') return phrase`Point ${index + 1}`;
  if (places === 'arc')
    return index === 0 ? 'From' : index === count - 1 ? 'To' : count > 3 ? phrase`Through ${index}` : 'Through';
  return places[index]?.label ?? '';
}
