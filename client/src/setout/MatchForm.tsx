import { type Measured, readLength, showLength } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Typed } from '@/forms/Field';
import { readingFault } from '@/forms/readingFault';
import { useJob } from '@/job/JobContext';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';
import { useView } from '@/worker/useSession';

const empty = { along: '', above: '' };

/** A few heights measured on the second side: where it is out, by how much, and whether anyone will see it. */
export function MatchForm({ partId, lineId, datum }: { partId: string; lineId: string; datum: string }) {
  const { design, unit } = useJob();
  const [typed, setTyped] = useState([empty, empty, empty]);
  const readings = typed
    .filter(({ along, above }) => along.trim() !== '' && above.trim() !== '')
    .map(({ along, above }) => [along, above].map((text) => readLength(text, { bare: unit, scale: design.scale })));
  const measured = readings.flatMap(([along, above]): Measured[] =>
    along?.ok && above?.ok ? [{ along: along.value, above: above.value }] : [],
  );
  const { output: match } = useView(
    'match',
    measured.length > 0 ? { part: partId, line: lineId, datum, measured } : null,
  );
  const put = (index: number, axis: 'along' | 'above', text: string) =>
    setTyped((now) => now.map((row, rowIndex) => (rowIndex === index ? { ...row, [axis]: text } : row)));
  const show = (mm: number) => showLength(Math.round(mm * 10) / 10, unit);
  const faultOf = (text: string): string | undefined => {
    if (text.trim() === '') return undefined;
    return readingFault(readLength(text, { bare: unit, scale: design.scale }));
  };
  return (
    <Panel>
      <Heading>Does the second side match?</Heading>
      <Small>Measure a few heights of the line on the second side, from the same datum.</Small>
      {typed.map((row, index) => (
        <View key={index} style={styles.row}>
          <Typed
            label={phrase`${index + 1}: along`}
            unit={unit}
            value={row.along}
            onChange={(text) => put(index, 'along', text)}
            fault={faultOf(row.along)}
            testID={`match.${index}.along`}
          />
          <Typed
            label="height"
            unit={unit}
            value={row.above}
            onChange={(text) => put(index, 'above', text)}
            fault={faultOf(row.above)}
            testID={`match.${index}.above`}
          />
        </View>
      ))}
      <Action label="Another height" icon="plus" onPress={() => setTyped((now) => [...now, empty])} />
      {match ? (
        <View role="status" testID="match">
          {match.rows.map(({ along, outMm, seen }) => (
            <Body key={along}>
              {outMm === null
                ? phrase`At ${show(along)} the line does not reach`
                : Math.abs(outMm) < 0.05
                  ? phrase`At ${show(along)} it matches`
                  : phrase`At ${show(along)} it is ${show(Math.abs(outMm))} too ${outMm > 0 ? 'high' : 'low'}${seen ? ', and will be seen' : ''}`}
            </Body>
          ))}
          <Notice
            level={match.seen ? 'caution' : 'note'}
            text={
              match.seen
                ? phrase`It will be seen: the difference changes by more than about 1 mm in 500 mm (rule of thumb). Worst: ${show(Math.abs(match.worstMm))}.`
                : phrase`Nobody will see it: what is out changes slowly along the line (rule of thumb). Worst: ${show(Math.abs(match.worstMm))}.`
            }
          />
        </View>
      ) : null}
    </Panel>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small } });
