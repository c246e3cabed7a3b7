import { SHIPPED_TAPES } from './catalogue';
import { fitAlong, follows } from './fit';

const tape = (code: string) => SHIPPED_TAPES.find((one) => one.code === code) ?? SHIPPED_TAPES[0]!;
const samples = (...curvatures: number[]) => curvatures.map((curvature, index) => ({ at: index * 10, curvature }));

describe('fitAlong', () => {
  it('finds the worst place and where it begins', () => {
    const fit = fitAlong(tape('V6'), samples(0, 0, 1 / 120, 1 / 20, 1 / 120, 0), 'right');
    expect(fit).toMatchObject({ verdict: 'too-tight', worstAt: 30 });
    expect(fit.worstRadiusMm).toBeCloseTo(20);
    expect(fit.stretches.map(({ verdict }) => verdict)).toEqual(['lays', 'stretch', 'too-tight', 'stretch', 'lays']);
    expect(fit.stretches[2]).toMatchObject({ from: 25, to: 35 });
  });

  it('tells inside from outside by the direction of the bend', () => {
    const left = fitAlong(tape('V6'), samples(1 / 40, 1 / 40), 'left');
    const right = fitAlong(tape('V6'), samples(1 / 40, 1 / 40), 'right');
    expect([left.verdict, right.verdict]).toEqual(['too-tight', 'stretch']);
    expect(fitAlong(tape('V6'), samples(-1 / 40, -1 / 40), 'left').verdict).toBe('stretch');
  });

  it('lays anything on a straight and names no worst place', () => {
    const fit = fitAlong(tape('F19'), samples(0, 0, 0), 'left');
    expect(fit).toMatchObject({ verdict: 'lays', worstAt: null, worstRadiusMm: null, stretch: 0 });
    expect(follows(fit)).toBe(true);
  });
});
