import * as v from 'valibot';
import { numberBetween, oneOfWords } from '../kit';

export const AIR_MOVEMENTS = ['still', 'normal', 'booth'] as const;
export type AirMovement = (typeof AIR_MOVEMENTS)[number];

const airC = () => numberBetween(-20, 80, '°C');
const rhPercent = () => numberBetween(1, 100, '%');

/** Air where the job is sprayed: constant until readings replace it. */
export const climateSchema = v.strictObject({
  airC: airC(),
  rhPercent: rhPercent(),
  /** Null: the surface is as warm as the air. */
  surfaceC: v.nullable(airC()),
  movement: oneOfWords(AIR_MOVEMENTS),
  /** Where it is taped; left out: where it is sprayed. */
  taped: v.optional(v.strictObject({ airC: airC(), rhPercent: rhPercent() })),
  /** Where it is left to dry once it is sprayed; left out: where it is sprayed. */
  left: v.optional(v.strictObject({ airC: airC(), rhPercent: rhPercent(), movement: oneOfWords(AIR_MOVEMENTS) })),
});

export type Climate = v.InferOutput<typeof climateSchema>;

/** The air a film is left in after its coats. */
export const restingAir = ({ left, airC: here, rhPercent: rh, movement }: Climate) =>
  left ?? { airC: here, rhPercent: rh, movement };

/** The air it is taped in, and how warm the surface is there: as typed, else as warm as that air. */
export const tapingAir = ({ taped, airC: here, rhPercent: rh, surfaceC }: Climate) => {
  const air = taped ?? { airC: here, rhPercent: rh };
  return { ...air, surfaceC: surfaceC ?? air.airC };
};
