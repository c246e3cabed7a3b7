import type { AreaPlan, LinePlan, PartPlan, Run } from '@lintrel/core';
import { useId } from 'react';
import { Defs, G, Path, Pattern, Polygon, Text } from 'react-native-svg';
import { colour, font } from '@/theme/theme';
import { areaPath, boxRound, openPath, placeOfCode, ringPath, stripAlong } from './path';
import { Sheet } from './Sheet';

export interface DrawnArea {
  readonly code: string;
  readonly colour: string;
  /** Covered: at a third, under a wide cross hatch. */
  readonly covered?: boolean;
}

interface PartDrawingProps {
  readonly part: PartPlan;
  /** Colours of the areas; those not named show what is on the part now. */
  readonly areas: readonly DrawnArea[];
  readonly chosenArea?: string | null;
  readonly chosenLine?: string | null;
  /** Runs of tape to draw along their lines; the chosen one stronger. */
  readonly runs?: readonly Run[];
  readonly chosenRun?: string | null;
  readonly onArea?: (code: string) => void;
  readonly onLine?: (id: string) => void;
  readonly codes?: 'areas' | 'lines' | 'none';
}

/** A part in true proportions: areas in their paint, lines in ink, tapes along them. */
export function PartDrawing(props: PartDrawingProps) {
  const { part } = props;
  return (
    <Sheet box={boxRound(part.ring)} label={`Drawing of ${part.name}`}>
      {(mmPerDp) => <PartPicture {...props} mmPerDp={mmPerDp} />}
    </Sheet>
  );
}

/** What is on the sheet, in millimetres; `mmPerDp` keeps strokes and codes the same on screen. */
export function PartPicture({
  part,
  areas,
  chosenArea,
  chosenLine,
  runs = [],
  chosenRun,
  onArea,
  onLine,
  codes = 'none',
  mmPerDp,
}: PartDrawingProps & { mmPerDp: number }) {
  const hatch = `hatch${useId().replace(/[^A-Za-z0-9]/g, '')}`;
  const painted = new Map(areas.map((area) => [area.code, area]));
  return (
    <G>
      <Defs>
        <Pattern id={hatch} patternUnits="userSpaceOnUse" width={12 * mmPerDp} height={12 * mmPerDp}>
          <Path d={`M0 0L${12 * mmPerDp} ${12 * mmPerDp}M0 ${12 * mmPerDp}L${12 * mmPerDp} 0`} stroke={colour.quiet} strokeWidth={0.7 * mmPerDp} />
        </Pattern>
      </Defs>
      {part.areas.map((area) => (
        <AreaShape
          key={area.code}
          area={area}
          drawn={painted.get(area.code)}
          hatch={hatch}
          onPress={onArea}
          chosen={area.code === chosenArea}
          mmPerDp={mmPerDp}
        />
      ))}
      <Path d={ringPath(part.ring)} fill="none" stroke={colour.ink} strokeWidth={1.5 * mmPerDp} />
      {runs.map((run) => (
        <RunShape key={`${run.part}${run.code}`} run={run} part={part} chosen={run.code === chosenRun} mmPerDp={mmPerDp} />
      ))}
      {part.lines.map((line) => (
        <LineShape key={line.id} line={line} chosen={line.id === chosenLine} onPress={onLine} mmPerDp={mmPerDp} />
      ))}
      {codes === 'areas' ? part.areas.map((area) => <Code key={area.code} at={area.seed} text={area.code} mmPerDp={mmPerDp} />) : null}
      {codes === 'lines'
        ? part.lines.flatMap((line, index) =>
            line.pieces[0] ? [<Code key={line.id} at={placeOfCode(line.pieces[0], index)} text={line.code} mmPerDp={mmPerDp} lift={9} />] : [],
          )
        : null}
      {codes === 'lines' ? part.lines.flatMap((line) => (line.tightest ? [<WorstBend key={line.id} line={line} mmPerDp={mmPerDp} />] : [])) : null}
    </G>
  );
}

function AreaShape({
  area,
  drawn,
  hatch,
  chosen,
  onPress,
  mmPerDp,
}: {
  area: AreaPlan;
  drawn?: DrawnArea;
  hatch: string;
  chosen: boolean;
  onPress?: (code: string) => void;
  mmPerDp: number;
}) {
  const d = areaPath(area);
  return (
    <G onPress={() => onPress?.(area.code)}>
      <Path d={d} fill={drawn?.colour ?? colour.sheet} fillOpacity={drawn?.covered ? 0.33 : 1} fillRule="evenodd" testID={`area-${area.code}`} />
      {drawn?.covered ? <Path d={d} fill={`url(#${hatch})`} fillRule="evenodd" /> : null}
      {chosen ? <Path d={d} fill="none" stroke={colour.calm} strokeWidth={4 * mmPerDp} /> : null}
    </G>
  );
}

function LineShape({ line, chosen, onPress, mmPerDp }: { line: LinePlan; chosen: boolean; onPress?: (id: string) => void; mmPerDp: number }) {
  const d = line.pieces.map(openPath).join('');
  if (!d) return null;
  return (
    <G>
      {chosen ? <Path d={d} fill="none" stroke={colour.sheet} strokeWidth={7 * mmPerDp} /> : null}
      <Path d={d} fill="none" stroke={colour.ink} strokeWidth={(chosen ? 3 : 1.25) * mmPerDp} />
      {onPress ? <Path d={d} fill="none" stroke="transparent" strokeWidth={24 * mmPerDp} onPress={() => onPress(line.id)} /> : null}
    </G>
  );
}

/** A tape lies along its line on its side; never drawn thinner than can be seen. */
function RunShape({ run, part, chosen, mmPerDp }: { run: Run; part: PartPlan; chosen: boolean; mmPerDp: number }) {
  const line = part.lines.find(({ id }) => id === run.line);
  if (!line || run.part !== part.id) return null;
  const width = Math.max(run.tapeWidthMm, 5 * mmPerDp);
  const shift = (run.side === 'left' ? 1 : -1) * (width / 2);
  const strips = line.pieces.map((piece) => stripAlong(piece, run.from, run.to, shift)).filter((strip) => strip.length > 1);
  return (
    <G>
      {strips.map((strip, index) => (
        <Path key={index} d={openPath(strip)} fill="none" stroke={chosen ? colour.accent : colour.ink} strokeOpacity={chosen ? 1 : 0.55} strokeWidth={width} />
      ))}
    </G>
  );
}

function WorstBend({ line, mmPerDp }: { line: LinePlan; mmPerDp: number }) {
  if (!line.tightest) return null;
  const [x, y] = line.tightest.place;
  const r = 6 * mmPerDp;
  return (
    <Polygon
      points={`${x},${y - 2 * mmPerDp} ${x - r},${y - 2 * mmPerDp - 1.7 * r} ${x + r},${y - 2 * mmPerDp - 1.7 * r}`}
      fill={colour.sheet}
      stroke={colour.caution}
      strokeWidth={1.5 * mmPerDp}
    />
  );
}

function Code({ at: [x, y], text, mmPerDp, lift = 0 }: { at: readonly [number, number]; text: string; mmPerDp: number; lift?: number }) {
  const size = 13 * mmPerDp;
  const letters = { x: 0, y: size * 0.36, fontSize: size, fontFamily: font.heading, textAnchor: 'middle', pointerEvents: 'none' } as const;
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
