import {
  letteringOf,
  type AreaPlan,
  type FeaturePlan,
  type Finish,
  type LinePlan,
  type PartPlan,
  type LineItem,
  type SprayArrow,
} from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { memo, useId, type ReactNode } from 'react';
import { Circle, Defs, G, Path, Pattern, Polygon, Text } from 'react-native-svg';
import { colour, font } from '@/theme/theme';
import { BeyondBands, EdgeTargets, type DrawnEdges } from './Edges';
import { Arrow, EFFECT_DRAWN, PaintPatterns, RunShape } from './Masking';
import { areaPath, boxRound, openPath, placeOfCode, ringPath } from './path';
import { firstStrokes } from './strokes';
import { Canvas, type CanvasDrag, type CanvasHandle } from './Canvas';

export interface DrawnArea {
  readonly code: string;
  readonly colour: string;
  /** Covered: at a third, under a wide cross hatch. */
  readonly covered?: boolean;
  /** Flakes and candies are drawn with a pattern. */
  readonly effect?: Finish['effect'];
}

interface PartPictureProps {
  readonly part: PartPlan;
  /** Colours of the areas; others show their existing finish. */
  readonly areas: readonly DrawnArea[];
  readonly chosenArea?: string | null;
  /** A line of the list, with all its strokes. */
  readonly chosenLine?: string | null;
  /** Runs of tape to draw along their lines; the chosen one stronger. */
  readonly runs?: readonly LineItem[];
  readonly chosenRun?: string | null;
  /** Which way to spray. */
  readonly arrows?: readonly SprayArrow[];
  /** A place to mark, such as where an edge is cut open. */
  readonly spot?: readonly [number, number] | null;
  readonly onArea?: (code: string) => void;
  readonly onLine?: (id: string) => void;
  readonly codes?: 'areas' | 'lines' | 'none';
  /** What lies beyond its edges. */
  readonly edges?: DrawnEdges;
  /** Datums and features are shown where lines are set out. */
  readonly help?: boolean;
}

interface PartDrawingProps extends PartPictureProps {
  readonly overlay?: (mmPerDp: number) => ReactNode;
  readonly handles?: readonly CanvasHandle[];
  readonly onDrag?: (drag: CanvasDrag) => void;
}

/** A part in true proportions: areas in their paint, lines in ink, tapes along them. */
export function PartDrawing({ overlay, handles, onDrag, ...props }: PartDrawingProps) {
  const { part } = props;
  return (
    <Canvas
      box={boxRound(part.ring)}
      label={phrase`Drawing of ${part.name}`}
      overlay={overlay}
      handles={handles}
      onDrag={onDrag}
    >
      {(mmPerDp) => <PartPicture {...props} mmPerDp={mmPerDp} />}
    </Canvas>
  );
}

/**
 * The drawing of a sheet, in millimetres; `mmPerDp` keeps strokes and codes the same size on screen. Redrawn only
 * when it changes.
 */
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
  edges,
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
          <Path
            d={`M0 0L${12 * mmPerDp} ${12 * mmPerDp}M0 ${12 * mmPerDp}L${12 * mmPerDp} 0`}
            stroke={colour.quiet}
            strokeWidth={0.7 * mmPerDp}
          />
        </Pattern>
        <PaintPatterns id={hatch} mmPerDp={mmPerDp} />
      </Defs>
      {edges ? <BeyondBands part={part} edges={edges} mmPerDp={mmPerDp} /> : null}
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
      {help
        ? part.datums.map(({ id, places }) => (
            <Dashed key={id} places={places} pattern={[14, 4, 2, 4]} tone={colour.quiet} mmPerDp={mmPerDp} />
          ))
        : null}
      {help
        ? part.features
            .filter(({ kind }) => kind !== 'opening')
            .map((feature) => <FeatureShape key={feature.id} feature={feature} mmPerDp={mmPerDp} />)
        : null}
      {runs.map((run) => (
        <RunShape
          key={run.id}
          run={run}
          part={part}
          hatch={hatch}
          chosen={chosenRun != null && (run.id === chosenRun || run.sheetOf === chosenRun)}
          mmPerDp={mmPerDp}
        />
      ))}
      {lines.map((line) => (
        <LineShape key={line.id} line={line} chosen={line.owner === chosenLine} onPress={onLine} mmPerDp={mmPerDp} />
      ))}
      {arrows.map((arrow, index) => (
        <Arrow key={index} arrow={arrow} mmPerDp={mmPerDp} />
      ))}
      {edges ? <EdgeTargets part={part} edges={edges} mmPerDp={mmPerDp} /> : null}
      {spot ? (
        <G>
          <Circle
            cx={spot[0]}
            cy={spot[1]}
            r={9 * mmPerDp}
            fill="none"
            stroke={colour.sheet}
            strokeWidth={5 * mmPerDp}
          />
          <Circle
            cx={spot[0]}
            cy={spot[1]}
            r={9 * mmPerDp}
            fill="none"
            stroke={colour.accent}
            strokeWidth={2.5 * mmPerDp}
          />
        </G>
      ) : null}
      {codes === 'areas'
        ? areaCodes(part).map(({ code, at, lift }) => (
            <Code key={code} at={at} text={code} mmPerDp={mmPerDp} lift={lift} />
          ))
        : null}
      {codes === 'lines'
        ? firstStrokes(lines).flatMap((line, index) =>
            line.pieces[0]
              ? [
                  <Code
                    key={line.id}
                    at={placeOfCode(line.pieces[0], index)}
                    text={line.code}
                    mmPerDp={mmPerDp}
                    lift={9}
                  />,
                ]
              : [],
          )
        : null}
      {codes === 'lines'
        ? lines.flatMap((line) =>
            line.tightest && line.kind !== 'text' ? [<WorstBend key={line.id} line={line} mmPerDp={mmPerDp} />] : [],
          )
        : null}
    </G>
  );
});

