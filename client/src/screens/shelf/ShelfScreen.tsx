import { REFERENCE_AIR, type Shelf, SUPPLY_UNITS, TAPE_KINDS } from '@lintrel/core';
import { phrase, SUPPLY_NAMES, SUPPLY_UNIT_NAMES, SYSTEM_NAMES, TAPE_NAMES } from '@lintrel/words';
import { type Href, router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useShelf } from '@/api/jobQueries';
import { useWords } from '@/person/PersonContext';
import { ToBuy } from '@/shelf/StockPanel';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Row, Rows, Swatch } from '@/ui/Row';
import { Panel, Screen, Waiting } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';

type Side = 'tape' | 'finish' | 'supply';

const ADD = { tape: 'Add a tape', finish: 'Add a finish', supply: 'Add paper, film or foam' } as const;

/** Shelf: the tapes, finishes and what else there is, with the figures everything is computed from. */
export function ShelfScreen() {
  const { data, error, refetch } = useShelf();
  const { show } = useLocalSearchParams<{ show?: string }>();
  const [side, setSide] = useState<Side>(show === 'finish' || show === 'supply' ? show : 'tape');
  if (!data)
    return (
      <Screen title="Shelf">
        <Waiting what="the shelf" error={error} retry={<Action label="Try again" onPress={() => void refetch()} />} />
      </Screen>
    );
  return (
    <Screen
      title="Shelf"
      about="Figures that ship are typical: take your data sheet's"
      action={
        <Action rank="main" icon="plus" label={ADD[side]} onPress={() => router.push(`/shelf/${side}/new` as Href)} />
      }
    >
      <Choice
        label="Show"
        value={side}
        options={[
          { value: 'tape', label: 'Tapes' },
          { value: 'supply', label: 'Paper, film, foam' },
          { value: 'finish', label: 'Finishes' },
        ]}
        onChange={setSide}
      />
      {side === 'finish' ? null : (
        <ToBuy
          have={(stuff, code) =>
            stuff === 'tapes'
              ? data.tapes.find((tape) => tape.code === code)?.rolls
              : data.supplies.find((supply) => supply.code === code)?.packs
          }
        />
      )}
      {side === 'supply' ? <Supplies shelf={data} /> : null}
      {side === 'tape' ? <Tapes shelf={data} /> : null}
      {side === 'finish' ? <Finishes shelf={data} /> : null}
    </Screen>
  );
}

function Supplies({ shelf }: { shelf: Pick<Required<Shelf>, 'supplies'> }) {
  return (
    <Panel>
      <Rows>
        {shelf.supplies.map(({ code, name, kind, pack, packs }) => (
          <Row key={code} label={name} onPress={() => router.push(`/shelf/supply/${code}` as Href)} testID="supply">
            <Body>{name}</Body>
            <Small>{phrase`${SUPPLY_NAMES[kind]} · ${pack} ${SUPPLY_UNIT_NAMES[SUPPLY_UNITS[kind]]} in a pack${packs === undefined ? '' : phrase` · ${Number(packs.toFixed(2))} in stock`}`}</Small>
          </Row>
        ))}
      </Rows>
    </Panel>
  );
}

/** Tapes by kind, with what is typical of the kind. */
function Tapes({ shelf }: { shelf: Shelf }) {
  const { temperature } = useWords();
  return TAPE_KINDS.map((kind) => {
    const tapes = shelf.tapes.filter((tape) => tape.kind === kind);
    if (tapes.length === 0) return null;
    return (
      <Panel key={kind}>
        <View>
          <Heading>{phrase`${kind}  ${TAPE_NAMES[kind]}`}</Heading>
          <Small>{phrase`${tapes[0]!.use} · stretch ${(tapes[0]!.stretch * 100).toFixed(0)} %, fold ${(tapes[0]!.fold * 100).toFixed(1)} %, clean within ${tapes[0]!.cleanHours} h at ${temperature(REFERENCE_AIR.airC)}`}</Small>
        </View>
        <View style={styles.codes}>
          {tapes.map((tape) => (
            <Action
              key={tape.code}
              label={tape.code}
              onPress={() => router.push(`/shelf/tape/${tape.code}` as Href)}
              testID={`tape-${tape.code}`}
            />
          ))}
        </View>
      </Panel>
    );
  });
}

function Finishes({ shelf }: { shelf: Shelf }) {
  return (
    <Panel>
      <Rows>
        {shelf.finishes.map((finish) => (
          <Row
            key={finish.id}
            label={finish.name}
            onPress={() => router.push(`/shelf/finish/${finish.id}` as Href)}
            before={<Swatch colour={finish.colour} />}
            testID="finish"
          >
            <Body>{finish.name}</Body>
            <Small>{phrase`${SYSTEM_NAMES[finish.system]} · touch-dry ${finish.touchMin} min, takes tape ${finish.tapeSafeMin === null ? 'never' : phrase`${finish.tapeSafeMin} min`}`}</Small>
          </Row>
        ))}
      </Rows>
    </Panel>
  );
}

const styles = StyleSheet.create({ codes: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small } });
