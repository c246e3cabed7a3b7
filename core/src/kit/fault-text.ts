import type { Message, NoValues } from './message';

/** Names of lists as they appear in a job file. */
export type ListName =
  | 'areas'
  | 'cards'
  | 'cells'
  | 'corners'
  | 'datums'
  | 'edges'
  | 'events'
  | 'features'
  | 'finishes'
  | 'layers'
  | 'lengths'
  | 'lines'
  | 'measured-points'
  | 'measured-steps'
  | 'mixing-parts'
  | 'days'
  | 'days-off'
  | 'shop-people'
  | 'forecast'
  | 'pairs'
  | 'panels'
  | 'parts'
  | 'paths'
  | 'pieces'
  | 'openings'
  | 'plans'
  | 'supplies'
  | 'pins'
  | 'places'
  | 'profile-pairs'
  | 'recoat-windows'
  | 'rows'
  | 'schemes'
  | 'tapes'
  | 'things';

interface Bounds {
  readonly least: number;
  readonly most: number;
  readonly unit: string;
}

/** What is wrong with a value, whatever it is a value of. */
export interface FieldMessages {
  readonly 'field.unknown': NoValues;
  readonly 'field.missing': NoValues;
  /** A fault of a kind no schema of ours has words for. */
  readonly 'field.other': { readonly message: string };
  readonly 'field.list': { readonly what: ListName };
  readonly 'field.list-most': { readonly what: ListName; readonly most: number };
  readonly 'field.list-least': { readonly what: ListName; readonly least: number };
  readonly 'field.number': Bounds;
  readonly 'field.between': Bounds;
  readonly 'field.number-above': Omit<Bounds, 'least'>;
  readonly 'field.above': Omit<Bounds, 'least'>;
  readonly 'field.whole-number': Omit<Bounds, 'unit'>;
  readonly 'field.whole': Omit<Bounds, 'unit'>;
  readonly 'field.name': NoValues;
  readonly 'field.letters': { readonly most: number };
  readonly 'field.one-line': NoValues;
  readonly 'field.text': NoValues;
  readonly 'field.controls': NoValues;
  readonly 'field.id-needed': NoValues;
  readonly 'field.id': NoValues;
  readonly 'field.step': NoValues;
  readonly 'field.colour-needed': NoValues;
  readonly 'field.colour': NoValues;
  readonly 'field.time-needed': NoValues;
  readonly 'field.time': NoValues;
  readonly 'field.uuid': NoValues;
  readonly 'field.event': NoValues;
  readonly 'field.passphrase': NoValues;
  readonly 'field.pin': NoValues;
  readonly 'field.boolean': NoValues;
  readonly 'field.choice': { readonly choices: readonly string[] };
  readonly 'field.exactly': { readonly value: string };
  readonly 'field.version': { readonly newest: number };
  readonly 'field.system': NoValues;
  readonly 'field.line-or-edge': NoValues;
  readonly 'field.offset': { readonly leastMm: number };
  readonly 'field.letters-needed': NoValues;
  readonly 'field.lettering': { readonly most: number };
  readonly 'field.line-kind': NoValues;
  readonly 'field.file-text': NoValues;
  readonly 'field.layer': NoValues;
  readonly 'field.place': NoValues;
  readonly 'field.place-in-space': NoValues;
}
/** A fault as the message text of a schema: a code and its values, parsed by `parseFaultText`. */
export const faultText = ({ code, values }: Message): string => `${code} ${JSON.stringify(values)}`;

/** Reads the message of a fault of a schema. */
export function parseFaultText(message: string): Message {
  const [, code, values] = /^([a-z]+\.[a-z-]+) (\{.*\})$/s.exec(message) ?? [];
  return code && values
    ? { code, values: JSON.parse(values) as Message['values'] }
    : { code: 'field.other', values: { message } };
}
