import type { AreaPlan, FeaturePlan, Finish, LinePlan, PartPlan, Run, SprayArrow } from '@lintrel/core';
import { memo, useId, type ReactNode } from 'react';
import { Circle, Defs, G, Path, Pattern, Polygon, Text } from 'react-native-svg';
import { colour, font } from '@/theme/theme';
import { areaPath, boxRound, openPath, placeOfCode, ringPath, stripAlong } from './path';
import { firstStrokes } from './strokes';
import { Sheet, type SheetDrag, type SheetHandle } from './Sheet';

export interface DrawnArea {
  readonly code: string;
  readonly colour: string;
  /** Covered: at a third, under a wide cross hatch. */
  readonly covered?: boolean;
  /** Flakes and candies are drawn so that they can be told from a solid. */
  readonly effect?: Finish['effect'];
}

interface PartPictureProps {
  readonly part: PartPlan;
  /** Colours of the areas; those not named show what is on the part now. */
  readonly areas: readonly DrawnArea[];
  readonly chosenArea?: string | null;
  /** A line of the list, with all its strokes. */
  readonly chosenLine?: string | null;
  /** Runs of tape to draw along their lines; the chosen one stronger. */
  readonly runs?: readonly Run[];
  readonly chosenRun?: string | null;
  /** Which way to spray. */
  readonly arrows?: readonly SprayArrow[];
  /** A place to mark, such as where an edge is cut open. */
  readonly spot?: readonly [number, number] | null;
  readonly onArea?: (code: string) => void;
  readonly onLine?: (id: string) => void;
  readonly codes?: 'areas' | 'lines' | 'none';
  /** Datums and features are shown where lines are set out. */
  readonly help?: boolean;
}

interface PartDrawingProps extends PartPictureProps {
  readonly overlay?: (mmPerDp: number) => ReactNode;
  readonly handles?: readonly SheetHandle[];
  readonly onDrag?: (drag: SheetDrag) => void;
}

/** A part in true proportions: areas in their paint, lines in ink, tapes along them. */
export function PartDrawing({ overlay, handles, onDrag, ...props }: PartDrawingProps) {
  const { part } = props;
  return (
    <Sheet box={boxRound(part.ring)} label={`Drawing of ${part.name}`} overlay={overlay} handles={handles} onDrag={onDrag}>
      {(mmPerDp) => <PartPicture {...props} mmPerDp={mmPerDp} />}
    </Sheet>
  );
}

/** What is on the sheet, in millimetres; `mmPerDp` keeps strokes and codes the same on screen. Drawn anew only when it changed. */
export const PartPicture = memo(function PartPicture({
  part,
  areas,
  chosenArea,
  chosenLine,
  runs = [],
  chosenRun,
  arrows = [],
  spot,
  onArea,
  onLine,
  codes = 'none',
  help = false,
  mmPerDp,
}: PartPictureProps & { mmPerDp: number }) {
  const hatch = `hatch${useId().replace(/[^A-Za-z0-9]/g, '')}`;
  const painted = new Map(areas.map((area) => [area.code, area]));
  const lines = part.lines.filter(({ hidden, owner }) => !hidden || owner === chosenLine);
  return (
    <G>
      <Defs>
        <Pattern id={hatch} patternUnits="userSpaceOnUse" width={12 * mmPerDp} height={12 * mmPerDp}>
          <Path d={`M0 0L${12 * mmPerDp} ${12 * mmPerDp}M0 ${12 * mmPerDp}L${12 * mmPerDp} 0`} stroke={colour.quiet} strokeWidth={0.7 * mmPerDp} />
        </Pattern>
        <PaintPatterns id={hatch} mmPerDp={mmPerDp} />
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
      <Rim part={part} mmPerDp={mmPerDp} />
      {help ? part.datums.map(({ id, places }) => <Dashed key={id} places={places} pattern={[14, 4, 2, 4]} tone={colour.quiet} mmPerDp={mmPerDp} />) : null}
      {help
        ? part.features.filter(({ kind }) => kind !== 'opening').map((feature) => <FeatureShape key={feature.id} feature={feature} mmPerDp={mmPerDp} />)
        : null}
      {runs.map((run) => (
        <RunShape key={`${run.part}${run.code}`} run={run} part={part} hatch={hatch} chosen={run.code === chosenRun} mmPerDp={mmPerDp} />
      ))}
      {lines.map((line) => (
        <LineShape key={line.id} line={line} chosen={line.owner === chosenLine} onPress={onLine} mmPerDp={mmPerDp} />
      ))}
      {arrows.map((arrow, index) => (
        <Arrow key={index} arrow={arrow} mmPerDp={mmPerDp} />
      ))}
      {spot ? (
        <G>
          <Circle cx={spot[0]} cy={spot[1]} r={9 * mmPerDp} fill="none" stroke={colour.sheet} strokeWidth={5 * mmPerDp} />
          <Circle cx={spot[0]} cy={spot[1]} r={9 * mmPerDp} fill="none" stroke={colour.accent} strokeWidth={2.5 * mmPerDp} />
        </G>
      ) : null}
      {codes === 'areas' ? part.areas.map((area) => <Code key={area.code} at={area.seed} text={area.code} mmPerDp={mmPerDp} />) : null}
      {codes === 'lines'
        ? firstStrokes(lines).flatMap((line, index) =>
            line.pieces[0] ? [<Code key={line.id} at={placeOfCode(line.pieces[0], index)} text={line.code} mmPerDp={mmPerDp} lift={9} />] : [],
          )
        : null}
      {codes === 'lines'
        ? lines.flatMap((line) => (line.tightest && line.kind !== 'text' ? [<WorstBend key={line.id} line={line} mmPerDp={mmPerDp} />] : []))
        : null}
    </G>
  );
});

