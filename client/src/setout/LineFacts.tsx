import { type Fit, type LineAnalysis, type LineFit, type LinePlan, showBoth, showLength } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { Suspense } from 'react';
import { StyleSheet, View } from 'react-native';
import { bendCurve, Curve } from '@/drawing/charts';
import { colour, size, space } from '@/theme/theme';
import { Icon } from '@/ui/Icon';
import { Body, Figure, Small } from '@/ui/Typography';

const VERDICTS = {
  lays: { icon: 'check', words: 'lays' },
  stretch: { icon: 'arrow-expand-horizontal', words: 'stretch' },
  'too-tight': { icon: 'close', words: 'too tight' },
  impossible: { icon: 'close-octagon-outline', words: 'impossible' },
} as const;

interface LineFactsProps {
  readonly line: LinePlan;
  readonly analysis: LineAnalysis | null;
  readonly fits: readonly LineFit[] | null;
  readonly unit: 'mm' | 'in';
  /** At scale lengths are given for the real thing as well. */
  readonly scale: number;
}

/** What is known of one line: length, bends, fairness, what it meets, and which tapes follow it on which side. */
export function LineFacts({ line, analysis, fits, unit, scale }: LineFactsProps) {
  const show = (mm: number) => showLength(mm, unit);
  return (
    <View style={styles.facts}>
      <View style={styles.figures}>
        <Figure label="Length" value={showBoth(line.lengthMm, unit, scale)} />
        <Figure label="Tightest bend" value={line.tightest ? phrase`radius ${show(line.tightest.radiusMm)}` : 'none'} />
        {line.tightest ? <Figure label="at" value={show(line.tightest.at)} /> : null}
        <Figure
          label="Changes its bend"
          value={
            line.inflections.length === 0 ? 'never' : phrase`at ${line.inflections.slice(0, 4).map(show).join(', ')}`
          }
        />
        {line.corners.length > 0 ? (
          <Figure
            label="Corners, where a run ends"
            value={phrase`at ${line.corners.slice(0, 4).map(show).join(', ')}`}
          />
        ) : null}
      </View>
      {line.crosses.map((met, index) => (
        <Small key={index} tone="ink">
          {met.to - met.from < 1e-3
            ? phrase`Crosses ${met.name} at ${show(met.from)}`
            : phrase`${met.kind === 'opening' ? 'Broken by' : 'Runs over'} ${met.name} from ${show(met.from)} to ${show(met.to)}`}
        </Small>
      ))}
      <Fairness analysis={analysis} unit={unit} />
      {analysis && line.tightest ? (
        <Suspense fallback={<Small>Drawing the chart …</Small>}>
          <Curve {...bendCurve(analysis.bends, unit)} />
        </Suspense>
      ) : null}
      <Small>Which tape follows it: with the tape above or left of the line, and below or right of it</Small>
      {fits === null ? <Body>Trying the tapes …</Body> : null}
      {grouped(fits ?? []).map(({ tapes, left, right }) => (
        <View key={tapes} style={styles.fit}>
          <Body style={styles.code}>{tapes}</Body>
          <Verdict fit={left} unit={unit} />
          <Verdict fit={right} unit={unit} />
        </View>
      ))}
      {fits ? <Small tone="ink">{widestWords(fits)}</Small> : null}
    </View>
  );
}

/** Whether the line wavers, in words. */
function Fairness({ analysis, unit }: { analysis: LineAnalysis | null; unit: 'mm' | 'in' }) {
  if (!analysis) return <Small>Looking whether it runs fair …</Small>;
  if (analysis.wiggles.length === 0)
    return <Small tone="calm">Runs fair: no wiggle the eye would catch (estimate)</Small>;
  return (
    <View role="status">
      {analysis.wiggles.slice(0, 4).map(({ at, sizeMm, overMm }) => (
        <Small
          key={at}
          tone="caution"
        >{phrase`Wiggle at ${showLength(at, unit)}: ${showLength(Math.round(sizeMm * 10) / 10, unit)} in ${showLength(Math.round(overMm), unit)} (estimate)`}</Small>
      ))}
    </View>
  );
}

const holds = ({ verdict }: Fit): boolean => verdict === 'lays' || verdict === 'stretch';

/** The widest tape with a crisp edge that does the whole line on either side. */
function widestWords(all: readonly LineFit[]): string {
  const fits = all.filter(({ crisp }) => crisp);
  const widest = (side: 'left' | 'right') =>
    [...fits]
      .reverse()
      .sort((a, b) => b.widthMm - a.widthMm)
      .find((fit) => holds(fit[side]))?.tape;
  const [left, right] = [widest('left'), widest('right')];
  if (!left && !right)
    return 'No tape with a crisp edge does the whole line: split the run at the tight bend, or cut the edge from film.';
  return phrase`Widest crisp tape that does it: ${left ?? 'none'} above or left, ${right ?? 'none'} below or right`;
}

/** Groups neighbouring widths of a kind with the same result into one row, represented by the widest. */
function grouped(fits: readonly LineFit[]): { tapes: string; left: Fit; right: Fit }[] {
  const rows: { first: string; fit: LineFit }[] = [];
  for (const fit of fits) {
    const last = rows.at(-1);
    const same =
      last &&
      last.fit.kind === fit.kind &&
      last.fit.left.verdict === fit.left.verdict &&
      last.fit.right.verdict === fit.right.verdict;
    if (same) last.fit = fit;
    else rows.push({ first: fit.tape, fit });
  }
  return rows.map(({ first, fit: { tape, left, right } }) => ({
    tapes: first === tape ? tape : phrase`${first} to ${tape}`,
    left,
    right,
  }));
}

function Verdict({ fit, unit }: { fit: Fit; unit: 'mm' | 'in' }) {
  const { icon, words } = VERDICTS[fit.verdict];
  const bad = fit.stretches.find(({ verdict }) => verdict === fit.verdict);
  const where = !holds(fit) && bad ? phrase` from ${showLength(bad.from, unit)} to ${showLength(bad.to, unit)}` : '';
  const share = fit.verdict === 'stretch' ? phrase` up to ${(fit.stretch * 100).toFixed(1)} %` : '';
  return (
    <View style={styles.verdict}>
      <Icon name={icon} size={size.base} color={colour.quiet} />
      <Small tone="ink">{phrase`${words}${share}${where}`}</Small>
    </View>
  );
}

const styles = StyleSheet.create({
  facts: { gap: space.small, paddingVertical: space.small },
  figures: { flexDirection: 'row', flexWrap: 'wrap', gap: space.base },
  fit: { flexDirection: 'row', alignItems: 'center', gap: space.small, minHeight: space.wide },
  code: { width: 88 },
  verdict: { flex: 1, flexDirection: 'row', alignItems: 'center', gap: space.tight },
});
