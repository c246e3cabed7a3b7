import { readNumber, type StockMove, type StockTable } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useBookStock, useReserved, useStockMoves } from '@/api/stock';
import { Typed } from '@/forms/Field';
import { readingFault } from '@/forms/readingFault';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { Table } from '@/ui/Table';
import { Body, Figure, Heading, Small } from '@/ui/Typography';

const WHY = {
  received: 'Received',
  counted: 'Counted',
  uncounted: 'Not counted any more',
  used: 'Used on a job',
  back: 'Not used after all',
} as const;
const PACK = { tapes: 'rolls', supplies: 'packs' } as const;
const shown = (packs: number): string => String(Number(packs.toFixed(2)));

interface StockPanelProps {
  readonly stuff: StockTable;
  readonly code: string;
  /** Rolls or packs there are; left out: not counted. */
  readonly have: number | undefined;
}

/** What there is of an entry, what jobs will take, and what came and went. */
export function StockPanel({ stuff, code, have }: StockPanelProps) {
  const moves = useStockMoves(stuff, code).data?.moves ?? [];
  const reserved = useReserved().data?.reserved.find((entry) => entry.stuff === stuff && entry.code === code);
  const book = useBookStock();
  const [text, setText] = useState('');
  const reading = readNumber(text);
  const amount = text.trim() !== '' && reading.ok && reading.value >= 0 ? reading.value : null;
  const put = (reason: 'received' | 'counted' | 'uncounted', packs: number) =>
    book.mutate({ stuff, code, reason, packs }, { onSuccess: () => setText('') });
  const unit = PACK[stuff];
  const short = have !== undefined && reserved && reserved.packs > have;
  return (
    <Panel>
      <Heading>Stock</Heading>
      <View style={styles.row}>
        <Figure label={phrase`In stock, ${unit}`} value={have === undefined ? 'not counted' : shown(have)} />
        <Figure label={phrase`Jobs in the shop will take (estimate), ${unit}`} value={shown(reserved?.packs ?? 0)} />
      </View>
      {have === 0 ? <Notice level="caution" text="Run out: no plan takes it until some has come." /> : null}
      {short ? (
        <Notice
          level="caution"
          text={phrase`Too little for ${reserved.jobs.join(', ')}: buy ${shown(Math.ceil(reserved.packs - have))} ${unit}.`}
        />
      ) : null}
      <View style={styles.row}>
        <Typed
          label={stuff === 'tapes' ? 'How many rolls' : 'How many packs'}
          unit={unit}
          keys="numeric"
          value={text}
          onChange={setText}
          fault={text.trim() === '' ? undefined : readingFault(reading)}
          testID="stock-amount"
        />
        <Action
          label="Received"
          busy={book.isPending}
          disabled={amount === null}
          onPress={() => amount !== null && put('received', amount)}
          testID="stock-received"
        />
        <Action
          label="Counted"
          disabled={amount === null}
          onPress={() => amount !== null && put('counted', amount)}
          testID="stock-counted"
        />
      </View>
      {have === undefined ? null : (
        <Action
          rank="quiet"
          label="Do not count it any more"
          onPress={() => put('uncounted', 0)}
          testID="stock-uncounted"
        />
      )}
      {book.error ? <Notice level="stop" text={book.error.message} /> : null}
      {moves.length === 0 ? (
        <Small>What the run sheet uses up is booked here, once it is counted.</Small>
      ) : (
        <Table columns={['When', 'What', unit]} rows={moves.map(rowOf)} testID="stock-moves" />
      )}
    </Panel>
  );
}

const rowOf = ({ at, reason, packs }: StockMove): string[] => [
  new Date(at).toLocaleString(undefined, { dateStyle: 'short', timeStyle: 'short' }),
  WHY[reason],
  reason === 'counted'
    ? `= ${shown(packs)}`
    : reason === 'uncounted'
      ? ''
      : `${packs < 0 ? '−' : '+'}${shown(Math.abs(packs))}`,
];

/** What has to be bought for the jobs in the shop. */
export function ToBuy({ have }: { have: (stuff: StockTable, code: string) => number | undefined }) {
  const reserved = useReserved().data?.reserved ?? [];
  const short = reserved.flatMap(({ stuff, code, packs, jobs }) => {
    const stock = have(stuff, code);
    return stock !== undefined && packs > stock + 1e-9
      ? [{ stuff, code, jobs, missing: Math.ceil(packs - stock - 1e-9) }]
      : [];
  });
  if (short.length === 0) return null;
  return (
    <Panel>
      <Heading>To buy for the jobs in the shop</Heading>
      {short.map(({ stuff, code, jobs, missing }) => (
        <View key={`${stuff} ${code}`} testID="to-buy">
          <Body>{phrase`${code}: ${missing} ${PACK[stuff]}`}</Body>
          <Small>{jobs.join(', ')}</Small>
        </View>
      ))}
    </Panel>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small, alignItems: 'center' },
});