/** The outline; openings bare, folds and the seam of a round part dashed. */
function Rim({ part, mmPerDp }: { part: PartPlan; mmPerDp: number }) {
  return (
    <G>
      <Path d={ringPath(part.ring)} fill="none" stroke={colour.ink} strokeWidth={1.5 * mmPerDp} />
      {part.openings.map((ring, index) => (
        <Path key={index} d={ringPath(ring)} fill={colour.ground} stroke={colour.ink} strokeWidth={1.5 * mmPerDp} />
      ))}
      {part.folds.map((places, index) => (
        <Dashed key={index} places={places} pattern={[8, 5]} tone={colour.ink} mmPerDp={mmPerDp} />
      ))}
      {part.seams.map((places, index) => (
        <Dashed key={index} places={places} pattern={[4, 4]} tone={colour.sheet} mmPerDp={mmPerDp} />
      ))}
    </G>
  );
}

const Dashed = ({
  places,
  pattern,
  tone,
  mmPerDp,
}: {
  places: readonly (readonly [number, number])[];
  pattern: readonly number[];
  tone: string;
  mmPerDp: number;
}) => <Path d={openPath(places)} fill="none" stroke={tone} strokeWidth={1.25 * mmPerDp} strokeDasharray={pattern.map((dp) => dp * mmPerDp)} />;

/** Rows as dots, creases as a double line, zones as a dotted rim. */
function FeatureShape({ feature, mmPerDp }: { feature: FeaturePlan; mmPerDp: number }) {
  const { kind, places, closed } = feature;
  if (places.length < 2) return null;
  const d = closed ? ringPath(places) : openPath(places);
  if (kind === 'raised-row')
    return <Path d={d} fill="none" stroke={colour.quiet} strokeWidth={4 * mmPerDp} strokeLinecap="round" strokeDasharray={[0.1 * mmPerDp, 9 * mmPerDp]} />;
  if (kind === 'crease')
    return (
      <G>
        <Path d={d} fill="none" stroke={colour.quiet} strokeWidth={4 * mmPerDp} />
        <Path d={d} fill="none" stroke={colour.sheet} strokeWidth={1.5 * mmPerDp} />
      </G>
    );
  return (
    <Path
      d={d}
      fill="none"
      stroke={kind === 'texture' ? colour.quiet : colour.caution}
      strokeWidth={2 * mmPerDp}
      strokeDasharray={[2 * mmPerDp, 4 * mmPerDp]}
    />
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
      {drawn?.effect && EFFECT_DRAWN.has(drawn.effect) && !drawn.covered ? <Path d={d} fill={`url(#${hatch}${drawn.effect})`} fillRule="evenodd" /> : null}
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
      {onPress ? <Path d={d} fill="none" stroke="transparent" strokeWidth={24 * mmPerDp} onPress={() => onPress(line.owner)} /> : null}
    </G>
  );
}

/** Effects with a drawing of their own: flakes as short dashes, pearl as rings, candy as waves. */
const EFFECT_DRAWN: ReadonlySet<Finish['effect']> = new Set(['metallic', 'pearl', 'candy']);

/** What tells paints and tapes apart without colour. */
function PaintPatterns({ id, mmPerDp }: { id: string; mmPerDp: number }) {
  const dp = (value: number) => value * mmPerDp;
  const tile = (name: string, size: number, children: ReactNode) => (
    <Pattern id={`${id}${name}`} patternUnits="userSpaceOnUse" width={dp(size)} height={dp(size)}>
      {children}
    </Pattern>
  );
  const line = (d: readonly number[], stroke: string, width: number, opacity = 1) => (
    <Path d={`M${dp(d[0])} ${dp(d[1])}L${dp(d[2])} ${dp(d[3])}`} stroke={stroke} strokeWidth={dp(width)} strokeOpacity={opacity} strokeLinecap="round" />
  );
  return (
    <>
      {tile(
        'metallic',
        11,
        <>
          {line([2, 2, 4.5, 3.5], colour.sheet, 1.2, 0.75)}
          {line([7.5, 7, 9, 9], colour.ink, 1.2, 0.5)}
          {line([8, 2.5, 9.5, 1.5], colour.sheet, 1, 0.6)}
        </>,
      )}
      {tile('pearl', 12, <Circle cx={dp(6)} cy={dp(6)} r={dp(2.4)} fill="none" stroke={colour.sheet} strokeWidth={dp(1)} strokeOpacity={0.8} />)}
      {tile(
        'candy',
        12,
        <Path
          d={`M0 ${dp(4)}Q${dp(3)} ${dp(1)} ${dp(6)} ${dp(4)}T${dp(12)} ${dp(4)}M0 ${dp(10)}Q${dp(3)} ${dp(7)} ${dp(6)} ${dp(10)}T${dp(12)} ${dp(10)}`}
          fill="none"
          stroke={colour.sheet}
          strokeWidth={dp(1)}
          strokeOpacity={0.7}
        />,
      )}
      {tile('crepe', 5, line([0, 0, 5, 5], colour.ink, 1.4))}
      {tile('washi', 4, <Circle cx={dp(2)} cy={dp(2)} r={dp(0.9)} fill={colour.ink} />)}
      {tile('foam', 8, <Circle cx={dp(4)} cy={dp(4)} r={dp(2.2)} fill={colour.ink} />)}
    </>
  );
}

