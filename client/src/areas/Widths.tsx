import { type Design, type LineOf, messageWithoutValues, showLength, withBands } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { RangeInput } from '@/forms/RangeInput';
import { useJob } from '@/job/JobContext';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Panel } from '@/ui/Screen';
import { Heading, Small } from '@/ui/Typography';

/** Widths being tried on a band set. */
export interface Trial {
  readonly part: string;
  readonly line: string;
  readonly width: number;
  readonly gap: number;
}

/** A design with widths tried on it. */
export const withTrial = (design: Design, trial: Trial | null): Design =>
  trial ? withBands(design, trial.part, trial.line, trial) : design;

/** Sliders for the bands of a part: the drawing follows at once, the job only on Save. */
export function Widths({
  part,
  trial,
  onTrial,
}: {
  part: string;
  trial: Trial | null;
  onTrial: (trial: Trial | null) => void;
}) {
  const { design, change, unit } = useJob();
  const [open, setOpen] = useState(false);
  const bands = useMemo(
    () =>
      (design.parts.find(({ id }) => id === part)?.lines ?? []).filter(
        (line): line is LineOf<'bands'> => line.kind === 'bands',
      ),
    [design, part],
  );
  if (bands.length === 0) return null;
  if (!open) return <Action label="Try other widths" onPress={() => setOpen(true)} testID="try-widths" />;
  const keep = () => {
    void change((now) => withTrial(now, trial), messageWithoutValues('edit.widths'));
    onTrial(null);
  };
  return (
    <Panel>
      <Heading>Try widths</Heading>
      {bands.map((line) => {
        const ownTrial = trial?.line === line.id && trial.part === part ? trial : null;
        const [width, gap] = [ownTrial?.width ?? line.width, ownTrial?.gap ?? line.gap];
        return (
          <View key={line.id} style={styles.line} testID="widths">
            <Small tone="ink">{phrase`${line.name}: ${line.count} bands, ${showLength(width, unit)} wide, ${showLength(gap, unit)} apart`}</Small>
            <Stretch
              label={phrase`Width of ${line.name}`}
              value={width}
              usual={line.width}
              onChange={(value) => onTrial({ part, line: line.id, width: value, gap })}
              testID="width"
            />
            {line.gap > 0 ? (
              <Stretch
                label={phrase`Gap of ${line.name}`}
                value={gap}
                usual={line.gap}
                onChange={(value) => onTrial({ part, line: line.id, width, gap: value })}
              />
            ) : null}
          </View>
        );
      })}
      {trial ? (
        <View style={styles.row}>
          <Action rank="main" label="Keep these widths" onPress={keep} />
          <Action label="Put them back" onPress={() => onTrial(null)} />
        </View>
      ) : (
        <Small>Slide: the drawing follows at once. Nothing is kept until you say so.</Small>
      )}
    </Panel>
  );
}

/** A length from a third to twice what it is now. */
function Stretch({
  label,
  value,
  usual,
  onChange,
  testID,
}: {
  label: string;
  value: number;
  usual: number;
  onChange: (value: number) => void;
  testID?: string;
}) {
  const { unit } = useJob();
  return (
    <RangeInput
      label={label}
      value={value}
      least={usual / 3}
      most={usual * 2}
      step={usual / 60}
      words={showLength(value, unit)}
      onChange={(next) => onChange(round(next))}
      testID={testID}
    />
  );
}

/** To a tenth of a millimetre: finer than any tape is cut. */
const round = (value: number): number => Math.round(value * 10) / 10;

const styles = StyleSheet.create({
  line: { gap: space.tight },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
});
