import type { LineItem, PartPlan, Place, SprayArrow } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { memo, type ReactNode, useId } from 'react';
import { Circle, Defs, G, Path, Pattern } from 'react-native-svg';
import { colour } from '@/theme/theme';
import { Canvas, type CanvasDrag, type CanvasHandle } from './Canvas';
import { AreaCodes, LineCodes } from './Codes';
import { BeyondBands, type DrawnEdges, EdgeTargets } from './Edges';
import { Arrow, PaintPatterns, RunShape } from './Masking';
import { boxRound } from './path';
import { AreaShape, Dashed, type DrawnArea, FeatureShape, LineShape, Rim, WorstBend } from './shapes';

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
  readonly spot?: Place | null;
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
      {help ? <DatumsAndFeatures part={part} mmPerDp={mmPerDp} /> : null}
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
      {spot ? <SpotMark spot={spot} mmPerDp={mmPerDp} /> : null}
      {codes === 'areas' ? <AreaCodes part={part} mmPerDp={mmPerDp} /> : null}
      {codes === 'lines' ? <LineCodes lines={lines} mmPerDp={mmPerDp} /> : null}
      {codes === 'lines'
        ? lines.flatMap((line) =>
            line.tightest && line.kind !== 'text' ? [<WorstBend key={line.id} line={line} mmPerDp={mmPerDp} />] : [],
          )
        : null}
    </G>
  );
});

/** Datums as dashed lines, and what a tape meets. */
const DatumsAndFeatures = ({ part, mmPerDp }: { part: PartPlan; mmPerDp: number }) => (
  <G>
    {part.datums.map(({ id, places }) => (
      <Dashed key={id} places={places} pattern={[14, 4, 2, 4]} tone={colour.quiet} mmPerDp={mmPerDp} />
    ))}
    {part.features
      .filter(({ kind }) => kind !== 'opening')
      .map((feature) => (
        <FeatureShape key={feature.id} feature={feature} mmPerDp={mmPerDp} />
      ))}
  </G>
);

const SpotMark = ({ spot: [cx, cy], mmPerDp }: { spot: Place; mmPerDp: number }) => (
  <G>
    <Circle cx={cx} cy={cy} r={9 * mmPerDp} fill="none" stroke={colour.sheet} strokeWidth={5 * mmPerDp} />
    <Circle cx={cx} cy={cy} r={9 * mmPerDp} fill="none" stroke={colour.accent} strokeWidth={2.5 * mmPerDp} />
  </G>
);
