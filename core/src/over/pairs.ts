import type { PaintSystemKey } from '../finish';
import type { CompatibilityMessages } from './messages';

type Reason = keyof CompatibilityMessages;

/** How the age of the lower film decides for a pair. */
export type PairRule =
  /** In the recoat windows of the lower film; past them, and where `keyed` once it has cured, on a keyed surface. */
  | { readonly kind: 'windows'; readonly keyed: Reason | null }
  /**
   * From the moment the lower film is dry enough for a next coat, at any age; `glossy`: from the moment it is hard
   * enough to be scuffed first.
   */
  | { readonly kind: 'dry'; readonly glossy: boolean; readonly reason: Reason }
  /** Not before the lower film has cured. */
  | {
      readonly kind: 'cured';
      readonly then: 'yes' | 'abrade' | 'barrier';
      readonly young: Reason;
      readonly reason: Reason;
    }
  | { readonly kind: 'barrier'; readonly reason: Reason }
  | { readonly kind: 'no'; readonly reason: Reason };

const TOP_ENAMELS: readonly PaintSystemKey[] = ['can-enamel', 'brush-enamel', 'boottop'];
const OXIDISING: readonly PaintSystemKey[] = [...TOP_ENAMELS, 'varnish'];
const CAN_AND_AIR_LACQUER: readonly PaintSystemKey[] = ['can-lacquer', 'air-lacquer'];
const HOT: readonly PaintSystemKey[] = [...CAN_AND_AIR_LACQUER, 'base-solvent'];
const BASES: readonly PaintSystemKey[] = ['base-solvent', 'base-water'];
const ACRYLIC: readonly PaintSystemKey[] = ['air-acrylic', 'base-water'];
const GLOSSY_TWO_PART: readonly PaintSystemKey[] = ['two-part', 'clear-two-part', 'fabric-urethane'];
const REACTING: readonly PaintSystemKey[] = [...GLOSSY_TWO_PART, 'filler-primer'];

const windows = (keyed: Reason | null = null): PairRule => ({ kind: 'windows', keyed });
const dry = (reason: Reason): PairRule => ({ kind: 'dry', glossy: false, reason });
const scuffed: PairRule = { kind: 'dry', glossy: true, reason: 'over.glossy' };
const cured = (then: 'yes' | 'abrade' | 'barrier', young: Reason, reason: Reason): PairRule => ({
  kind: 'cured',
  then,
  young,
  reason,
});
const barrier = (reason: Reason): PairRule => ({ kind: 'barrier', reason });
const no = (reason: Reason): PairRule => ({ kind: 'no', reason });

type Line = readonly [
  lower: readonly PaintSystemKey[] | 'any',
  upper: readonly PaintSystemKey[] | 'any',
  rule: PairRule,
];

/**
 * The first line that names the pair decides. Source: the trade's over-rules, rules of thumb: the data sheet decides.
 */
const TABLE: readonly Line[] = [
  // Antifouling is made to shed.
  [['antifouling'], ['antifouling'], windows()],
  [['antifouling'], 'any', no('over.sheds')],
  // Peelable rubber comes off again, with everything on it. The surface below is cleaned, never abraded.
  [['peelable'], ['peelable'], windows()],
  [['peelable'], 'any', no('over.peels-off')],
  [[...BASES, 'etch-primer', 'filler-primer'], ['peelable'], barrier('over.peelable-grips')],
  ['any', ['peelable'], cured('yes', 'over.peelable-young', 'over.peelable-clean')],
  // Dope.
  [['dope'], ['dope'], dry('over.dope-bites')],
  [[...OXIDISING, ...REACTING], ['dope'], no('over.dope-lifts')],
  [HOT, ['dope'], barrier('over.dope-on-lacquer')],
  [['dope'], ['two-part', 'clear-two-part', 'filler-primer'], no('over.brittle')],
  // Hot solvents.
  [OXIDISING, HOT, cured('abrade', 'over.hot-young', 'over.hot-cured')],
  [ACRYLIC, HOT, barrier('over.lacquer-bites')],
  [HOT, HOT, windows()],
  [GLOSSY_TWO_PART, HOT, scuffed],
  [['filler-primer'], HOT, windows('over.cured')],
  [['etch-primer'], HOT, windows()],
  // Two-part, its clear, filler and fabric urethane.
  [REACTING, REACTING, windows('over.cured-two-part')],
  [BASES, ['two-part', 'clear-two-part'], windows()],
  [['etch-primer'], REACTING, windows('over.cured-two-part')],
  [
    [...OXIDISING, ...CAN_AND_AIR_LACQUER, 'air-acrylic'],
    REACTING,
    cured('barrier', 'over.two-part-young', 'over.two-part-bites'),
  ],
  // Enamels: in their windows over themselves, never in the gap; over what is dry, scuffed where it shines.
  [OXIDISING, TOP_ENAMELS, windows('over.cured')],
  [['can-lacquer'], TOP_ENAMELS, scuffed],
  [['air-lacquer', 'base-solvent', ...ACRYLIC], TOP_ENAMELS, dry('over.enamel-dry')],
  [['etch-primer'], TOP_ENAMELS, windows()],
  [['filler-primer'], TOP_ENAMELS, windows('over.cured')],
  [GLOSSY_TWO_PART, TOP_ENAMELS, scuffed],
  // Airbrush acrylic and waterborne basecoat.
  [
    ['etch-primer', 'filler-primer', 'air-lacquer', 'base-solvent', ...ACRYLIC],
    ['air-acrylic'],
    dry('over.acrylic-holds'),
  ],
  [['can-lacquer', ...GLOSSY_TWO_PART], ['air-acrylic', 'base-water'], scuffed],
  [OXIDISING, ['air-acrylic'], cured('abrade', 'over.young', 'over.water-keyed')],
  [[...BASES, 'etch-primer'], ['base-water'], windows()],
  [['filler-primer'], ['base-water'], windows('over.water-keyed')],
  [[...OXIDISING, 'air-lacquer', 'air-acrylic'], ['base-water'], cured('abrade', 'over.young', 'over.water-keyed')],
  // Etch primer bites bare metal, and only that.
  [['etch-primer'], ['etch-primer'], windows()],
  ['any', ['etch-primer'], no('over.etch-metal')],
  // Varnish.
  [['varnish'], ['varnish'], windows('over.cured')],
  [
    [...TOP_ENAMELS, ...REACTING, ...CAN_AND_AIR_LACQUER, 'air-acrylic'],
    ['varnish'],
    cured('abrade', 'over.young', 'over.cured'),
  ],
  // Antifouling goes on films that resist its solvents.
  [REACTING, ['antifouling'], windows('over.cured')],
];

const NOT_CONSIDERED = barrier('over.not-known');

/**
 * The rule of a pair of systems.
 * @returns a barrier coat, "not known to agree", for a pair no line names; never a yes
 */
export function pairRule(lower: PaintSystemKey, upper: PaintSystemKey): PairRule {
  const names = (side: readonly PaintSystemKey[] | 'any', system: PaintSystemKey) =>
    side === 'any' || side.includes(system);
  return TABLE.find(([below, above]) => names(below, lower) && names(above, upper))?.[2] ?? NOT_CONSIDERED;
}
