import type { AreaPlan, Part } from '@lintrel/core';
import { numberOrNaN } from '@lintrel/core';
import { phrase, SYSTEM_NAMES } from '@lintrel/words';
import { useState } from 'react';
import { ColourInput } from '@/forms/ColourInput';
import { Typed } from '@/forms/Field';
import { FieldRow } from '@/forms/FieldRow';
import { Pick } from '@/forms/Pick';
import { PRESENT_SYSTEMS } from '@/forms/presentSystems';
import { Action } from '@/ui/Action';
import { Unfolded } from '@/ui/Row';
import { Small } from '@/ui/Typography';

type Present = Part['present'];
type System = Present['system'];
const name = (system: System) => (system === 'bare' ? 'nothing: bare' : SYSTEM_NAMES[system].toLowerCase());

/** Existing finish of an area that differs from the rest of its part: a primed repair, a bare spot, a painted well. */
export function PresentHere({
  area,
  rest,
  onGive,
}: {
  area: AreaPlan;
  rest: Present;
  onGive: (present: Present | null) => void;
}) {
  const now: Present = area.ownPresent
    ? { system: area.present?.system ?? 'bare', colour: area.shows, ageH: area.present?.ageH ?? 0 }
    : { system: rest.system, colour: rest.colour, ageH: rest.ageH };
  const [typed, setTyped] = useState<{ system: System; colour: string; ageH: string } | null>(null);
  if (typed === null)
    return (
      <Unfolded>
        <Small tone="ink">{phrase`On it now: ${name(now.system)}${now.system === 'bare' ? '' : phrase`, ${String(now.ageH)} h old`}${area.ownPresent ? '' : ', as the rest of the part'}`}</Small>
        <FieldRow>
          <Action
            rank="quiet"
            label="Something else is on it"
            onPress={() => setTyped({ ...now, ageH: String(now.ageH) })}
            testID="present-here"
          />
          {area.ownPresent ? (
            <Action rank="quiet" label="As the rest of the part" onPress={() => onGive(null)} />
          ) : null}
        </FieldRow>
      </Unfolded>
    );
  const ageH = numberOrNaN(typed.ageH);
  const aged = ageH >= 0 && ageH <= 1_000_000;
  const coloured = /^#[0-9a-f]{6}$/i.test(typed.colour);
  return (
    <Unfolded>
      <Pick
        label={phrase`On ${area.code} now`}
        value={typed.system}
        options={PRESENT_SYSTEMS}
        onChange={(system) => setTyped({ ...typed, system })}
      />
      <FieldRow>
        <Typed
          label="Colour it has"
          value={typed.colour}
          onChange={(colour) => setTyped({ ...typed, colour })}
          fault={coloured ? undefined : 'needs a colour such as #c7bfa6'}
          testID="present-colour"
        />
        <ColourInput
          label="Pick its colour"
          value={typed.colour}
          onChange={(colour) => setTyped({ ...typed, colour })}
        />
        <Typed
          label="Age of it"
          value={typed.ageH}
          unit="h"
          keys="numeric"
          onChange={(text) => setTyped({ ...typed, ageH: text })}
          fault={aged ? undefined : 'needs hours from 0 to 1 000 000'}
          testID="present-age"
        />
      </FieldRow>
      <FieldRow>
        <Action
          label="Keep these"
          disabled={!aged || !coloured}
          onPress={() => {
            onGive({ system: typed.system, colour: typed.colour.toLowerCase(), ageH });
            setTyped(null);
          }}
          testID="keep-present"
        />
        <Action rank="quiet" label="Leave it" onPress={() => setTyped(null)} />
      </FieldRow>
    </Unfolded>
  );
}
