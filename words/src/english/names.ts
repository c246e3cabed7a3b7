import type {
  ClosingWay,
  EdgeContextKind,
  FeatureKind,
  GapWay,
  Hold,
  JobKind,
  LineKind,
  OpeningUse,
  PaintSystemKey,
  PullTiming,
  Substrate,
  SupplyKind,
  SurfaceKind,
  TapeKind,
  WorkSort,
} from '@lintrel/core';

// What the kinds are called. On screen they are sentences of the interface, which a language looks up.

/** What is refinished. */
export const JOB_NAMES: Readonly<Record<JobKind, string>> = {
  road: 'Road vehicle',
  boat: 'Boat',
  aircraft: 'Aircraft',
  model: 'Scale model',
  other: 'Other',
};

/** What a part is made of. */
export const SUBSTRATE_NAMES: Readonly<Record<Substrate, string>> = {
  steel: 'Steel',
  aluminium: 'Aluminium',
  gelcoat: 'Glass-fibre gelcoat',
  carbon: 'Carbon/epoxy',
  wood: 'Wood',
  'varnished-wood': 'Varnished wood',
  fabric: 'Fabric and dope',
  styrene: 'Styrene',
  resin: 'Resin',
  print: '3-D print',
  melamine: 'Melamine',
  other: 'Other',
};

/** Systems of paint. */
export const SYSTEM_NAMES: Readonly<Record<PaintSystemKey, string>> = {
  'base-solvent': 'Solvent basecoat',
  'two-part': 'Two-part urethane gloss',
  'clear-two-part': 'Two-part clear',
  'base-water': 'Waterborne basecoat',
  'can-lacquer': 'Spray-can acrylic lacquer',
  'can-enamel': 'Spray-can enamel',
  'brush-enamel': 'Brushing enamel',
  'air-acrylic': 'Airbrush acrylic',
  'air-lacquer': 'Airbrush lacquer',
  dope: 'Butyrate dope, pigmented',
  'fabric-urethane': 'Fabric urethane',
  boottop: 'Boot-top enamel, rolled',
  antifouling: 'Antifouling, rolled',
  peelable: 'Peelable rubber',
  'etch-primer': 'Etch primer, can',
  'filler-primer': 'Filler primer, two-part',
  varnish: 'Yacht varnish',
};

/** Kinds of surface. */
export const SURFACE_NAMES: Readonly<Record<SurfaceKind, string>> = {
  flat: 'Flat',
  tube: 'Tube',
  cone: 'Cone',
  turned: 'Turned',
  folded: 'Folded',
};

/** What a tape meets on a surface. */
export const FEATURE_NAMES: Readonly<Record<FeatureKind, string>> = {
  opening: 'Opening',
  'raised-row': 'Raised row',
  crease: 'Crease',
  texture: 'Texture',
  'no-touch': 'No-touch zone',
  'fresh-paint': 'Fresh-paint zone',
};

/** What an opening is. */
export const OPENING_NAMES: Readonly<Record<OpeningUse, string>> = {
  hole: 'Hole',
  window: 'Window',
  gap: 'Gap',
  jamb: 'Jamb',
  port: 'Port',
  box: 'Box or locker',
  recess: 'Deep recess',
  strip: 'Moulding or trim that stays on',
  post: 'Post or aerial',
  lug: 'Something that sticks out',
};

/** What an opening is closed with. */
export const CLOSING_WAY_NAMES: Readonly<Record<ClosingWay, string>> = {
  foam: 'Foam strip',
  tape: 'Tape cut to its size',
  disc: 'A disc',
  film: 'Film on edge tape',
  box: 'Base tape, lip, film and cap tape',
  sheet: 'Card cut to its size',
  putty: 'Masking putty',
  bag: 'A bag',
  pieces: 'Small pieces of tape',
  'back-mask': 'Tape behind its edge',
  inside: 'From behind',
  nothing: 'Left open',
};

