import { letteringOf, type LinePlan, type PartPlan, type Place } from '@lintrel/core';
import { G, Text } from 'react-native-svg';
import { colour, font } from '@/theme/theme';
import { boxRound, placeOfCode } from './path';
import { firstStrokes } from './strokes';

/** Codes of the areas, letters as one. */
export const AreaCodes = ({ part, mmPerDp }: { readonly part: PartPlan; readonly mmPerDp: number }) =>
  areaCodes(part).map(({ code, at, lift }) => <Code key={code} at={at} text={code} mmPerDp={mmPerDp} lift={lift} />);

/** Codes of the lines, each at its first stroke. */
export const LineCodes = ({ lines, mmPerDp }: { readonly lines: readonly LinePlan[]; readonly mmPerDp: number }) =>
  firstStrokes(lines).flatMap((line, index) =>
    line.pieces[0]
      ? [<Code key={line.id} at={placeOfCode(line.pieces[0], index)} text={line.code} mmPerDp={mmPerDp} lift={9} />]
      : [],
  );

/** Letters have their name so far below them, dp. */
const BELOW_LETTERS = -12;

/** Codes of the areas at their places; the letters of a line have one name, below them. */
function areaCodes(part: PartPlan): { code: string; at: Place; lift: number }[] {
  const groups = letteringOf(part);
  const grouped = new Set(groups.flatMap(({ strokes, inner }) => [...strokes, ...inner]));
  return [
    ...part.areas.flatMap(({ code, seed }) => (grouped.has(code) ? [] : [{ code, at: seed, lift: 0 }])),
    ...groups.map(({ owner, strokes }) => {
      const box = boxRound(part.areas.flatMap(({ code, rings }) => (strokes.includes(code) ? rings.flat() : [])));
      const code = part.lines.find((line) => line.owner === owner)?.name ?? owner;
      return { code, at: [(box.minX + box.maxX) / 2, box.minY] as const, lift: BELOW_LETTERS };
    }),
  ];
}

function Code({ at: [x, y], text, mmPerDp, lift = 0 }: { at: Place; text: string; mmPerDp: number; lift?: number }) {
  const size = 13 * mmPerDp;
  const letters = {
    x: 0,
    y: size * 0.36,
    fontSize: size,
    fontFamily: font.heading,
    textAnchor: 'middle',
    pointerEvents: 'none',
  } as const;
  // The sheet runs upwards, text does not: it is turned over about its own place.
  return (
    <G transform={`translate(${x} ${y + lift * mmPerDp}) scale(1 -1)`}>
      <Text {...letters} stroke={colour.sheet} strokeWidth={3 * mmPerDp}>
        {text}
      </Text>
      <Text {...letters} fill={colour.ink}>
        {text}
      </Text>
    </G>
  );
}
