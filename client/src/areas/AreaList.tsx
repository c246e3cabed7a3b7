import {
  type AreaPlan,
  giveFinish,
  givePresent,
  type letteringOf,
  type PartPlan,
  type Shelf,
  showArea,
  showLength,
} from '@lintrel/core';
import { countPhrase, phrase } from '@lintrel/words';
import { type Href, router } from 'expo-router';
import { View } from 'react-native';
import { useJob } from '@/job/JobContext';
import { useIsAllowed } from '@/people/who';
import { useWords } from '@/person/PersonContext';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Row, Rows, Swatch, Unfolded } from '@/ui/Row';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';
import { KEEP_AS_IS } from '@/words';
import { PresentHere } from './PresentHere';

/** Name of a finish by its id; null: what is there is kept. */
export const finishNames =
  ({ finishes }: Shelf) =>
  (id: string | null): string =>
    finishes.find((finish) => finish.id === id)?.name ?? KEEP_AS_IS;

interface AreaListProps {
  readonly part: PartPlan;
  readonly letters: ReturnType<typeof letteringOf>;
  readonly chosen: string | null;
  readonly onChoose: (code: string | null) => void;
}

/** Letters as one, then every other area; the chosen one with its choices below it. */
export function AreaList({ part, letters, chosen, onChoose }: AreaListProps) {
  const { change, shelf } = useJob();
  const nameOf = finishNames(shelf);
  const area = part.areas.find(({ code }) => code === chosen) ?? null;
  const giveLetters = (codes: readonly string[], finish: string | null, name: string) =>
    void change(
      (now) =>
        part.areas
          .filter(({ code }) => codes.includes(code))
          .reduce((design, seed) => giveFinish(design, part.id, seed, finish), now),
      {
        code: 'edit.finish',
        values: { code: name },
      },
    );
  const toggle = (code: string) => onChoose(code === chosen ? null : code);
  return (
    <Panel>
      <Heading>{area ? phrase`${area.code}: choose its finish` : 'Tap an area, then its finish'}</Heading>
      <Rows>
        {letters.map(({ owner, name, strokes, inner }) => {
          const first = part.areas.find(({ code }) => code === strokes[0])!;
          return (
            <View key={owner} ref={owner === chosen ? intoSight : undefined}>
              <Row
                label={phrase`Letters ${name}, ${first.chosen ? nameOf(first.finish) : 'not chosen'}`}
                chosen={owner === chosen}
                onPress={() => toggle(owner)}
                before={<Swatch colour={first.colour} />}
                testID="letters"
              >
                <Body>{phrase`${name}  ${first.chosen ? nameOf(first.finish) : 'not chosen yet: kept as it is'}`}</Body>
                <Small>{phrase`${countPhrase(strokes.length, 'shape')} together${inner.length > 0 ? phrase`; what is within them is listed below` : ''}`}</Small>
              </Row>
              {owner === chosen ? (
                <FinishChoice
                  area={first}
                  present={first.shows}
                  onGive={(finish) => giveLetters(strokes, finish, name)}
                />
              ) : null}
            </View>
          );
        })}
        {part.areas
          .filter(({ code }) => !letters.some(({ strokes }) => strokes.includes(code)))
          .map((offered) => (
            <View key={offered.code} ref={offered.code === chosen ? intoSight : undefined}>
              <AreaRow
                area={offered}
                chosen={offered.code === chosen}
                nameOf={nameOf}
                onPress={() => toggle(offered.code)}
              />
              {offered.code === chosen ? <AreaChoices part={part} area={offered} /> : null}
            </View>
          ))}
      </Rows>
    </Panel>
  );
}

function AreaRow({
  area,
  chosen,
  nameOf,
  onPress,
}: {
  area: AreaPlan;
  chosen: boolean;
  nameOf: (id: string | null) => string;
  onPress: () => void;
}) {
  const { unit } = useJob();
  const { metres } = useWords();
  return (
    <Row
      label={phrase`Area ${area.code}, ${area.chosen ? nameOf(area.finish) : 'not chosen'}`}
      chosen={chosen}
      onPress={onPress}
      before={<Swatch colour={area.colour} />}
      testID="area"
    >
      <Body>{phrase`${area.code}  ${area.chosen ? nameOf(area.finish) : 'not chosen yet: kept as it is'}`}</Body>
      <Small>{phrase`${showArea(area.sizeM2, unit)} · ${metres(area.perimeterMm)} round`}</Small>
    </Row>
  );
}

