import { isLine, type Plan, sprayArrows, type Step } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { PartDrawing } from '@/drawing/PartDrawing';
import { BoothButton } from '@/run/BoothButton';
import { TechniqueSketch } from '@/tape/TechniqueSketch';
import { measure, type Shade, shades, space } from '@/theme/theme';
import { useShade } from './shade';

/**
 * What a step is done to: the part with the tape of the step stronger, or the way to spray; and the technique of the tape, drawn.
 * @param plan the plan the sheet was started from
 */
export function StepPicture({ plan, step }: { plan: Plan; step: Step }) {
  const [turned, turn] = useState(0);
  const styles = STYLES[useShade().name];
  const stage = plan.stages.find(({ number }) => number === step.stage);
  if (!stage) return null;
  const items = plan.items.filter(({ id }) => step.items.includes(id));
  const painted = step.kind === 'coat' ? stage.open.map((ref) => ref.split('/')[0]!) : [];
  const ids = [
    ...new Set([...(step.part ? [step.part as string] : []), ...items.map(({ part }) => part as string), ...painted]),
  ];
  const parts = ids.flatMap((id) => plan.parts.find((part) => (part.id as string) === id) ?? []);
  const part = parts[turned % Math.max(1, parts.length)];
  if (!part) return null;
  const lines = items.filter(isLine);
  const picture = stage.pictures.find((other) => other.part === part.id)?.areas ?? [];
  const [first] = lines;
  const technique = step.kind === 'lay' ? first?.techniques[0]?.code : undefined;
  return (
    <View style={styles.sheet} testID="step-picture">
      <View style={styles.drawing}>
        <PartDrawing
          part={part}
          areas={picture.map(({ code, covered, colour }) => ({ code, colour, covered }))}
          runs={lines.filter((line) => line.part === part.id)}
          chosenRun={first?.part === part.id ? first.id : null}
          arrows={step.kind === 'coat' ? sprayArrows(plan, part, stage) : []}
          codes="lines"
        />
      </View>
      {technique ? <TechniqueSketch code={technique} /> : null}
      {parts.length > 1 ? (
        <BoothButton
          label={phrase`${part.name}, ${(turned % parts.length) + 1} of ${parts.length}: the next`}
          onPress={() => turn(turned + 1)}
          testID="next-part"
        />
      ) : null}
    </View>
  );
}

const stylesIn = (shade: Shade) =>
  StyleSheet.create({
    sheet: { gap: space.small },
    drawing: {
      height: measure.picture,
      borderWidth: measure.hairline,
      borderColor: shade.hairline,
      borderRadius: measure.corner,
      overflow: 'hidden',
    },
  });
const STYLES = { booth: stylesIn(shades.booth), daylight: stylesIn(shades.daylight) } as const;
