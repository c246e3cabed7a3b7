import fc from 'fast-check';
import { pathSlice, pointAt } from '../curves';
import { firstItem } from '../kit';
import { skinOf, type Surface } from '../surface';
import { linesOn, straight } from '../testing/samples';
import { pointBesideLine } from './point-beside';
import { distanceInBand, placeBand, samplesInBand } from './tape-band';

// A nose that swells and narrows again: its drawing is true along, stretched to the widest girth across.
const nose: Surface = {
  kind: 'turned',
  profile: {
    start: [0, 60],
    edges: [{ to: [300, 150] }, { to: [600, 90] }],
    smooth: true,
  },
};
const skin = skinOf(nose);
const line = firstItem(linesOn(nose, [straight('l', [80, -150], [520, 180])]));
const piece = firstItem(line.pieces);

describe('tape beside a line on a turned skin', () => {
  it('lies so far off it on the skin as one walks there square to the line', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: -12, max: 12, noNaN: true }),
        (share, off) => {
          const point = pointAt(piece, share * piece.at(-1)!.at);
          const near = pointBesideLine(point, off, skin.metric);
          const walked = skin.walk(
            point,
            skin.metric!.headingOf(point) + (Math.sign(off) * Math.PI) / 2,
            Math.abs(off),
          );
          // To the first order: within a fiftieth of the width of a tape.
          expect(skin.metric!.lengthOf(near, walked)).toBeLessThan(Math.max(0.02, Math.abs(off) / 50));
        },
      ),
    );
  });
  it.each(['left', 'right'] as const)('has its own places on it, and none of the %s on the other side', (side) => {
    const band = placeBand({ piece, side, innerMm: 0, outerMm: 9, metric: skin.metric });
    const other = placeBand({ ...band, side: side === 'left' ? 'right' : 'left' });
    const middle = pathSlice(piece, 20, piece.at(-1)!.at - 20)!;
    const places = samplesInBand({ ...band, piece: middle }).flatMap(({ at, places: across }) =>
      across.map((place) => ({ at, place })),
    );
    expect(places.length).toBeGreaterThan(30);
    for (const { at, place } of places) {
      expect(Math.abs((distanceInBand(band, place) ?? Infinity) - at)).toBeLessThan(1);
      expect(distanceInBand(other, place)).toBeNull();
    }
  });
  it('does not reach where only the stretched drawing would say so', () => {
    const band = placeBand({ piece, side: 'left', innerMm: 0, outerMm: 9, metric: skin.metric });
    const start = pointAt(piece, 30);
    expect(distanceInBand(band, pointBesideLine(start, 8.5, skin.metric))).not.toBeNull();
    expect(distanceInBand(band, pointBesideLine(start, 9.5, skin.metric))).toBeNull();
    // As mm of the drawing 9 mm across are less on the skin here: it still lies on the tape.
    expect(skin.metric!.shareAt(start)).toBeLessThan(0.7);
    expect(distanceInBand({ ...band, metric: null }, pointBesideLine(start, 8.5, skin.metric))).toBeNull();
  });
});