/** How a tape is hatched, by the letter of its kind. */
const TAPE_HATCH: Readonly<Record<string, 'crepe' | 'washi' | 'foam'>> = { P: 'crepe', C: 'crepe', G: 'crepe', X: 'crepe', W: 'washi', S: 'foam' };

/** A tape lies along its line on its side, hatched by its kind; never drawn thinner than can be seen. */
function RunShape({ run, part, chosen, hatch, mmPerDp }: { run: Run; part: PartPlan; chosen: boolean; hatch: string; mmPerDp: number }) {
  const line = part.lines.find(({ id }) => id === run.line);
  if (!line || run.part !== part.id) return null;
  const width = Math.max(run.tapeWidthMm, 5 * mmPerDp);
  const shift = (run.side === 'left' ? 1 : -1) * (width / 2);
  const strips = line.pieces.map((piece) => stripAlong(piece, run.from, run.to, shift)).filter((strip) => strip.length > 1);
  const kind = TAPE_HATCH[run.tape?.[0] ?? ''];
  return (
    <G>
      {strips.map((strip, index) => {
        const d = openPath(strip);
        if (chosen) return <Path key={index} d={d} fill="none" stroke={colour.accent} strokeWidth={width} />;
        if (!kind) return <Path key={index} d={d} fill="none" stroke={colour.ink} strokeOpacity={0.55} strokeWidth={width} />;
        return (
          <G key={index}>
            <Path d={d} fill="none" stroke={colour.sheet} strokeOpacity={0.7} strokeWidth={width} />
            <Path d={d} fill="none" stroke={`url(#${hatch}${kind})`} strokeWidth={width} />
          </G>
        );
      })}
    </G>
  );
}

/** An open arrow: the way the gun goes. */
function Arrow({ arrow: { from, to }, mmPerDp }: { arrow: SprayArrow; mmPerDp: number }) {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const length = Math.hypot(dx, dy) || 1;
  const [ux, uy] = [dx / length, dy / length];
  const head = 7 * mmPerDp;
  const wing = (side: number): readonly [number, number] => [to[0] - head * (ux - 0.6 * side * uy), to[1] - head * (uy + 0.6 * side * ux)];
  const d = `${openPath([from, to])}${openPath([wing(1), to, wing(-1)])}`;
  return (
    <G>
      <Path d={d} fill="none" stroke={colour.sheet} strokeWidth={4.5 * mmPerDp} strokeOpacity={0.8} />
      <Path d={d} fill="none" stroke={colour.accent} strokeWidth={2 * mmPerDp} />
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

/** Marks along a line: filled at even steps, open in between. */
export const Marks = ({ marks, mmPerDp }: { marks: readonly { readonly place: readonly [number, number]; readonly extra: boolean }[]; mmPerDp: number }) => (
  <G>
    {marks.map(({ place: [x, y], extra }, index) => (
      <Circle key={index} cx={x} cy={y} r={3.5 * mmPerDp} fill={extra ? colour.sheet : colour.ink} stroke={colour.ink} strokeWidth={1.25 * mmPerDp} />
    ))}
  </G>
);

/** A comb of bends: the longer the tooth, the tighter the bend there. */
export function Comb({ bends, mmPerDp }: { bends: readonly (readonly [number, number, number, number, number, number])[]; mmPerDp: number }) {
  const tightest = Math.max(1e-9, ...bends.map(([, bend]) => Math.abs(bend)));
  const longest = 44 * mmPerDp;
  const tip = ([, bend, x, y, tx, ty]: (typeof bends)[number]): readonly [number, number] => {
    // Teeth stand on the outside of the bend.
    const length = (-bend / tightest) * longest;
    return [x - ty * length, y + tx * length];
  };
  return (
    <G>
      <Path d={bends.map((one) => openPath([[one[2], one[3]], tip(one)])).join('')} stroke={colour.calm} strokeWidth={mmPerDp} />
      {bends.length > 1 ? <Path d={openPath(bends.map(tip))} fill="none" stroke={colour.calm} strokeWidth={1.5 * mmPerDp} /> : null}
    </G>
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
