import { addOwnPiece, changeOwnPiece, readLength, told, type Finish, type OwnItem, type OwnPiece, type PartPlan, type Shelf } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { boxRound } from '@/drawing/path';
import { Typed } from '@/forms/Field';
import { lengthText } from '@/forms/lengthText';
import { Pick } from '@/forms/Pick';
import { useJob } from '@/job/JobContext';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Small } from '@/ui/Words';

const COVER = '';

/** Adds a piece of one's own to a stage, across the middle of a part; it is then drawn to where it goes. */
export function AddOwnPiece({ part, finish, onAdd }: { part: PartPlan; finish: Finish['id']; onAdd: () => void }) {
  const { change, shelf } = useJob();
  const { minX, minY, maxX, maxY } = boxRound(part.ring);
  const place = (along: number, up: number): [number, number] => [Math.round(minX + along * (maxX - minX)), Math.round(minY + up * (maxY - minY))];
  const piece = { part: part.id, finish, from: place(0.3, 0.5), to: place(0.7, 0.5), tape: coveringTape(shelf), note: '' };
  return (
    <Action
      label="Add a piece of your own"
      icon="plus"
      rank="quiet"
      onPress={() => {
        onAdd();
        void change((now) => addOwnPiece(now, piece), { code: 'edit.own-added', values: {} });
      }}
      testID="own-add"
    />
  );
}

/** A tape to cover with, to begin with: the first crepe there is, else any; none on the shelf: paper or film. */
const coveringTape = ({ tapes }: Shelf): string | null => (tapes.find(({ kind }) => kind === 'C' || kind === 'P' || kind === 'G') ?? tapes[0])?.code ?? null;

type Ends = readonly [text: string, text: string, text: string, text: string];
const LABELS = ['From: along', 'From: up', 'To: along', 'To: up'] as const;
const KEYS = ['own.from.along', 'own.from.up', 'own.to.along', 'own.to.up'] as const;

/** What a piece of one's own is, and where; its ends may be dragged on the drawing too. */
export function OwnPieceForm({ item }: { item: OwnItem }) {
  const { design, shelf, unit, change } = useJob();
  const piece = (design.choices.ownPieces ?? []).find(({ id }) => id === item.piece);
  const shown = piece ? ([...piece.from, ...piece.to].map((mm) => lengthText(mm, unit)) as unknown as Ends) : null;
  const [ends, setEnds] = useState(shown);
  const [note, setNote] = useState(piece?.note ?? '');
  const before = useRef(shown);
  const key = JSON.stringify(shown);
  // What is being typed stays: only the figures that have changed in the piece itself are put anew.
  useEffect(() => {
    const was = before.current;
    before.current = shown;
    if (shown) setEnds((now) => (now === null ? shown : (now.map((text, index) => (was?.[index] === shown[index] ? text : shown[index]!)) as unknown as Ends)));
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  useEffect(() => setNote(piece?.note ?? ''), [piece?.note]);
  if (!piece || !ends) return null;
  const set = (to: Partial<Omit<OwnPiece, 'id'>> | null) =>
    void change((now) => changeOwnPiece(now, piece.id, to), { code: to === null ? 'edit.own-gone' : 'edit.own-changed', values: {} });
  const readings = ends.map((text) => readLength(text, { bare: unit, scale: design.scale }));
  const settle = () => {
    const [a, b, c, d] = readings.map((reading) => (reading.ok ? reading.value : null));
    if (a == null || b == null || c == null || d == null) return;
    if (JSON.stringify([a, b, c, d]) !== JSON.stringify([...piece.from, ...piece.to])) set({ from: [a, b], to: [c, d] });
  };
  return (
    <>
      <Small>Drag its two ends on the drawing, or type where they are. It is laid after everything else of this stage and comes off with it.</Small>
      <Pick
        label="What you lay"
        value={piece.tape ?? COVER}
        options={[
          { value: COVER, label: 'Paper or film over the box between the two ends' },
          ...shelf.tapes.map(({ code, name }) => ({ value: code, label: phrase`${code}  ${name}` })),
        ]}
        onChange={(tape) => set({ tape: tape === COVER ? null : tape })}
      />
      <View style={styles.row}>
        {ends.map((text, index) => {
          const reading = readings[index]!;
          return (
            <Typed
              key={KEYS[index]}
              label={LABELS[index]!}
              unit={unit}
              value={text}
              onChange={(next) => setEnds(ends.map((old, at) => (at === index ? next : old)) as unknown as Ends)}
              onBlur={settle}
              fault={reading.ok ? undefined : told(reading.why)}
              testID={KEYS[index]}
            />
          );
        })}
      </View>
      <Typed label="What it is for" whole value={note} onChange={setNote} onBlur={() => (note === piece.note ? undefined : set({ note }))} testID="own.note" />
      <Action rank="quiet" label="Leave it out" onPress={() => set(null)} testID="own-gone" />
    </>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small } });
