/** How a film hardens: decides how its times grow with its thickness. */
export type Hardening = 'evaporating' | 'reacting' | 'oxidising';

export interface PaintSystem {
  readonly label: string;
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

const system = (label: string, hardening: Hardening, traits: Partial<Omit<PaintSystem, 'label' | 'hardening'>> = {}): PaintSystem => ({
  label,
  hardening,
  waterborne: false,
  fastBase: false,
  wetOnly: false,
  isocyanate: false,
  ...traits,
});

/** The systems of paint known to the shop, by key. */
export const PAINT_SYSTEMS = {
  'base-solvent': system('Solvent basecoat', 'evaporating', { fastBase: true }),
  'two-part': system('Two-part urethane gloss', 'reacting', { isocyanate: true }),
  'clear-two-part': system('Two-part clear', 'reacting', { isocyanate: true }),
  'base-water': system('Waterborne basecoat', 'evaporating', { waterborne: true, fastBase: true }),
  'can-lacquer': system('Spray-can acrylic lacquer', 'evaporating'),
  'can-enamel': system('Spray-can enamel', 'oxidising'),
  'brush-enamel': system('Brushing enamel', 'oxidising'),
  'air-acrylic': system('Airbrush acrylic', 'evaporating', { waterborne: true }),
  'air-lacquer': system('Airbrush lacquer', 'evaporating'),
  dope: system('Butyrate dope, pigmented', 'evaporating'),
  'fabric-urethane': system('Fabric urethane', 'reacting', { isocyanate: true }),
  antifouling: system('Boottop / antifouling, rolled', 'evaporating'),
  peelable: system('Peelable rubber', 'evaporating', { wetOnly: true }),
  'etch-primer': system('Etch primer, can', 'evaporating'),
  'filler-primer': system('Filler primer, two-part', 'reacting', { isocyanate: true }),
  varnish: system('Yacht varnish', 'oxidising'),
} as const satisfies Record<string, PaintSystem>;

export type PaintSystemKey = keyof typeof PAINT_SYSTEMS;

/** All system keys, in the order of the shelf. */
export const PAINT_SYSTEM_KEYS = Object.keys(PAINT_SYSTEMS) as PaintSystemKey[];
