import { REFERENCE_AIR } from '../air';
import { SHIPPED_FINISHES } from '../finish';
import { returnToService, SERVICES } from './service';

const finish = (id: string) => SHIPPED_FINISHES.find((one) => one.id === id)!;

it('goes from hardware to flight, each no sooner than the one before, and cured in the end', () => {
  for (const one of SHIPPED_FINISHES) {
    const back = returnToService(one, one.referenceBuildUm, { airC: 20, rhPercent: 50, movement: 'normal' });
    if (one.cureH === null) expect(back).toEqual([]);
    else {
      expect(back.map(({ service }) => service)).toEqual([...SERVICES]);
      back.slice(1).forEach(({ afterMin }, index) => expect(afterMin).toBeGreaterThanOrEqual(back[index]!.afterMin));
      expect(back.at(-1)!.soft).toBe(false);
    }
  }
});
it('is the cure of the sheet for water and flight at the reference, later in the cold and no sooner for a thin film', () => {
  const two = finish('cream-two-part');
  const water = (build: number, airC = 23) =>
    returnToService(two, build, { ...REFERENCE_AIR, airC }).find(({ service }) => service === 'water')!.afterMin;
  expect(water(two.referenceBuildUm)).toBeCloseTo(168 * 60, 6);
  expect(water(two.referenceBuildUm / 2)).toBeCloseTo(168 * 60, 6);
  expect(water(two.referenceBuildUm, 12)).toBeGreaterThan(168 * 60);
  expect(returnToService(two, two.referenceBuildUm, REFERENCE_AIR)[0]!.afterMin).toBeGreaterThanOrEqual(two.throughMin);
});
