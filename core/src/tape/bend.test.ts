import fc from 'fast-check';
import { fitTapeToBend, tightestEdgeRadius } from './bend';
import { fitTapeToDome } from './dome';
import { facetsForBend } from './facets';

const VINYL = { stretch: 0.15, fold: 0.005 };
const CREPE = { stretch: 0.08, fold: 0.03 };

describe('layRoundBend', () => {
  it('agrees with the worked figures', () => {
    const outside = fitTapeToBend(120, { widthMm: 6, ...VINYL }, 'outside');
    expect(outside.verdict).toBe('stretch');
    expect(outside.outerStrain).toBeCloseTo(0.0448, 4);
    expect(outside.meanStretch).toBeCloseTo(0.0199, 4);
    const inside = fitTapeToBend(60, { widthMm: 6, ...VINYL }, 'inside');
    expect(inside.outerStrain).toBeCloseTo(0.1056, 4);
    expect(inside.meanStretch).toBeCloseTo(0.0503, 4);
    const tight = fitTapeToBend(30, { widthMm: 6, ...VINYL }, 'outside');
    expect(tight.outerStrain).toBeCloseTo(0.194, 3);
    expect(tight.verdict).toBe('too-tight');
  });

  it.each([
    [3, VINYL, 19.3],
    [6, VINYL, 38.5],
    [18, VINYL, 115.6],
    [18, CREPE, 158.7],
    [36, CREPE, 317.5],
  ])('the tightest edge of %d mm tape', (widthMm, figures, radius) =>
    expect(tightestEdgeRadius({ widthMm, ...figures }, 'outside')).toBeCloseTo(radius, 0),
  );

  it('is impossible where the tape is wider than the bend', () => {
    expect(fitTapeToBend(5, { widthMm: 6, ...VINYL }, 'inside')).toMatchObject({
      verdict: 'impossible',
      outerStrain: null,
      meanStretch: null,
    });
    expect(fitTapeToBend(6, { widthMm: 6, ...VINYL }, 'inside').verdict).toBe('impossible');
  });

  it('lays flat on a straight', () =>
    expect(fitTapeToBend(Infinity, { widthMm: 6, ...VINYL }, 'inside')).toMatchObject({
      verdict: 'lays',
      meanStretch: 0,
    }));

  it('changes its verdict exactly at the tightest edge', () => {
    const shares = {
      widthMm: fc.double({ min: 0.5, max: 50, noNaN: true }),
      stretch: fc.double({ min: 0.01, max: 0.3, noNaN: true }),
      fold: fc.double({ min: 0.001, max: 0.05, noNaN: true }),
    };
    fc.assert(
      fc.property(fc.record(shares), fc.constantFrom('inside' as const, 'outside' as const), (tape, body) => {
        const limit = tightestEdgeRadius(tape, body);
        return (
          fitTapeToBend(limit * 1.0001, tape, body).verdict === 'stretch' &&
          fitTapeToBend(limit * 0.9999, tape, body).verdict === 'too-tight'
        );
      }),
    );
  });

  it('needs less stretch the wider the bend', () => {
    const radius = fc.double({ min: 20, max: 5000, noNaN: true });
    fc.assert(
      fc.property(radius, radius, (a, b) => {
        const strain = (r: number) => fitTapeToBend(r, { widthMm: 6, ...VINYL }, 'inside').outerStrain as number;
        return a <= b ? strain(a) >= strain(b) : strain(a) <= strain(b);
      }),
    );
  });
});

describe('facetsRound', () => {
  it('agrees with the worked figure', () => expect(facetsForBend(200, 3, 314).facetLengthMm).toBeCloseTo(69.0, 1));

  it('gives enough pieces, and not one too many', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 2000, noNaN: true }),
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        fc.double({ min: 1, max: 5000, noNaN: true }),
        (radius, slack, arc) => {
          const { pieces } = facetsForBend(radius, slack, arc);
          const sagitta = (count: number) => radius * (1 - Math.cos(Math.min(Math.PI / 2, arc / count / radius / 2)));
          return sagitta(pieces) <= slack * (1 + 1e-6) && (pieces === 1 || sagitta(pieces - 1) > slack * (1 - 1e-6));
        },
      ),
    );
  });

  it('refuses a slack beyond the diameter', () => expect(() => facetsForBend(10, 20, 5)).toThrow(/slackMm/));
});

describe('layOverDome', () => {
  it('lays 18 mm at 0.005 on 90 mm and not below', () => {
    expect(fitTapeToDome(90, 18, 0.005)).toMatchObject({ lays: true });
    expect(fitTapeToDome(90, 18, 0.005).widestMm).toBeCloseTo(18);
    expect(fitTapeToDome(89.9, 18, 0.005).lays).toBe(false);
  });
});
