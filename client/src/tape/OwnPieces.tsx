import {
  addOwnPiece,
  changeOwnPiece,
  type Finish,
  type OwnItem,
  type OwnPiece,
  type PartPlan,
  piecePoints,
  type Place,
  readLength,
  type Shelf,
  withCorner,
  withoutCorner,
  withPiecePoint,
} from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { boxRound } from '@/drawing/path';
import { Typed } from '@/forms/Field';
import { lengthText } from '@/forms/lengthText';
import { Pick } from '@/forms/Pick';
import { readingFault } from '@/forms/readingFault';
import { useJob } from '@/job/JobContext';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Small } from '@/ui/Typography';

const COVER = '';

/** Adds a manual piece to a stage, across the middle of a part; it is then dragged to its place. */
export function AddOwnPiece({ part, finish, onAdd }: { part: PartPlan; finish: Finish['id']; onAdd: () => void }) {
  const { change, shelf } = useJob();
  const { minX, minY, maxX, maxY } = boxRound(part.ring);
  const place = (along: number, up: number): Place => [
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

/** Places of a piece as typed, one number after the other. Input in progress stays: only values changed in the piece itself are updated. */
function useTypedPlaces(piece: OwnPiece | undefined, unit: 'mm' | 'in') {
  const shown = piece ? piecePoints(piece).flatMap((place) => place.map((mm) => lengthText(mm, unit))) : null;
  const [typed, setTyped] = useState(shown);
  const before = useRef(shown);
  const key = JSON.stringify(shown);
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
  return [typed, setTyped] as const;
}

interface PlaceFieldProps {
  readonly name: string;
  readonly index: number;
  readonly axis: 0 | 1;
  readonly value: string;
  readonly reading: ReturnType<typeof readLength>;
  readonly onChange: (text: string) => void;
  readonly onBlur: () => void;
}

/** How far along or up a place is. */
function PlaceField({ name, index, axis, value, reading, onChange, onBlur }: PlaceFieldProps) {
  const { unit } = useJob();
  return (
    <Typed
      label={axis === 0 ? phrase`${name}: along` : phrase`${name}: up`}
      unit={unit}
      value={value}
      onChange={onChange}
      onBlur={onBlur}
      fault={readingFault(reading)}
      testID={`own.${index}.${axis === 0 ? 'along' : 'up'}`}
    />
  );
}

function CornerButtons({
  piece,
  onChange,
}: {
  readonly piece: OwnPiece;
  readonly onChange: (to: Partial<Omit<OwnPiece, 'id'>>) => void;
}) {
  const places = piecePoints(piece);
  return (
    <View style={styles.row}>
      {places.length < MOST_CORNERS ? (
        <Action
          rank="quiet"
          icon="plus"
          label={piece.tape === null && places.length === 2 ? 'Corners of its own' : 'One more corner'}
          onPress={() => onChange(withCorner(piece))}
          testID="own-corner"
        />
      ) : null}
      {places.length > 2 ? (
        <Action
          rank="quiet"
          label="One corner less"
          onPress={() => onChange(withoutCorner(piece))}
          testID="own-corner-less"
        />
      ) : null}
    </View>
  );
}

/** Form of a manual piece; its ends can also be dragged on the drawing. */
export function OwnPieceForm({ item }: { item: OwnItem }) {
  const { design, shelf, unit, change } = useJob();
  const piece = (design.choices.ownPieces ?? []).find(({ id }) => id === item.piece);
  const [typed, setTyped] = useTypedPlaces(piece, unit);
  const [note, setNote] = useState(piece?.note ?? '');
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
    const place: Place = [along.value, up.value];
    if (JSON.stringify(place) !== JSON.stringify(places[index])) set(withPiecePoint(piece, index, place));
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
              {([0, 1] as const).map((axis) => (
                <PlaceField
                  key={axis}
                  name={labelOf(index, places.length)}
                  index={index}
                  axis={axis}
                  value={typed[2 * index + axis]!}
                  reading={readings[2 * index + axis]!}
                  onChange={(next) => setTyped(typed.map((old, at) => (at === 2 * index + axis ? next : old)))}
                  onBlur={() => settle(index)}
                />
              ))}
            </View>
          ))
        : null}
      <CornerButtons piece={piece} onChange={set} />
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
