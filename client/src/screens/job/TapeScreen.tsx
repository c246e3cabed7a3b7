import { closedAlike, isLine, itemsIn, linesIn, type PlugItem } from '@lintrel/core';
import { HOLD_NAMES, phrase, phrases, several } from '@lintrel/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { PartDrawing } from '@/drawing/PartDrawing';
import { useJob } from '@/job/JobContext';
import { Missing } from '@/job/Missing';
import { StepGuard } from '@/job/StepGuard';
import { StepLayout } from '@/job/StepLayout';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/Notice';
import { Row, Rows } from '@/ui/Row';
import { Panel } from '@/ui/Screen';
import { Body, Figure, Heading, Small } from '@/ui/Words';
import { useWords } from '@/person/PersonContext';

/** Tape: what is laid where, in order, with length and technique. */
export function TapeScreen() {
  const { design, plan, shelf } = useJob();
  const words = useWords();
  const [number, setNumber] = useState<number | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  if (design.parts.length === 0 || !plan) return <StepGuard waiting="Laying out the tape …" />;
  if (plan.stages.length === 0)
    return (
      <StepLayout>
        <Missing need="finish" />
      </StepLayout>
    );
  const stage = plan.stages.find((one) => one.number === number) ?? plan.stages.find((one) => linesIn(plan, one).length > 0) ?? plan.stages[0]!;
  const items = itemsIn(plan, stage);
  const lines = items.filter(isLine);
  const plugs = items.flatMap((item) => (item.kind === 'plug' ? [item] : []));
  const covers = items.flatMap((item) => (item.kind === 'cover' ? [item] : []));
  const run = lines.find(({ id }) => id === chosen) ?? lines[0];
  const partOf = (id: string) => plan.parts.find((one) => one.id === id);
  const codeOf = (part: string, area: string) => partOf(part)?.areas.find(({ id }) => id === area)?.code ?? area;
  const part = plan.parts.find(({ id }) => id === run?.part) ?? plan.parts[0]!;
  const picture = stage.pictures.find((one) => one.part === part.id)?.areas ?? [];
  const finishName = (id: string) => shelf.finishes.find((finish) => finish.id === id)?.name ?? id;
  return (
    <StepLayout
      part={part}
      drawing={
        <PartDrawing
          part={part}
          areas={picture.map(({ code, covered, colour }) => ({ code, colour, covered }))}
          runs={lines.filter((one) => one.part === part.id)}
          chosenRun={run?.id}
          codes="lines"
        />
      }
    >
      <Choice
        label="Stage"
        value={String(stage.number)}
        options={plan.stages.map((one) => ({ value: String(one.number), label: phrase`${one.number} ${finishName(one.finish)}` }))}
        onChange={(value) => setNumber(Number(value))}
      />
      {plugs.length > 0 ? <Openings plugs={plugs} /> : null}
      <Panel>
        <Heading>Lay in this order</Heading>
        {lines.length === 0 ? <Body>Nothing to mask in this stage: everything that is left gets painted over or is open.</Body> : null}
        <Rows>
          {lines.map((one) => (
            <Row
              key={one.id}
              label={phrase`${one.code} ${one.material ?? 'by hand'}`}
              chosen={one.id === run?.id}
              onPress={() => setChosen(one.id)}
              testID="run"
            >
              <View style={styles.head}>
                <Heading>{phrase`${one.code}  ${one.material ?? 'by hand'}`}</Heading>
                <Body>{phrase`${words.side(one.area === null ? one.sideSeen : 'along')} ${one.lineCode}${plan.parts.length > 1 ? phrase`, ${partOf(one.part)?.name}` : ''}`}</Body>
              </View>
              {one.techniques.map((technique) => (
                <View key={technique.code}>
                  <Body>{words.say(technique)}</Body>
                  <Small>{words.why(technique)}</Small>
                </View>
              ))}
              <View style={styles.figures}>
                <Figure label="Off the roll" value={words.metres(one.lengthMm)} />
                {one.hold ? <Figure label="On the paint below (estimate)" value={HOLD_NAMES[one.hold]} /> : null}
                <Figure label="Edge" value={one.area === null ? one.class : 'crisp'} />
                {one.stretch > 0 ? <Figure label="Stretch" value={`${(one.stretch * 100).toFixed(1)} %`} /> : null}
                {one.worstRadiusMm !== null ? <Figure label="Tightest radius" value={words.length(one.worstRadiusMm)} /> : null}
                {one.count > 1 ? <Figure label="How often" value={String(one.count)} /> : null}
              </View>
              {one.doubts.map((doubt) => (
                <Notice key={doubt.code} level="caution" text={words.say(doubt)} />
              ))}
            </Row>
          ))}
        </Rows>
        {covers.length > 0 ? (
          <Row label="Cover">
            <Body>{phrase`Then cover ${phrases(covers.map(({ area, part: of }) => phrase`${plan.parts.length > 1 ? phrase`${partOf(of)?.name} ` : ''}${area === null ? 'whole' : codeOf(of, area)}`))}`}</Body>
            <Small>{phrase`${words.area(covers.reduce((sum, { sizeM2 }) => sum + sizeM2, 0))} of paper or film (estimate)`}</Small>
          </Row>
        ) : null}
      </Panel>
      <Panel>
        <Heading>Tape to have ready, all stages</Heading>
        {plan.lists.tape.length === 0 ? <Body>None.</Body> : null}
        <Rows>
          {plan.lists.tape.map(({ tape, pieces, lengthM }) => (
            <Row key={tape} label={tape}>
              <Body>{phrase`${tape}  ${shelf.tapes.find(({ code }) => code === tape)?.name ?? ''}`}</Body>
              <Small>{phrase`${words.metres(1000 * lengthM)} in ${several(pieces, 'piece')}, tails included`}</Small>
            </Row>
          ))}
        </Rows>
      </Panel>
    </StepLayout>
  );
}

/** How the openings are closed before any tape: unfolded when asked for, since the lay list is what one works by. */
function Openings({ plugs }: { plugs: readonly PlugItem[] }) {
  const words = useWords();
  const [open, setOpen] = useState(false);
  const count = plugs.reduce((sum, { count: alike }) => sum + alike, 0);
  return (
    <Panel>
      <Heading>{phrase`First close ${several(count, 'opening')}`}</Heading>
      {open ? closedAlike(plugs.map(({ closing }) => closing)).map((closing) => <Body key={words.say(closing)}>{words.say(closing)}</Body>) : null}
      {open ? <Small>{phrase`Count them in: ${count}. As many come out in the end.`}</Small> : null}
      <Action label={open ? 'Hide how' : 'How each is closed'} icon={open ? 'chevron-up' : 'chevron-down'} onPress={() => setOpen(!open)} testID="openings" />
    </Panel>
  );
}

const styles = StyleSheet.create({
  head: { flexDirection: 'row', alignItems: 'baseline', gap: space.small, flexWrap: 'wrap' },
  figures: { flexDirection: 'row', flexWrap: 'wrap', gap: space.middle },
});
