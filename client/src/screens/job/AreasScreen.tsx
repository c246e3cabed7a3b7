import {
  giveFinish,
  givePresent,
  letteringOf,
  showArea,
  showLength,
  forgetAtPoint,
  type AreaPlan,
  type PartPlan,
  messageWithoutValues,
} from '@lintrel/core';
import { phrase, countPhrase } from '@lintrel/words';
import { router, type Href } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { LayersPanel } from '@/areas/LayersPanel';
import { PresentHere } from '@/areas/PresentHere';
import { Schemes, type OtherDrawing } from '@/areas/Schemes';
import { SideBySide } from '@/areas/SideBySide';
import { Widths, withTrial, type Trial } from '@/areas/Widths';
import { finalAreas } from '@/drawing/paint';
import { PartDrawing } from '@/drawing/PartDrawing';
import { useJob } from '@/job/JobContext';
import { Missing } from '@/job/Missing';
import { usePart } from '@/job/PartChoice';
import { StepGuard } from '@/job/StepGuard';
import { StepLayout } from '@/job/StepLayout';
import { useIsAllowed } from '@/people/who';
import { useWide } from '@/theme/useWide';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/Notice';
import { Row, Rows, Swatch, Unfolded } from '@/ui/Row';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';
import { KEEP_AS_IS } from '@/words';
import { useView } from '@/worker/useSession';
import { useWords } from '@/person/PersonContext';

/** Areas: tap an area, tap a finish. */
export function AreasScreen() {
  const { design, parts, plan, shelf, change, unit } = useJob();
  const { say, metres } = useWords();
  const { part, choice } = usePart(parts);
  const [chosen, setChosen] = useState<string | null>(null);
  const [trial, setTrial] = useState<Trial | null>(null);
  const [other, setOther] = useState<OtherDrawing | null>(null);
  const wide = useWide();
  const tried = useTrial(trial);
  if (!part) return <StepGuard waiting="Finding the areas …" />;
  const drawn = tried?.find(({ id }) => id === part.id) ?? part;
  const area = part.areas.find(({ code }) => code === chosen) ?? null;
  const letters = letteringOf(part);
  // Letters are tapped as one.
  const choose = (code: string | null) =>
    setChosen(letters.find(({ strokes }) => code !== null && strokes.includes(code))?.owner ?? code);
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
  const give = (finish: string | null) =>
    area &&
    void change((now) => giveFinish(now, part.id, area, finish), { code: 'edit.finish', values: { code: area.code } });
  const paint = (more: { blend?: boolean; clear?: boolean }) =>
    area &&
    void change(
      (now) => giveFinish(now, part.id, area, area.finish, { blend: area.blend, clear: !area.uncleared, ...more }),
      {
        code: 'edit.area',
        values: { code: area.code },
      },
    );
  const rest = design.parts.find(({ id }) => id === part.id)?.present;
  const toldPresent = (present: Parameters<typeof givePresent>[3]) =>
    area &&
    void change((now) => givePresent(now, part.id, area, present), {
      code: 'edit.present',
      values: { code: area.code },
    });
  const nameOf = (id: string | null) => shelf.finishes.find((finish) => finish.id === id)?.name ?? KEEP_AS_IS;
  return (
    <StepLayout
      part={part}
      drawing={
        wide && other ? (
          <SideBySide part={part} other={other} shelf={shelf} />
        ) : (
          <PartDrawing
            part={drawn}
            areas={finalAreas(drawn.areas, shelf)}
            codes="areas"
            chosenArea={trial ? null : chosen}
            onArea={trial ? undefined : choose}
          />
        )
      }
    >
      {choice}
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
                  onPress={() => setChosen(owner === chosen ? null : owner)}
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
                <Row
                  label={phrase`Area ${offered.code}, ${offered.chosen ? nameOf(offered.finish) : 'not chosen'}`}
                  chosen={offered.code === chosen}
                  onPress={() => setChosen(offered.code === chosen ? null : offered.code)}
                  before={<Swatch colour={offered.colour} />}
                  testID="area"
                >
                  <Body>{phrase`${offered.code}  ${offered.chosen ? nameOf(offered.finish) : 'not chosen yet: kept as it is'}`}</Body>
                  <Small>{phrase`${showArea(offered.sizeM2, unit)} · ${metres(offered.perimeterMm)} round`}</Small>
                </Row>
                {offered.code === chosen ? <Neighbours area={offered} unit={unit} /> : null}
                {offered.code === chosen ? (
                  <HowPainted area={offered} cleared={design.scheme.clear !== undefined} onPaint={paint} />
                ) : null}
                {offered.code === chosen && rest ? (
                  <PresentHere area={offered} rest={rest} onGive={toldPresent} />
                ) : null}
                {offered.code === chosen ? <FinishChoice area={offered} present={offered.shows} onGive={give} /> : null}
              </View>
            ))}
        </Rows>
      </Panel>
      {part.lost.map(({ seed, finish }) => (
        <Lost
          key={seed.join(' ')}
          seed={seed}
          name={nameOf(finish)}
          unit={unit}
          onLeaveOut={() =>
            void change((now) => forgetAtPoint(now, part.id, seed), messageWithoutValues('edit.place-gone'))
          }
        />
      ))}
      <Widths part={part.id} trial={trial} onTrial={setTrial} />
      <LayersPanel />
      {plan ? <Schemes plan={plan} part={part} onOther={setOther} /> : null}
      {(plan?.advice ?? [])
        .filter(({ place, values }) => place.part === part.id && place.area !== null && !('stage' in values))
        .map((advice) => (
          <Notice key={say(advice)} level={advice.level} text={say(advice)} />
        ))}
      {part.lines.length === 0 ? <Missing need="line" /> : null}
    </StepLayout>
  );
}

/** A finish that was given to a place in no area: never left out without a person saying so. */
function Lost({
  seed,
  name,
  unit,
  onLeaveOut,
}: {
  seed: readonly [number, number];
  name: string;
  unit: 'mm' | 'in';
  onLeaveOut: () => void;
}) {
  return (
    <Panel>
      <Notice
        level="stop"
        text={phrase`"${name}" was given to a place in no area: ${showLength(seed[0], unit)} along, ${showLength(seed[1], unit)} up. Give the area that was meant its finish.`}
      />
      <Action label="Leave this out" onPress={onLeaveOut} testID="leave-out" />
    </Panel>
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

/** Parts with widths tried on them; null while none are. */
function useTrial(trial: Trial | null): readonly PartPlan[] | null {
  const { design } = useJob();
  const tried = useMemo(() => withTrial(design, trial), [design, trial]);
  const { output } = useView('draft', trial ? { design: tried, carry: true } : null);
  return trial ? output : null;
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
