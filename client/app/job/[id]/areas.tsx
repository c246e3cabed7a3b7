import { giveFinish } from '@lintrel/core';
import { useState } from 'react';
import { PartDrawing } from '@/drawing/PartDrawing';
import { useJob } from '@/job/JobContext';
import { Missing } from '@/job/Missing';
import { usePart } from '@/job/PartChoice';
import { StepLayout } from '@/job/StepLayout';
import { Notice } from '@/ui/Notice';
import { Row, Rows, Swatch } from '@/ui/Row';
import { Sheet } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Words';
import { KEEP } from '@/words';

/** Areas: tap an area, tap a finish. */
export default function AreasScreen() {
  const { design, plan, shelf, change } = useJob();
  const { part, choice } = usePart(plan);
  const [chosen, setChosen] = useState<string | null>(null);
  if (design.parts.length === 0)
    return (
      <StepLayout>
        <Missing need="part" />
      </StepLayout>
    );
  if (!part)
    return (
      <StepLayout>
        <Body>Finding the areas …</Body>
      </StepLayout>
    );
  const area = part.areas.find(({ code }) => code === chosen) ?? null;
  const give = (finish: string | null) => area && void change((now) => giveFinish(now, part.id, area, finish));
  const nameOf = (id: string | null) => shelf.finishes.find((finish) => finish.id === id)?.name ?? KEEP;
  return (
    <StepLayout part={part} drawing={<PartDrawing part={part} areas={part.areas} codes="areas" chosenArea={chosen} onArea={setChosen} />}>
      {choice}
      <Sheet>
        <Heading>{area ? `${area.code}: choose its finish` : 'Tap an area, then its finish'}</Heading>
        <Rows>
          {part.areas.map((one) => (
            <Row
              key={one.code}
              label={`Area ${one.code}, ${one.chosen ? nameOf(one.finish) : 'not chosen'}`}
              chosen={one.code === chosen}
              onPress={() => setChosen(one.code)}
              before={<Swatch colour={one.colour} />}
              testID="area"
            >
              <Body>{`${one.code}  ${one.chosen ? nameOf(one.finish) : 'not chosen yet: kept as it is'}`}</Body>
              <Small>{`${one.sizeM2.toFixed(one.sizeM2 < 0.1 ? 4 : 2)} m² · ${(one.perimeterMm / 1000).toFixed(2)} m round`}</Small>
            </Row>
          ))}
        </Rows>
      </Sheet>
      {(plan?.advice ?? [])
        .filter((advice) => advice.part === part.id && advice.area !== null)
        .map(({ level, text }) => (
          <Notice key={text} level={level} text={text} />
        ))}
      {area ? (
        <Sheet>
          <Heading>{`Finish of ${area.code}`}</Heading>
          <Rows>
            <Row label={KEEP} chosen={area.chosen && area.finish === null} onPress={() => give(null)} before={<Swatch colour={part.present} />}>
              <Body>{KEEP}</Body>
            </Row>
            {shelf.finishes.map((finish) => (
              <Row
                key={finish.id}
                label={finish.name}
                chosen={area.finish === finish.id}
                onPress={() => give(finish.id)}
                before={<Swatch colour={finish.colour} />}
                testID={`finish-${finish.id}`}
              >
                <Body>{finish.name}</Body>
              </Row>
            ))}
          </Rows>
        </Sheet>
      ) : null}
      {part.lines.length === 0 ? <Missing need="line" /> : null}
    </StepLayout>
  );
}
