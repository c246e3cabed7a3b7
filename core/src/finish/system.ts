/** How a film hardens: decides how its times grow with its thickness. */
export type Hardening = 'evaporating' | 'reacting' | 'oxidising';

export interface PaintSystem {
  readonly hardening: Hardening;
  /** Water leaves slowly in damp air. */
  readonly waterborne: boolean;
  /** A base that is cleared over: its tape may stay until the tape's own limit. */
  readonly fastBase: boolean;
  /** May only be pulled wet: dry, it tears with the tape. */
  readonly wetOnly: boolean;
  /** Hardener may hold isocyanates: supplied air and full cover. */
  readonly isocyanate: boolean;
}

const system = (hardening: Hardening, traits: Partial<Omit<PaintSystem, 'hardening'>> = {}): PaintSystem => ({
  hardening,
  waterborne: false,
  fastBase: false,
  wetOnly: false,
  isocyanate: false,
  ...traits,
});

/** The systems of paint known to the shop, by key. */
export const PAINT_SYSTEMS = {
  'base-solvent': system('evaporating', { fastBase: true }),
  'two-part': system('reacting', { isocyanate: true }),
  'clear-two-part': system('reacting', { isocyanate: true }),
  'base-water': system('evaporating', { waterborne: true, fastBase: true }),
  'can-lacquer': system('evaporating'),
  'can-enamel': system('oxidising'),
  'brush-enamel': system('oxidising'),
  'air-acrylic': system('evaporating', { waterborne: true }),
  'air-lacquer': system('evaporating'),
  dope: system('evaporating'),
  'fabric-urethane': system('reacting', { isocyanate: true }),
  boottop: system('oxidising'),
  antifouling: system('evaporating'),
  peelable: system('evaporating', { wetOnly: true }),
  'etch-primer': system('evaporating'),
  'filler-primer': system('reacting', { isocyanate: true }),
  varnish: system('oxidising'),
} as const satisfies Record<string, PaintSystem>;

export type PaintSystemKey = keyof typeof PAINT_SYSTEMS;

/** All system keys, in the order of the shelf. */
export const PAINT_SYSTEM_KEYS = Object.keys(PAINT_SYSTEMS) as PaintSystemKey[];
