import {
  type AreaPlan,
  type ChoicePrice,
  type Design,
  messageWithoutValues,
  type PartPlan,
  pinArea,
  pinnedOpen,
  type Plan,
  showMinutes,
  type StagePlan,
  withoutOrder,
} from '@lintrel/core';
import type { Words } from '@lintrel/words';
import { phrase, phrases } from '@lintrel/words';
import { StyleSheet, View } from 'react-native';
import { useJob } from '@/job/JobContext';
import { useWords } from '@/person/PersonContext';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Panel } from '@/ui/Screen';
import { Heading, Small } from '@/ui/Typography';
import { freeAreas } from './StageFacts';

type Pinned = 'free' | 'open' | 'covered';

/** Areas of a stage that may be open or covered: left to the search, or pinned. */
export function Pins({
  plan,
  part,
  stage,
  chosen,
}: {
  plan: Plan;
  part: PartPlan;
  stage: StagePlan;
  chosen: string | null;
}) {
  const { design, change } = useJob();
  const free = freeAreas(plan, stage, part);
  if (free.length === 0) return null;
  const shown =
    chosen !== null && free.some(({ code }) => code === chosen)
      ? free.filter(({ code }) => code === chosen)
      : free.slice(0, MOST_SHOWN);
  const open = (code: string) =>
    stage.pictures.find((picture) => picture.part === part.id)?.areas.find((area) => area.code === code)?.open === true;
  const pin = (area: AreaPlan, value: Pinned) =>
    void change((now) => pinArea(now, part.id, area, stage.finish, value === 'free' ? null : value === 'open'), {
      code: 'edit.pinned',
      values: { code: area.code },
    });
  return (
    <Panel>
      <Heading>Open or covered in this stage</Heading>
      <Small>Areas painted later may be sprayed along now or covered. Tap one on the drawing, or choose here.</Small>
      {shown.map((area) => (
        <View key={area.code} testID="pin">
          <Choice
            label={phrase`${area.code}: now ${open(area.code) ? 'open' : 'covered'}`}
            value={pinnedIn(design, part.id, area, stage.finish)}
            options={[
              { value: 'free', label: 'As found best' },
              { value: 'open', label: 'Open' },
              { value: 'covered', label: 'Covered' },
            ]}
            onChange={(value) => pin(area, value)}
          />
        </View>
      ))}
      {free.length > shown.length ? (
        <Small>{phrase`${free.length - shown.length} more: tap them on the drawing.`}</Small>
      ) : null}
    </Panel>
  );
}

/** More than these are reached by tapping them. */
const MOST_SHOWN = 3;

function pinnedIn(design: Design, part: string, area: AreaPlan, finish: string): Pinned {
  const open = pinnedOpen(design, part, area, finish);
  return open === null ? 'free' : open ? 'open' : 'covered';
}

/** Cost of the manual choices, and a button to remove them. */
export function Price({ price }: { price: ChoicePrice | null }) {
  const words = useWords();
  const { change } = useJob();
  if (!price) return null;
  const back = () => void change(withoutOrder, messageWithoutValues('edit.order-free'));
  return (
    <View style={styles.price} testID="price">
      <Small tone="caution">{phrase`Your choices: ${priceWords(price, words)} (estimate), against the best without them.`}</Small>
      <Action label="Let Lintrel choose again" onPress={back} />
    </View>
  );
}

/** A price in words: what is more and what is less; small differences are no price. */
function priceWords({ workMin, endMin, tapeM, coats, riskM }: ChoicePrice, { metres }: Words): string {
  const signed = (value: number, text: string) => phrase`${value > 0 ? '+' : '−'}${text}`;
  const sentences = [
    Math.abs(workMin) >= 1 ? phrase`${signed(workMin, showMinutes(Math.abs(workMin)))} work` : null,
    Math.abs(endMin) >= 1 ? phrase`done ${showMinutes(Math.abs(endMin))} ${endMin > 0 ? 'later' : 'earlier'}` : null,
    Math.abs(tapeM) >= 0.05 ? phrase`${signed(tapeM, metres(1000 * Math.abs(tapeM)))} of tape` : null,
    coats !== 0 ? phrase`${signed(coats, String(Math.abs(coats)))} ${Math.abs(coats) === 1 ? 'coat' : 'coats'}` : null,
    Math.abs(riskM) >= 0.05 ? phrase`${signed(riskM, metres(1000 * Math.abs(riskM)))} of show edge` : null,
  ].filter((sentence) => sentence !== null);
  return sentences.length > 0 ? phrases(sentences) : 'they cost nothing';
}

const styles = StyleSheet.create({ price: { gap: space.small, alignItems: 'flex-start' } });
