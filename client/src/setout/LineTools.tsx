import {
  fairedLine,
  faultText,
  type LineOf,
  type LinePlan,
  messageWithoutValues,
  readLength,
  showLength,
  type TrimLine,
  withCopy,
  withLine,
  withLines,
  withMoved,
} from '@lintrel/core';
import { phrase, phrases } from '@lintrel/words';
import { type Href, router } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Typed } from '@/forms/Field';
import { lengthText } from '@/forms/lengthText';
import { useJob } from '@/job/JobContext';
import { measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Body, Small } from '@/ui/Typography';

/** What setting a mark on a line is called, and taking it off. */
const FLAGGED = {
  hidden: { on: 'edit.line-hidden', off: 'edit.line-shown' },
  locked: { on: 'edit.line-locked', off: 'edit.line-unlocked' },
} as const;

/** What can be done with the chosen line. */
export function LineTools({
  partId,
  line,
  made,
  comb,
  onComb,
}: {
  partId: string;
  line: LinePlan;
  made: TrimLine | null;
  comb: boolean;
  onComb: (on: boolean) => void;
}) {
  const { id, change } = useJob();
  if (!made)
    return <Small>This part follows its opposite: change the line there, or detach the part under Piece.</Small>;
  const go = (path: string) => router.push(`/job/${id}/${path}` as Href);
  const flag = (key: 'hidden' | 'locked') => {
    const { [key]: on, ...rest } = made;
    const changed = (on ? rest : { ...made, [key]: true }) as TrimLine;
    void change((now) => withLine(now, partId, changed), {
      code: FLAGGED[key][on ? 'off' : 'on'],
      values: { name: made.name },
    });
  };
  return (
    <View style={styles.tools}>
      {made.locked ? null : (
        <Action label="Change the measurements" icon="pencil-outline" onPress={() => go(`line/${partId}/${made.id}`)} />
      )}
      <Action label="Stations" icon="ruler" onPress={() => go(`stations/${partId}/${line.id}`)} />
      <Action label={comb ? 'Hide the comb' : 'Show the comb'} icon="chart-bell-curve" onPress={() => onComb(!comb)} />
      <Action
        label="Copy"
        icon="content-copy"
        onPress={() =>
          void change((now) => withCopy(now, partId, made.id), {
            code: 'edit.line-copied',
            values: { name: made.name },
          })
        }
      />
      <Action
        label="Up the list"
        icon="arrow-up"
        onPress={() =>
          void change((now) => withMoved(now, partId, made.id, -1), {
            code: 'edit.line-up',
            values: { name: made.name },
          })
        }
      />
      <Action
        label="Down the list"
        icon="arrow-down"
        onPress={() =>
          void change((now) => withMoved(now, partId, made.id, 1), {
            code: 'edit.line-down',
            values: { name: made.name },
          })
        }
      />
      <Action
        label={made.hidden ? 'Show it' : 'Hide it'}
        icon={made.hidden ? 'eye-outline' : 'eye-off-outline'}
        onPress={() => flag('hidden')}
      />
      <Action
        label={made.locked ? 'Unlock it' : 'Lock it'}
        icon={made.locked ? 'lock-open-outline' : 'lock-outline'}
        onPress={() => flag('locked')}
      />
      {made.kind === 'sweep' && !made.locked && made.points.length > 3 ? (
        <MakeFair partId={partId} line={made} />
      ) : null}
    </View>
  );
}

/** Moves the points of a sweep until it is fair, and shows by how much before it is accepted. */
function MakeFair({ partId, line }: { partId: string; line: LineOf<'sweep'> }) {
  const { design, change, unit } = useJob();
  const [most, setMost] = useState(() => lengthText(design.scale > 1 ? 0.3 : 3, unit));
  const [open, setOpen] = useState(false);
  if (!open) return <Action label="Make it fair" icon="auto-fix" onPress={() => setOpen(true)} />;
  const reading = readLength(most, { bare: unit, scale: design.scale });
  const mostMm = reading.ok && reading.value > 0 ? reading.value : null;
  const faired = mostMm === null ? null : fairedLine(line, mostMm);
  const moved = faired?.movedMm.map((mm, index) => ({ mm, index })).filter(({ mm }) => mm >= 0.01) ?? [];
  return (
    <View style={styles.fair}>
      <Typed
        whole
        label="No point moves by more than"
        unit={unit}
        value={most}
        onChange={setMost}
        fault={
          mostMm === null ? faultText(reading.ok ? messageWithoutValues('ask.must-be-above') : reading.why) : undefined
        }
        testID="most"
      />
      <Body>
        {faired === null
          ? 'Say how far points may move.'
          : moved.length === 0
            ? 'It runs fair already: no point would move.'
            : phrases(moved.map(({ mm, index }) => phrase`Point ${index + 1} moves ${showLength(mm, unit)}`))}
      </Body>
      {faired && moved.length > 0 ? (
        <Action
          rank="main"
          label="Move them"
          onPress={() => {
            void change(
              (now) =>
                withLines(now, partId, (lines) => lines.map((other) => (other.id === line.id ? faired.line : other))),
              {
                code: 'edit.line-fair',
                values: { name: line.name },
              },
            );
            setOpen(false);
          }}
          testID="make-fair"
        />
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({
  tools: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small, minHeight: measure.target },
  fair: { flexBasis: '100%', gap: space.small },
});