/** What is there now, how it is painted and with what: the choices of one area. */
function AreaChoices({ part, area }: { part: PartPlan; area: AreaPlan }) {
  const { design, change, unit } = useJob();
  const values = { code: area.code };
  const rest = design.parts.find(({ id }) => id === part.id)?.present;
  return (
    <>
      <Neighbours area={area} unit={unit} />
      <HowPainted
        area={area}
        cleared={design.scheme.clear !== undefined}
        onPaint={(more) =>
          void change(
            (now) =>
              giveFinish(now, part.id, area, area.finish, { blend: area.blend, clear: !area.uncleared, ...more }),
            { code: 'edit.area', values },
          )
        }
      />
      {rest ? (
        <PresentHere
          area={area}
          rest={rest}
          onGive={(present) =>
            void change((now) => givePresent(now, part.id, area, present), { code: 'edit.present', values })
          }
        />
      ) : null}
      <FinishChoice
        area={area}
        present={area.shows}
        onGive={(finish) =>
          void change((now) => giveFinish(now, part.id, area, finish), { code: 'edit.finish', values })
        }
      />
    </>
  );
}

/** An area tapped on the drawing comes into sight in the list, with its finishes below it. */
const intoSight = (row: unknown) => (row as HTMLElement | null)?.scrollIntoView?.({ block: 'start' });

/** What an area meets: how long they meet, and along which lines. */
function Neighbours({ area, unit }: { area: AreaPlan; unit: 'mm' | 'in' }) {
  return (
    <Unfolded>
      {area.neighbours.map(({ area: other, lengthMm, lines }) => (
        <Small
          key={other}
          tone="ink"
        >{phrase`Meets ${other} for ${showLength(lengthMm, unit)} along ${lines.join(', ')}`}</Small>
      ))}
      {area.neighbours.length === 0 ? <Small>Meets no other area</Small> : null}
    </Unfolded>
  );
}

/** Whether a painted area fades out, and whether the clear leaves it out. */
function HowPainted({
  area,
  cleared,
  onPaint,
}: {
  area: AreaPlan;
  cleared: boolean;
  onPaint: (more: { blend?: boolean; clear?: boolean }) => void;
}) {
  if (area.finish === null) return null;
  return (
    <Unfolded>
      <Choice
        label="Towards what is kept beside it"
        value={area.blend ? 'blend' : 'hard'}
        options={[
          { value: 'hard', label: 'A hard edge' },
          { value: 'blend', label: 'Blended out' },
        ]}
        onChange={(value) => onPaint({ blend: value === 'blend' })}
      />
      {cleared ? (
        <Choice
          label="Clear"
          value={area.uncleared ? 'without' : 'with'}
          options={[
            { value: 'with', label: 'Over it' },
            { value: 'without', label: 'Not here' },
          ]}
          onChange={(value) => onPaint({ clear: value === 'with' })}
        />
      ) : null}
    </Unfolded>
  );
}

/** The finishes an area may get, right below it. */
function FinishChoice({
  area,
  present,
  onGive,
}: {
  area: AreaPlan;
  present: string;
  onGive: (finish: string | null) => void;
}) {
  const { id, shelf } = useJob();
  const mayAdd = useIsAllowed()('shelf');
  return (
    <Unfolded>
      <Rows>
        <Row
          label={KEEP_AS_IS}
          chosen={area.chosen && area.finish === null}
          onPress={() => onGive(null)}
          before={<Swatch colour={present} />}
        >
          <Body>{KEEP_AS_IS}</Body>
        </Row>
        {shelf.finishes.map((finish) => (
          <Row
            key={finish.id}
            label={finish.name}
            chosen={area.finish === finish.id}
            onPress={() => onGive(finish.id)}
            before={<Swatch colour={finish.colour} />}
            testID={`finish-${finish.id}`}
          >
            <Body>{finish.name}</Body>
          </Row>
        ))}
      </Rows>
      {shelf.finishes.length === 0 ? <Body>There is no finish on the shelf yet.</Body> : null}
      {mayAdd ? (
        <Action
          rank="quiet"
          icon="plus"
          label="Add a finish to the shelf"
          onPress={() => router.push(`/shelf/finish/new?back=${encodeURIComponent(`/job/${id}/areas`)}` as Href)}
          testID="add-finish"
        />
      ) : null}
    </Unfolded>
  );
}
