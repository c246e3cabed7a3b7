import {
  gripFromStickTest,
  PAINT_SYSTEM_KEYS,
  type PaintSystemKey,
  readLength,
  readNumber,
  readTemperature,
  REFERENCE_AIR,
  type StickTest,
  stretchFromBendTest,
  type Tape,
} from '@lintrel/core';
import { phrase, SYSTEM_NAMES } from '@lintrel/words';
import { useState } from 'react';
import { Typed } from '@/forms/Field';
import { FieldRow } from '@/forms/FieldRow';
import { Pick } from '@/forms/Pick';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { Heading, Small } from '@/ui/Typography';

interface TapeTestsProps {
  readonly tape: Tape;
  /** Takes over changed figures into the fields above, to be checked and saved. */
  readonly onFigures: (figures: Partial<Record<'stretch' | 'adhesionN25' | 'minApplyC', number>>) => void;
}

/** What the tape did in this shop: round cans, and stuck on a paint. It changes this tape's figures here. */
export const TapeTests = (props: TapeTestsProps) => (
  <>
    <BendTest {...props} />
    <StickTestForm {...props} />
  </>
);

function BendTest({ tape, onFigures }: TapeTestsProps) {
  const [clean, setClean] = useState('');
  const [failed, setFailed] = useState('');
  const lengthOf = (typed: string): number | null => {
    const read = readLength(typed, {});
    return typed.trim() !== '' && read.ok ? read.value : null;
  };
  const stretch = stretchFromBendTest(tape, { cleanMm: lengthOf(clean), failedMm: lengthOf(failed) });
  const tried = lengthOf(clean) !== null || lengthOf(failed) !== null;
  return (
    <Panel>
      <Heading>Bend test</Heading>
      <Small>
        Lay it flat round the foot of cans: the smallest it lay clean round, and the largest it pleated or crept back
        round. One is enough.
      </Small>
      <FieldRow>
        <Typed label="Clean round" unit="mm" value={clean} onChange={setClean} testID="bend-clean" />
        <Typed label="Failed round" unit="mm" value={failed} onChange={setFailed} testID="bend-failed" />
      </FieldRow>
      {tried && stretch === null ? (
        <Notice level="caution" text="The can it lay clean round is the smaller one: change them over." />
      ) : null}
      {tried && stretch !== null ? (
        <Action
          label={phrase`Take a safe stretch of ${(100 * stretch).toFixed(1)} %`}
          onPress={() => onFigures({ stretch: round(stretch) })}
          testID="take-stretch"
        />
      ) : null}
    </Panel>
  );
}

function StickTestForm({ tape, onFigures }: TapeTestsProps) {
  const [stuck, setStuck] = useState({
    paint: 'can-enamel' as PaintSystemKey,
    ageH: '24',
    surface: '20',
    result: 'clean' as StickTest['result'],
  });
  const [age, surface] = [readNumber(stuck.ageH), readTemperature(stuck.surface, 'C')];
  const figures =
    age.ok && surface.ok
      ? gripFromStickTest(
          tape,
          { result: stuck.result, paint: stuck.paint, ageMin: age.value * 60, surfaceC: surface.value },
          REFERENCE_AIR,
        )
      : null;
  const differs = figures && (figures.adhesionN25 !== tape.adhesionN25 || figures.minApplyC !== tape.minApplyC);
  return (
    <Panel>
      <Heading>Stick test</Heading>
      <Small>A piece pressed on where it is not seen, and pulled off slowly.</Small>
      <Pick
        label="On"
        value={stuck.paint}
        options={PAINT_SYSTEM_KEYS.map((value) => ({ value, label: SYSTEM_NAMES[value] }))}
        onChange={(paint) => setStuck({ ...stuck, paint })}
      />
      <FieldRow>
        <Typed
          label="Age of that paint"
          unit="h"
          keys="numeric"
          value={stuck.ageH}
          onChange={(ageH) => setStuck({ ...stuck, ageH })}
          testID="stick-age"
        />
        <Typed label="Surface" unit="°C" value={stuck.surface} onChange={(to) => setStuck({ ...stuck, surface: to })} />
      </FieldRow>
      <Choice
        label="What came of it"
        value={stuck.result}
        options={[
          { value: 'clean', label: 'came off clean' },
          { value: 'lifted', label: 'lifted paint' },
          { value: 'let-go', label: 'let go' },
        ]}
        onChange={(result) => setStuck({ ...stuck, result })}
      />
      {figures && differs ? (
        <Action
          label={
            stuck.result === 'let-go'
              ? phrase`Take it as sticking from ${figures.minApplyC} °C`
              : phrase`Take a grip of ${figures.adhesionN25.toFixed(1)} N/25 mm`
          }
          onPress={() =>
            onFigures(
              stuck.result === 'let-go'
                ? { minApplyC: figures.minApplyC }
                : { adhesionN25: round(figures.adhesionN25) },
            )
          }
          testID="take-grip"
        />
      ) : (
        <Small>That agrees with its figures.</Small>
      )}
    </Panel>
  );
}

/** Figures are rounded to their accuracy. */
const round = (value: number): number => Math.round(value * 1000) / 1000;
