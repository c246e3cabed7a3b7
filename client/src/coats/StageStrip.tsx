import type { PartPlan, Plan, StagePlan } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { finalAreas, stageAreas } from '@/drawing/paint';
import { PartThumb } from '@/drawing/PartThumb';
import { PieceThumb } from '@/drawing/PieceThumb';
import { useJob } from '@/job/JobContext';
import { useWords } from '@/person/PersonContext';
import { colour, measure, space } from '@/theme/theme';
import { Small } from '@/ui/Typography';

const touches = (stage: StagePlan, part: PartPlan): boolean =>
  stage.pictures.some((picture) => picture.part === part.id && picture.areas.some(({ open }) => open));

/** A picture after every stage, and one of the end; of the whole piece where the stage leaves the part alone. */
export function StageStrip({
  plan,
  part,
  chosen,
  onChoose,
}: {
  plan: Plan;
  part: PartPlan;
  chosen: number;
  onChoose: (number: number) => void;
}) {
  const { text } = useWords();
  const { shelf } = useJob();
  return (
    <ScrollView horizontal contentContainerStyle={styles.strip}>
      {plan.stages.map((stage) => (
        <Pressable
          key={stage.number}
          role="button"
          aria-label={text(phrase`Stage ${stage.number}`)}
          aria-pressed={stage.number === chosen}
          onPress={() => onChoose(stage.number)}
          style={[styles.picture, stage.number === chosen && styles.chosen]}
          testID="stage"
        >
          {touches(stage, part) ? (
            <PartThumb
              part={part}
              areas={stageAreas(plan, stage, part, shelf)}
              width={measure.thumb}
              height={measure.thumbHigh}
            />
          ) : (
            <PieceThumb
              parts={plan.parts}
              areasOf={(other) => stageAreas(plan, stage, other, shelf)}
              width={measure.thumb}
              height={measure.thumbHigh}
            />
          )}
          <Small tone="ink">{phrase`Stage ${stage.number}`}</Small>
        </Pressable>
      ))}
      <View style={styles.picture}>
        <PartThumb part={part} areas={finalAreas(part.areas, shelf)} width={measure.thumb} height={measure.thumbHigh} />
        <Small>In the end</Small>
      </View>
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  strip: { gap: space.small },
  picture: {
    padding: space.small,
    gap: space.tight,
    borderWidth: measure.hairline,
    borderColor: colour.hairline,
    backgroundColor: colour.sheet,
    alignItems: 'center',
    borderRadius: measure.corner,
  },
  chosen: { borderColor: colour.calm, borderWidth: 2 },
});
