import { boxRound, placeOfCode, stripAlong } from './path';
import { fitBox, fitBoxStill, handleAt, heightFor, panBy, placeAt, zoomBy } from './view';

const BOX = { minX: 0, minY: 0, maxX: 4200, maxY: 1500 };
const FRAME = { width: 390, height: 240 };
/** Place on screen of a place on the sheet. */
const onScreen = (view: { x: number; y: number; mmPerDp: number }, x: number, y: number) => ({
  x: (x - view.x) / view.mmPerDp,
  y: FRAME.height - (y - view.y) / view.mmPerDp,
});

it('shows a whole part inside the frame, clear of the buttons', () => {
  for (const box of [BOX, { minX: -50, minY: 20, maxX: 50, maxY: 4000 }]) {
    const view = fitBox(box, FRAME);
    const [low, high] = [onScreen(view, box.minX, box.minY), onScreen(view, box.maxX, box.maxY)];
    expect(low.x).toBeGreaterThanOrEqual(20);
    expect(high.x).toBeLessThanOrEqual(FRAME.width - 20);
    expect(high.y).toBeGreaterThanOrEqual(20);
    expect(low.y).toBeLessThanOrEqual(FRAME.height - 50);
  }
});

it('gives a drawing the height it needs, so that it fills the width', () => {
  const height = heightFor(BOX, 390);
  expect((BOX.maxX - BOX.minX) / fitBox(BOX, { width: 390, height }).mmPerDp).toBeCloseTo(390 - 44, 5);
  expect(fitBoxStill(BOX, { width: 96, height: 56 }).mmPerDp).toBeCloseTo(4200 / 92, 5);
});

it('keeps the place under the finger where it is when zooming, and follows a drag', () => {
  const view = fitBox(BOX, FRAME);
  const at = { x: 100, y: 60 };
  const held = { x: view.x + at.x * view.mmPerDp, y: view.y + (FRAME.height - at.y) * view.mmPerDp };
  expect(onScreen(zoomBy(view, 3, at, FRAME, view.mmPerDp), held.x, held.y)).toEqual({
    x: expect.closeTo(100, 6),
    y: expect.closeTo(60, 6),
  });
  expect(zoomBy(view, 1e-9, at, FRAME, view.mmPerDp).mmPerDp).toBeCloseTo(2 * view.mmPerDp);
  expect(onScreen(panBy(view, 30, -20), held.x, held.y)).toEqual({
    x: expect.closeTo(130, 6),
    y: expect.closeTo(40, 6),
  });
});

it('draws a tape beside its line, between two distances', () => {
  const line: [number, number, number][] = [
    [0, 0, 0],
    [100, 0, 100],
    [100, 100, 200],
  ];
  expect(stripAlong(line, 20, 80, 3)).toEqual([
    [20, 3],
    [80, 3],
  ]);
  expect(stripAlong(line, 50, 150, 0)).toEqual([
    [50, 0],
    [100, 0],
    [100, 50],
  ]);
  expect(stripAlong(line, 300, 400, 0)).toEqual([]);
  expect(boxRound(line)).toEqual({ minX: 0, minY: 0, maxX: 100, maxY: 100 });
  expect(placeOfCode(line, 2)).toEqual([100, 0]);
});

it('takes hold of the nearest handle, if a finger is near enough', () => {
  const view = fitBox(BOX, FRAME);
  const handles = [
    { key: 'from', place: [100, 100] as const },
    { key: 'to', place: [900, 100] as const },
  ];
  expect(handleAt(handles, [100 + 20 * view.mmPerDp, 100], view.mmPerDp)).toBe('from');
  expect(handleAt(handles, [500, 700], view.mmPerDp)).toBeNull();
  const { x, y } = onScreen(view, 900, 100);
  expect(placeAt(view, FRAME, { x, y })).toEqual([expect.closeTo(900, 6), expect.closeTo(100, 6)]);
});
