import type { PlanLists, Shelf } from '@lintrel/core';
import { phrase, several } from '@lintrel/words';
import { useWords } from '@/person/PersonContext';
import { Notice } from '@/ui/Notice';
import { Row, Rows } from '@/ui/Row';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Words';

/** What to have ready for all stages, and what is missing on the shelf. */
export function ReadyPanel({ lists: { tape, foam, drape, openings, shopping }, shelf }: { lists: PlanLists; shelf: Shelf }) {
  const words = useWords();
  const sizeM2 = drape.reduce((sum, one) => sum + one.sizeM2, 0);
  const short = tape.filter(({ missing }) => missing !== null && missing > 0);
  return (
    <Panel>
      <Heading>To have ready, all stages</Heading>
      {short.map(({ tape: code, missing }) => (
        <Notice key={code} level="caution" text={phrase`${code}: ${several(missing ?? 0, 'roll')} short. Buy, or take another tape.`} />
      ))}
      {shopping.length > 0 ? (
        <Notice level="caution" text={phrase`${several(shopping.length, 'piece')} without a tape on the shelf: see them in the lay list.`} />
      ) : null}
      {tape.length + foam.length + drape.length === 0 ? <Body>Nothing.</Body> : null}
      <Rows>
        {tape.map(({ tape: code, pieces, lengthM, rolls }) => (
          <Row key={code} label={code}>
            <Body>{phrase`${code}  ${shelf.tapes.find((one) => one.code === code)?.name ?? ''}`}</Body>
            <Small>{phrase`${words.metres(1000 * lengthM)} in ${several(pieces, 'piece')}, tails included: ${several(rolls, 'roll')}`}</Small>
          </Row>
        ))}
        {foam.map(({ foamMm, pieces, lengthM }) => (
          <Row key={`foam ${foamMm}`} label={phrase`Foam strip ${words.length(foamMm)}`}>
            <Body>{phrase`Foam strip ${words.length(foamMm)}`}</Body>
            <Small>{phrase`${words.metres(1000 * lengthM)} in ${several(pieces, 'piece')}`}</Small>
          </Row>
        ))}
        {openings.tapeM > 0 ? (
          <Row label="For the openings">
            <Body>For the openings</Body>
            <Small>{phrase`${words.metres(1000 * openings.tapeM)} of rim or painter's tape, ${words.area(openings.filmM2)} of film`}</Small>
          </Row>
        ) : null}
        {sizeM2 > 0 ? (
          <Row label="Paper or film">
            <Body>Paper or film</Body>
            <Small>{phrase`${words.area(sizeM2)}, stage by stage (estimate)`}</Small>
          </Row>
        ) : null}
      </Rows>
    </Panel>
  );
}
