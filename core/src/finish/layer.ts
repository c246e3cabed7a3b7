import {
  converter,
  differenceCiede2000,
  formatHex,
  type Lab65,
  modeLab65,
  modeLrgb,
  modeRgb,
  modeXyz65,
  useMode,
} from 'culori/fn';
import { bisect, TOLERANCE } from '../kit';

useMode(modeRgb);
useMode(modeXyz65);
useMode(modeLab65);
const toLinear = useMode(modeLrgb);
const toLab = converter('lab65');
const ciede2000 = differenceCiede2000();

/** Linear-light reflectance of red, green and blue, 0.005 … 0.995. */
export type Reflectance = readonly [number, number, number];

const DARKEST = 0.005;
const LIGHTEST = 0.995;

/** Luminance weights of linear sRGB (IEC 61966-2-1). */
const LUMINANCE: Reflectance = [0.2126, 0.7152, 0.0722];

/** Hiding cards: reflectance of the black half and of the white half. */
const CARD_BLACK = 0.005;
const CARD_WHITE = 0.8;
/** A card is hidden when the black half is at least this fraction as bright as the white half. */
const CARD_CONTRAST = 0.98;

/**
 * Reflectance of a displayed colour.
 * @param hex `#rrggbb`
 * @returns linear light per channel, clipped so that the layer formula stays finite
 */
export function reflectanceOf(hex: string): Reflectance {
  const linear = toLinear(hex);
  if (!linear) throw new RangeError(`not a colour: ${hex}`);
  return [clip(linear.r), clip(linear.g), clip(linear.b)];
}

/**
 * Reflectance of a paint film over a ground.
 * @param masstone reflectance of the paint where nothing shows through
 * @param scatterPerUm scattering S, per µm
 * @param filmUm dry film, µm; 0 returns the ground
 * @param ground reflectance of what lies below
 * Source: Kubelka–Munk, hyperbolic form.
 */
export function reflectanceOfLayer(
  masstone: Reflectance,
  scatterPerUm: number,
  filmUm: number,
  ground: Reflectance,
): Reflectance {
  if (filmUm <= 0) return ground;
  const channel = (index: number) => layerChannel(masstone[index]!, scatterPerUm * filmUm, ground[index]!);
  return [channel(0), channel(1), channel(2)];
}

/**
 * Scattering of a paint, from the dry film that hides a black-and-white card.
 * @param masstone reflectance of the paint
 * @param hidingUm dry film that hides the card, µm, above 0
 * @returns S per µm, the same in all channels
 */
export function scatterFromHiding(masstone: Reflectance, hidingUm: number): number {
  const contrast = (scatter: number) =>
    luminance(reflectanceOfLayer(masstone, scatter, hidingUm, grey(CARD_BLACK))) /
    luminance(reflectanceOfLayer(masstone, scatter, hidingUm, grey(CARD_WHITE)));
  let high = 1 / hidingUm;
  while (contrast(high) < CARD_CONTRAST && high < 1e9 / hidingUm) high *= 2;
  return bisect(0, high, 100, (scatter) => contrast(scatter) < CARD_CONTRAST);
}

/** Colour difference ΔE00 (CIEDE2000, D65) of two reflectances. */
export const colourDifference = (first: Reflectance, second: Reflectance): number =>
  ciede2000(labOf(first), labOf(second));

/** A reflectance as a displayed colour, `#rrggbb`. */
export const hexOf = ([r, g, b]: Reflectance): string => formatHex({ mode: 'lrgb', r, g, b });

/**
 * A measured colour as displayed: CIE L*a*b* under D65.
 * @param l lightness, 0 … 100
 * @returns `#rrggbb`, and whether a screen can show it; where it cannot, the nearest by clipping
 */
export function hexFromLab({ l, a, b }: { readonly l: number; readonly a: number; readonly b: number }): {
  readonly hex: string;
  readonly shown: boolean;
} {
  const linear = toLinear({ mode: 'lab65', l, a, b });
  const inside = [linear.r, linear.g, linear.b].every(
    (value) => value >= -TOLERANCE.colour && value <= 1 + TOLERANCE.colour,
  );
  return {
    hex: formatHex({ mode: 'lrgb', r: unitOf(linear.r), g: unitOf(linear.g), b: unitOf(linear.b) }),
    shown: inside,
  };
}

const unitOf = (value: number): number => Math.min(1, Math.max(0, value));

/** Colour difference ΔE00 of two measured colours, L*a*b* under D65. */
export const labDifference = (first: Omit<Lab65, 'mode'>, second: Omit<Lab65, 'mode'>): number =>
  ciede2000({ mode: 'lab65', ...first }, { mode: 'lab65', ...second });

function labOf([r, g, b]: Reflectance): Lab65 {
  return toLab({ mode: 'lrgb', r, g, b });
}

function layerChannel(masstone: number, power: number, ground: number): number {
  const a = (1 / masstone + masstone) / 2;
  const b = (1 / masstone - masstone) / 2;
  const bCoth = b / Math.tanh(b * power);
  return (1 - ground * (a - bCoth)) / (a - ground + bCoth);
}

const luminance = (reflectance: Reflectance): number =>
  reflectance.reduce((sum, value, index) => sum + value * LUMINANCE[index]!, 0);
const grey = (value: number): Reflectance => [value, value, value];
const clip = (value: number): number => Math.min(LIGHTEST, Math.max(DARKEST, value));
