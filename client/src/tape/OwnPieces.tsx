import {
  addOwnPiece,
  changeOwnPiece,
  readLength,
  piecePoints,
  withCorner,
  withoutCorner,
  withPiecePoint,
  faultText,
  type Finish,
  type OwnItem,
  type OwnPiece,
  type PartPlan,
  type Shelf,
} from '@lintrel/core';
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
import { Small } from '@/ui/Typography';

const COVER = '';

/** Adds a piece of one's own to a stage, across the middle of a part; it is then drawn to where it goes. */
export function AddOwnPiece({ part, finish, onAdd }: { part: PartPlan; finish: Finish['id']; onAdd: () => void }) {
  const { change, shelf } = useJob();
  const { minX, minY, maxX, maxY } = boxRound(part.ring);
  const place = (along: number, up: number): [number, number] => [
    Math.round(minX + along * (maxX - minX)),
    Math.round(minY + up * (maxY - minY)),
  ];
  const piece = {
    part: part.id,
    finish,
    from: place(0.3, 0.5),
    to: place(0.7, 0.5),
    tape: coveringTape(shelf),
    note: '',
  };
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
const coveringTape = ({ tapes }: Shelf): string | null =>
  (tapes.find(({ kind }) => kind === 'C' || kind === 'P' || kind === 'G') ?? tapes[0])?.code ?? null;

const MOST_CORNERS = 20;

/** What the places of a piece are called, in their order. */
const labelOf = (index: number, count: number): string =>
  index === 0 ? 'From' : index === count - 1 ? 'To' : phrase`Corner ${index}`;

/** Form of a manual piece; its ends can also be dragged on the drawing. */
export function OwnPieceForm({ item }: { item: OwnItem }) {
  const { design, shelf, unit, change } = useJob();
  const piece = (design.choices.ownPieces ?? []).find(({ id }) => id === item.piece);
  const shown = piece ? piecePoints(piece).flatMap((place) => place.map((mm) => lengthText(mm, unit))) : null;
  const [typed, setTyped] = useState(shown);
  const [note, setNote] = useState(piece?.note ?? '');
  const before = useRef(shown);
  const key = JSON.stringify(shown);
  // Input in progress stays: only values changed in the piece itself are updated.
  useEffect(() => {
    const was = before.current;
    before.current = shown;
    if (shown)
      setTyped((now) =>
        now?.length === shown.length
          ? now.map((text, index) => (was?.[index] === shown[index] ? text : shown[index]!))
          : shown,
      );
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  useEffect(() => setNote(piece?.note ?? ''), [piece?.note]);
  if (!piece || !typed) return null;
  const places = piecePoints(piece);
  const set = (to: Partial<Omit<OwnPiece, 'id'>> | null) =>
    void change((now) => changeOwnPiece(now, piece.id, to), {
      code: to === null ? 'edit.own-gone' : 'edit.own-changed',
      values: {},
    });
  const readings = typed.map((text) => readLength(text, { bare: unit, scale: design.scale }));
  const settle = (index: number) => {
    const [along, up] = [0, 1].map((axis) => readings[2 * index + axis]);
    if (!along?.ok || !up?.ok) return;
    const place: [number, number] = [along.value, up.value];
    if (JSON.stringify(place) !== JSON.stringify(places[index])) set(withPiecePoint(piece, index, place));
  };
  const inputFor = (index: number, axis: 0 | 1) => {
    const [at, name] = [2 * index + axis, labelOf(index, places.length)];
    const reading = readings[at]!;
    return (
      <Typed
        label={axis === 0 ? phrase`${name}: along` : phrase`${name}: up`}
        unit={unit}
        value={typed[at]!}
        onChange={(next) => setTyped(typed.map((old, place) => (place === at ? next : old)))}
        onBlur={() => settle(index)}
        fault={reading.ok ? undefined : faultText(reading.why)}
        testID={`own.${index}.${axis === 0 ? 'along' : 'up'}`}
      />
    );
  };
  return (
    <>
      <Small>
        Drag its places on the drawing, or type where they are. It is laid after everything else of this stage and comes
        off with it.
      </Small>
      <Pick
        label="What you lay"
        value={piece.tape ?? COVER}
        options={[
          { value: COVER, label: 'Paper or film over the box between the two ends' },
          ...shelf.tapes.map(({ code, name }) => ({ value: code, label: phrase`${code}  ${name}` })),
        ]}
        onChange={(tape) => set({ tape: tape === COVER ? null : tape })}
      />
      {typed.length === 2 * places.length
        ? places.map((_, index) => (
            <View key={index} style={styles.row}>
              {inputFor(index, 0)}
              {inputFor(index, 1)}
            </View>
          ))
        : null}
      <View style={styles.row}>
        {places.length < MOST_CORNERS ? (
          <Action
            rank="quiet"
            icon="plus"
            label={piece.tape === null && places.length === 2 ? 'Corners of its own' : 'One more corner'}
            onPress={() => set(withCorner(piece))}
            testID="own-corner"
          />
        ) : null}
        {places.length > 2 ? (
          <Action
            rank="quiet"
            label="One corner less"
            onPress={() => set(withoutCorner(piece))}
            testID="own-corner-less"
          />
        ) : null}
      </View>
      <Typed
        label="What it is for"
        whole
        value={note}
        onChange={setNote}
        onBlur={() => (note === piece.note ? undefined : set({ note }))}
        testID="own.note"
      />
      <Action rank="quiet" label="Leave it out" onPress={() => set(null)} testID="own-gone" />
    </>
  );
}

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small } });
