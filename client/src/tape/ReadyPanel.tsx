import { type PlanLists, type Shelf, SUPPLY_UNITS, type SupplyKind } from '@lintrel/core';
import { countPhrase, phrase, SUPPLY_NAMES, type Words } from '@lintrel/words';
import { StyleSheet, View } from 'react-native';
import { useWords } from '@/person/PersonContext';
import { space } from '@/theme/theme';
import { Notice } from '@/ui/Notice';
import { Row, Rows } from '@/ui/Row';
import { Panel } from '@/ui/Screen';
import { Body, Figure, Heading, Small } from '@/ui/Typography';

const money = (amount: number): string => amount.toFixed(2);

/** Amount of a supply, in the person's units. */
function amountOf(kind: SupplyKind, amount: number, words: Words): string {
  switch (SUPPLY_UNITS[kind]) {
    case 'm2':
      return words.area(amount);
    case 'm':
      return words.metres(1000 * amount);
    case 'ml':
      return words.volume(amount);
    default:
      return String(amount);
  }
}

/** What to have ready for all stages, and what is missing on the shelf. */
export function ReadyPanel({ lists: { tape, supplies, cost, shopping }, shelf }: { lists: PlanLists; shelf: Shelf }) {
  const words = useWords();
  const short = tape.filter(({ missing }) => missing !== null && missing > 0);
  const shortPacks = supplies.filter(({ missing }) => missing !== null && missing > 0);
  return (
    <Panel>
      <Heading>To have ready, all stages</Heading>
      {short.map(({ tape: code, missing }) => (
        <Notice
          key={code}
          level="caution"
          text={phrase`${code}: ${countPhrase(missing ?? 0, 'roll')} short. Buy, or take another tape.`}
        />
      ))}
      {shortPacks.map(({ kind, code, missing }) => (
        <Notice
          key={code ?? kind}
          level="caution"
          text={phrase`${SUPPLY_NAMES[kind]}: ${countPhrase(missing ?? 0, 'pack')} short. Buy before you begin.`}
        />
      ))}
      {shopping.length > 0 ? (
        <Notice
          level="caution"
          text={phrase`${countPhrase(shopping.length, 'piece')} without a tape on the shelf: see them in the lay list.`}
        />
      ) : null}
      {tape.length + supplies.length === 0 ? <Body>Nothing.</Body> : null}
      <Rows>
        {tape.map(({ tape: code, pieces, lengthM, rolls }) => (
          <Row key={code} label={code}>
            <Body>{phrase`${code}  ${shelf.tapes.find((other) => other.code === code)?.name ?? ''}`}</Body>
            <Small>{phrase`${words.metres(1000 * lengthM)} in ${countPhrase(pieces, 'piece')}, tails included: ${countPhrase(rolls, 'roll')}`}</Small>
          </Row>
        ))}
        {supplies.map(({ kind, sizeMm, amount, pieces, code, packs }) => {
          const name = shelf.supplies?.find((supply) => supply.code === code)?.name ?? SUPPLY_NAMES[kind];
          return (
            <Row key={`${kind} ${sizeMm ?? ''}`} label={name}>
              <Body>{name}</Body>
              <Small>{phrase`${amountOf(kind, amount, words)} in ${countPhrase(pieces, 'piece')}${packs === null ? '' : phrase`: ${countPhrase(packs, 'pack')}`} (estimate)`}</Small>
            </Row>
          );
        })}
      </Rows>
      <View style={styles.figures}>
        <Figure label="Tape, money (estimate)" value={money(cost.tape)} />
        <Figure label="Paper, film, foam (estimate)" value={money(cost.supplies)} />
        <Figure label="Paint (estimate)" value={money(cost.paint)} />
      </View>
      {cost.typical ? <Small>Where the shelf has no price a typical one was taken.</Small> : null}
    </Panel>
  );
}

const styles = StyleSheet.create({ figures: { flexDirection: 'row', flexWrap: 'wrap', gap: space.middle } });
