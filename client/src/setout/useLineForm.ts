import {
  type Design,
  faultText,
  partFrame,
  type Place,
  type TrimLine,
  unusedId,
  withLine,
  withoutLine,
} from '@lintrel/core';
import { type Href, router } from 'expo-router';
import { useState } from 'react';
import { showFirstFault } from '@/forms/firstFault';
import { useKeptState } from '@/forms/keptForm';
import { useJob } from '@/job/JobContext';
import { type LineFields, lineFields, readLine } from './lineForm';
import { useDraftParts } from './useDraftParts';

/** The form of a line: what is typed, the line drawn from it, and saving and removing it. */
export function useLineForm(partId: string, lineId: string) {
  const { id, design, change, parts, unit } = useJob();
  const part = design.parts.find((other) => other.id === partId) as Design['parts'][number];
  const line = part.lines.find((other) => other.id === lineId) ?? null;
  const [ownId] = useState(
    () =>
      line?.id ??
      unusedId(
        'line',
        part.lines.map((other) => other.id),
      ),
  );
  const [fields, setFields, kept] = useKeptState(`line/${id}/${partId}/${lineId}`, () =>
    lineFields(line, part, unit, `Line ${part.lines.length + 1}`),
  );
  const [faults, setFaults] = useState<Readonly<Record<string, string>>>({});
  const read = readLine(fields, ownId, line, { bare: unit, scale: design.scale });
  const drafted = useDraftParts(read.ok ? withLine(design, partId, read.line) : design) ?? parts;
  const drawn = drafted?.find((other) => other.id === partId) ?? null;
  const lines = drawn?.lines.filter(({ owner }) => owner === ownId) ?? [];
  const leave = () => router.replace(`/job/${id}/lines?part=${partId}` as Href);
  const set = (changed: Partial<LineFields>) => {
    setFields((now) => ({ ...now, ...changed }));
    setFaults({});
  };
  const submit = async () => {
    if (!read.ok) {
      setFaults(read.faults);
      return showFirstFault();
    }
    const fault = lines.find((stroke) => stroke.fault)?.fault;
    if (fault && isMade(read.line)) {
      setFaults({ whole: faultText(fault) });
      return showFirstFault();
    }
    if (
      await change((now) => withLine(now, partId, read.line), {
        code: line ? 'edit.line-changed' : 'edit.line-added',
        values: { name: read.line.name },
      })
    ) {
      kept.forget();
      leave();
    }
  };
  const remove = async () => {
    if (
      await change(
        (now) => withoutLine(now, partId, ownId),
        { code: 'edit.line-gone', values: { name: line?.name ?? '' } },
        true,
      )
    ) {
      kept.forget();
      leave();
    }
  };
  // Known at once, so that nothing moves when the drawing arrives.
  const ring = partFrame(part, design.parts).drawn.ring.map(({ x, y }): Place => [x, y]);
  return { part, line, ownId, fields, set, faults, read, kept, drawn, lines, ring, submit, remove };
}

/** A line whose source is missing may be saved: it reports that itself. */
const isMade = ({ kind }: TrimLine): boolean => !['parallel', 'mirror', 'fillet', 'continuation'].includes(kind);
