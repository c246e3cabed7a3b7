import { MD3LightTheme, type MD3Theme } from 'react-native-paper';

/** Colours of the workshop drawing: paper, ink, one accent for "act now". Paint alone brings other colours. */
export const colour = {
  ground: '#F3F0E9',
  sheet: '#FBFAF6',
  ink: '#1D2A2D',
  quiet: '#55625F',
  hairline: '#CFC8BA',
  accent: '#A63D12',
  calm: '#1E6068',
  caution: '#7A5200',
  onDark: '#FBFAF6',
} as const;

/** How the run sheet is lit. */
export interface Shade {
  readonly ground: string;
  readonly sheet: string;
  readonly ink: string;
  readonly quiet: string;
  readonly hairline: string;
  readonly accent: string;
  readonly onAccent: string;
  readonly calm: string;
  readonly onCalm: string;
}

/** The booth: dark, for the run sheet. */
const booth: Shade = {
  ground: '#0F1415',
  sheet: '#182022',
  ink: '#EAE4D8',
  quiet: '#A9B0AA',
  hairline: '#364043',
  accent: '#FF9D6E',
  onAccent: '#0F1415',
  calm: '#1E6068',
  onCalm: '#EAE4D8',
};

/** The same in a bright workshop. */
const daylight: Shade = {
  ground: colour.sheet,
  sheet: colour.ground,
  ink: colour.ink,
  quiet: colour.quiet,
  hairline: colour.hairline,
  accent: colour.accent,
  onAccent: colour.onDark,
  calm: colour.calm,
  onCalm: colour.onDark,
};

export const shades = { booth, daylight } as const;
export type ShadeName = keyof typeof shades;

/** Steps of space, in dp. */
export const space = { hair: 2, tight: 4, small: 8, middle: 12, base: 16, wide: 24, huge: 32 } as const;

/** The few sizes of type. */
export const size = { small: 13, base: 15, large: 18, title: 24, figure: 40, countdown: 72 } as const;

/** Smallest targets, and other fixed measures, in dp. */
export const measure = {
  target: 48,
  runTarget: 64,
  corner: 6,
  hairline: 1,
  progress: 4,
  rail: 208,
  panel: 420,
  readable: 640,
  wideFrom: 1000,
  /** Below this height drawing and list stand side by side. */
  lowBelow: 500,
  lowRail: 76,
  swatch: 28,
  header: 56,
  magnifier: 120,
  photo: 96,
  photoLarge: 420,
  picture: 190,
  pictureWide: 300,
  column: 88,
  magnified: 3,
  thumb: 96,
  thumbHigh: 56,
  option: 268,
  section: 230,
  compare: 158,
  compareHigh: 96,
  /** Least width of a typed value, what its label leaves free at the sides, and a letter of the label: no label is cut. */
  typed: 130,
  labelSides: 34,
  letter: 8,
} as const;

export const font = {
  label: 'BarlowSemiCondensed_500Medium',
  heading: 'BarlowSemiCondensed_600SemiBold',
  body: 'Barlow_400Regular',
} as const;

const variants = Object.fromEntries(
  Object.entries(MD3LightTheme.fonts).map(([name, variant]) => [
    name,
    { ...variant, fontFamily: /body|default/.test(name) ? font.body : font.label, letterSpacing: 0 },
  ]),
) as unknown as MD3Theme['fonts'];

/** The same look for the components of the library. */
export const paperTheme: MD3Theme = {
  ...MD3LightTheme,
  roundness: measure.corner / 4,
  fonts: variants,
  colors: {
    ...MD3LightTheme.colors,
    primary: colour.calm,
    onPrimary: colour.onDark,
    primaryContainer: colour.ground,
    onPrimaryContainer: colour.ink,
    secondaryContainer: colour.ground,
    background: colour.sheet,
    surface: colour.sheet,
    surfaceVariant: colour.sheet,
    onSurface: colour.ink,
    onSurfaceVariant: colour.quiet,
    outline: colour.quiet,
    outlineVariant: colour.hairline,
    error: colour.accent,
    onError: colour.onDark,
    inverseSurface: colour.ink,
    inverseOnSurface: colour.ground,
    inversePrimary: shades.booth.accent,
    elevation: {
      level0: 'transparent',
      level1: colour.sheet,
      level2: colour.sheet,
      level3: colour.sheet,
      level4: colour.sheet,
      level5: colour.sheet,
    },
  },
};