/** How a gap is masked. */
export const GAP_WAY_NAMES: Readonly<Record<GapWay, string>> = {
  foam: 'Foam strip in it',
  'back-mask': 'Tape behind the edge, sticky side out',
  tape: 'Tape on what is beyond',
};

/** What lies beyond an edge of a part, and what that means to the hand. */
export const EDGE_CONTEXT_NAMES: Readonly<Record<EdgeContextKind, string>> = {
  free: 'Nothing',
  butt: 'A neighbour, flush',
  gap: 'A gap',
  'goes-on': 'The surface goes on',
  body: 'Something that stays clean',
  shut: 'It is shut on paper',
  splash: 'Only drips get there',
};
export const EDGE_CONTEXT_MEANINGS: Readonly<Record<EdgeContextKind, string>> = {
  free: 'Off the vehicle, on a stand: tape and film may go round the edge.',
  butt: 'Less than 1.5 mm away: tape is tucked into the crack.',
  gap: 'A shut line or door gap: foam one size over it, or tape inside the flange.',
  'goes-on': 'On another part of this job: taped along the edge, or painted with it.',
  body: 'The rest of the vehicle, the deck, a wall: covered as far as mist flies.',
  shut: 'A door or lid is shut on paper that is laid into the gap; no tape.',
  splash: 'Below roller or brush: paper hung under the edge.',
};

/** Kinds of line. */
export const LINE_NAMES: Readonly<Record<LineKind, string>> = {
  straight: 'Straight',
  sweep: 'Sweep',
  arc: 'Arc',
  radius: 'Arc by radius',
  ellipse: 'Circle, ellipse',
  frame: 'Rectangle',
  parallel: 'Parallel',
  bands: 'Bands',
  ring: 'Ring',
  cut: 'Plane cut',
  continuation: 'Continuation',
  mirror: 'Mirror',
  fillet: 'Rounded corner',
  rays: 'Rays',
  wave: 'Wave, scallop',
  text: 'Letters',
  imported: 'Imported',
};

/** Kinds of tape. */
export const TAPE_NAMES: Readonly<Record<TapeKind, string>> = {
  V: 'Fine line, soft vinyl',
  F: 'Fine line, stiff film',
  W: 'Smooth washi',
  M: 'Flexible model vinyl',
  P: "Painter's crepe, gentle",
  C: 'Refinish crepe, high tack',
  G: 'General crepe',
  X: 'Flexible wheel crepe',
  T: 'Transfer film',
};

export const SUPPLY_NAMES: Readonly<Record<SupplyKind, string>> = {
  paper: 'Paper',
  film: 'Film',
  card: 'Card',
  bag: 'Bags',
  foam: 'Foam strip',
  putty: 'Putty',
  'liquid-mask': 'Liquid mask',
};
export const SUPPLY_UNIT_NAMES: Readonly<Record<'m2' | 'm' | 'ml' | 'pieces', string>> = {
  m2: 'm²',
  m: 'm',
  ml: 'ml',
  pieces: 'pieces',
};

/** Whether a tape may lie on what is below it. */
export const HOLD_NAMES: Readonly<Record<Hold, string>> = { safe: 'safe', test: 'test pull first', no: 'lifts paint' };

/** Sorts of work with a speed of their own. */
export const SORT_NAMES: Readonly<Record<WorkSort, string>> = {
  wash: 'Washing',
  abrade: 'Abrading, scuffing',
  'lay-straight': 'Straight tape',
  'lay-curve': 'Tape round bends',
  'lay-rim': 'Rims and edges',
  plug: 'Openings and plugs',
  cover: 'Paper and film',
  seal: 'Sealing edges',
  gate: 'The check before colour',
  mix: 'Making paint ready',
  coat: 'Coats',
  gun: 'Cleaning the gun',
  pull: 'Pulling tape',
  uncover: 'Taking cover off',
  inspect: 'Looking it over',
};

/** When tape is pulled. */
export const SCHOOLS: Readonly<Record<PullTiming, string>> = { wet: 'wet', touch: 'touch-dry', dry: 'dry' };