/** Letters have their name so far below them, dp. */
const BELOW_LETTERS = -12;

/** Codes of the areas at their places; the letters of a line have one name, below them. */
function areaCodes(part: PartPlan): { code: string; at: readonly [number, number]; lift: number }[] {
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
}) => (
  <Path
    d={openPath(places)}
    fill="none"
    stroke={tone}
    strokeWidth={1.25 * mmPerDp}
    strokeDasharray={pattern.map((dp) => dp * mmPerDp)}
  />
);

/** Rows as dots, creases as a double line, zones with a dotted outline. */
function FeatureShape({ feature, mmPerDp }: { feature: FeaturePlan; mmPerDp: number }) {
  const { kind, places, closed } = feature;
  if (places.length < 2) return null;
  const d = closed ? ringPath(places) : openPath(places);
  if (kind === 'raised-row')
    return (
      <Path
        d={d}
        fill="none"
        stroke={colour.quiet}
        strokeWidth={4 * mmPerDp}
        strokeLinecap="round"
        strokeDasharray={[0.1 * mmPerDp, 9 * mmPerDp]}
      />
    );
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
      <Path
        d={d}
        fill={drawn?.colour ?? colour.sheet}
        fillOpacity={drawn?.covered ? 0.33 : 1}
        fillRule="evenodd"
        testID={`area-${area.code}`}
      />
      {drawn?.effect && EFFECT_DRAWN.has(drawn.effect) && !drawn.covered ? (
        <Path d={d} fill={`url(#${hatch}${drawn.effect})`} fillRule="evenodd" />
      ) : null}
      {drawn?.covered ? <Path d={d} fill={`url(#${hatch})`} fillRule="evenodd" /> : null}
      {chosen ? <Path d={d} fill="none" stroke={colour.calm} strokeWidth={4 * mmPerDp} /> : null}
    </G>
  );
}

function LineShape({
  line,
  chosen,
  onPress,
  mmPerDp,
}: {
  line: LinePlan;
  chosen: boolean;
  onPress?: (id: string) => void;
  mmPerDp: number;
}) {
  const d = line.pieces.map(openPath).join('');
  if (!d) return null;
  return (
    <G>
      {chosen ? <Path d={d} fill="none" stroke={colour.sheet} strokeWidth={7 * mmPerDp} /> : null}
      <Path d={d} fill="none" stroke={colour.ink} strokeWidth={(chosen ? 3 : 1.25) * mmPerDp} />
      {onPress ? (
        <Path d={d} fill="none" stroke="transparent" strokeWidth={24 * mmPerDp} onPress={() => onPress(line.owner)} />
      ) : null}
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
export const Marks = ({
  marks,
  mmPerDp,
}: {
  marks: readonly { readonly place: readonly [number, number]; readonly extra: boolean }[];
  mmPerDp: number;
}) => (
  <G>
    {marks.map(({ place: [x, y], extra }, index) => (
      <Circle
        key={index}
        cx={x}
        cy={y}
        r={3.5 * mmPerDp}
        fill={extra ? colour.sheet : colour.ink}
        stroke={colour.ink}
        strokeWidth={1.25 * mmPerDp}
      />
    ))}
  </G>
);

/** A comb of bends: the longer the tooth, the tighter the bend there. */
export function Comb({
  bends,
  mmPerDp,
}: {
  bends: readonly (readonly [number, number, number, number, number, number])[];
  mmPerDp: number;
}) {
  const tightest = Math.max(1e-9, ...bends.map(([, bend]) => Math.abs(bend)));
  const longest = 44 * mmPerDp;
  const tip = ([, bend, x, y, tx, ty]: (typeof bends)[number]): readonly [number, number] => {
    // Teeth stand on the outside of the bend.
    const length = (-bend / tightest) * longest;
    return [x - ty * length, y + tx * length];
  };
  return (
    <G>
      <Path
        d={bends.map((bend) => openPath([[bend[2], bend[3]], tip(bend)])).join('')}
        stroke={colour.calm}
        strokeWidth={mmPerDp}
      />
      {bends.length > 1 ? (
        <Path d={openPath(bends.map(tip))} fill="none" stroke={colour.calm} strokeWidth={1.5 * mmPerDp} />
      ) : null}
    </G>
  );
}

function Code({
  at: [x, y],
  text,
  mmPerDp,
  lift = 0,
}: {
  at: readonly [number, number];
  text: string;
  mmPerDp: number;
  lift?: number;
}) {
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
