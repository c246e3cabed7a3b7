import type { Place } from '@lintrel/core';
/** The piece of a sheet that is shown: lower left corner and width, mm, and mm to a dp. */
export interface View {
  readonly x: number;
  readonly y: number;
  readonly mmPerDp: number;
}

export interface Frame {
  readonly width: number;
  readonly height: number;
}

export interface SheetBox {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
}

/** Margin round a drawing, dp; more below, for the buttons. */
const MARGIN_DP = 22;
const BELOW_DP = 54;
const CLOSEST_MM_PER_DP = 0.01;

/** Shows a whole box in a frame, centred. */
export function fitBox(box: SheetBox, frame: Frame): View {
  const inner = {
    width: Math.max(1, frame.width - 2 * MARGIN_DP),
    height: Math.max(1, frame.height - MARGIN_DP - BELOW_DP),
  };
  const mmPerDp = Math.max((box.maxX - box.minX) / inner.width, (box.maxY - box.minY) / inner.height, 1e-6);
  return {
    x: (box.minX + box.maxX) / 2 - (frame.width * mmPerDp) / 2,
    y: (box.minY + box.maxY) / 2 - ((frame.height + BELOW_DP - MARGIN_DP) * mmPerDp) / 2,
    mmPerDp,
  };
}

/** Height a drawing of this box needs at a width, dp. */
export const heightFor = (box: SheetBox, width: number): number =>
  ((width - 2 * MARGIN_DP) * (box.maxY - box.minY)) / Math.max(1e-6, box.maxX - box.minX) + MARGIN_DP + BELOW_DP;

/** Fits a box into a small still frame, with a small margin. */
export function fitBoxStill(box: SheetBox, frame: Frame): View {
  const room = 4;
  const mmPerDp = Math.max(
    (box.maxX - box.minX) / (frame.width - room),
    (box.maxY - box.minY) / (frame.height - room),
    1e-6,
  );
  return {
    x: (box.minX + box.maxX) / 2 - (frame.width * mmPerDp) / 2,
    y: (box.minY + box.maxY) / 2 - (frame.height * mmPerDp) / 2,
    mmPerDp,
  };
}

/** Moves the view by a drag of the finger, dp. */
export const panBy = (view: View, dx: number, dy: number): View => ({
  ...view,
  x: view.x - dx * view.mmPerDp,
  y: view.y + dy * view.mmPerDp,
});

/**
 * Zooms about a point in the frame.
 * @param factor above 1 zooms in
 * @param centre fixed point in the frame, dp from the upper left
 */
export function zoomBy(
  view: View,
  factor: number,
  centre: { x: number; y: number },
  frame: Frame,
  widest: number,
): View {
  const mmPerDp = Math.min(widest * 2, Math.max(CLOSEST_MM_PER_DP, view.mmPerDp / factor));
  const held = { x: view.x + centre.x * view.mmPerDp, y: view.y + (frame.height - centre.y) * view.mmPerDp };
  return { x: held.x - centre.x * mmPerDp, y: held.y - (frame.height - centre.y) * mmPerDp, mmPerDp };
}

/** Place on the sheet under a place in the frame, dp from the upper left. */
export const placeAt = (view: View, frame: Frame, { x, y }: { x: number; y: number }): Place => [
  view.x + x * view.mmPerDp,
  view.y + (frame.height - y) * view.mmPerDp,
];

/** A finger this near takes hold of a handle, dp. */
const GRAB_DP = 26;

/** The handle nearest to a place, if it is near enough for a finger. */
export function handleAt(
  handles: readonly { readonly key: string; readonly place: Place }[],
  [x, y]: Place,
  mmPerDp: number,
): string | null {
  const away = ({ place }: { readonly place: Place }) => Math.hypot(place[0] - x, place[1] - y) / mmPerDp;
  const nearest = [...handles].sort((a, b) => away(a) - away(b))[0];
  return nearest && away(nearest) <= GRAB_DP ? nearest.key : null;
}

/** Puts millimetres, y up, into a frame this high, as a transform of SVG. */
export const transformOf = (view: View, height: number): string =>
  `translate(0 ${height}) scale(${1 / view.mmPerDp} ${-1 / view.mmPerDp}) translate(${-view.x} ${-view.y})`;
