import { showLength, type Fit, type LineFit, type LinePlan } from '@lintrel/core';
import { StyleSheet, View } from 'react-native';
import MaterialCommunityIcons from '@expo/vector-icons/MaterialCommunityIcons';
import { colour, size, space } from '@/theme/theme';
import { Body, Figure, Small } from '@/ui/Words';

const VERDICTS = {
  lays: { icon: 'check', words: 'lays' },
  stretch: { icon: 'arrow-expand-horizontal', words: 'stretch' },
  'too-tight': { icon: 'close', words: 'too tight' },
  impossible: { icon: 'close-octagon-outline', words: 'impossible' },
} as const;

/** What is known of one line: length, bends, and which tapes follow it on which side. */
export function LineFacts({ line, fits, unit }: { line: LinePlan; fits: readonly LineFit[] | null; unit: 'mm' | 'in' }) {
  return (
    <View style={styles.facts}>
      <View style={styles.figures}>
        <Figure label="Length" value={showLength(line.lengthMm, unit)} />
        <Figure label="Tightest bend" value={line.tightest ? `radius ${showLength(line.tightest.radiusMm, unit)}` : 'none'} />
        {line.tightest ? <Figure label="at" value={showLength(line.tightest.at, unit)} /> : null}
        <Figure
          label="Changes its bend"
          value={line.inflections.length === 0 ? 'never' : `at ${line.inflections.map((at) => showLength(at, unit)).join(', ')}`}
        />
      </View>
      <Small>Which tape follows it: with the tape above or left of the line, and below or right of it</Small>
      {fits === null ? <Body>Trying the tapes …</Body> : null}
      {grouped(fits ?? []).map(({ tapes, left, right }) => (
        <View key={tapes} style={styles.fit}>
          <Body style={styles.code}>{tapes}</Body>
          <Verdict fit={left} unit={unit} />
          <Verdict fit={right} unit={unit} />
        </View>
      ))}
    </View>
  );
}

/** Neighbouring widths of a kind that fare the same stand in one row; the widest of them speaks for all. */
function grouped(fits: readonly LineFit[]): { tapes: string; left: Fit; right: Fit }[] {
  const rows: { first: string; fit: LineFit }[] = [];
  for (const fit of fits) {
    const last = rows.at(-1);
    const same = last && last.fit.tape[0] === fit.tape[0] && last.fit.left.verdict === fit.left.verdict && last.fit.right.verdict === fit.right.verdict;
    if (same) last.fit = fit;
    else rows.push({ first: fit.tape, fit });
  }
  return rows.map(({ first, fit: { tape, left, right } }) => ({ tapes: first === tape ? tape : `${first} to ${tape}`, left, right }));
}

function Verdict({ fit, unit }: { fit: Fit; unit: 'mm' | 'in' }) {
  const { icon, words } = VERDICTS[fit.verdict];
  const bad = fit.stretches.find(({ verdict }) => verdict === fit.verdict);
  const where = fit.verdict === 'too-tight' || fit.verdict === 'impossible' ? ` from ${showLength(bad?.from ?? 0, unit)}` : '';
  const share = fit.verdict === 'stretch' ? ` up to ${(fit.stretch * 100).toFixed(1)} %` : '';
  return (
    <View style={styles.verdict}>
      <MaterialCommunityIcons aria-hidden name={icon} size={size.base} color={colour.quiet} />
      <Small tone="ink">{`${words}${share}${where}`}</Small>
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
