import { type Design, EDGE_CONTEXT_KINDS, type EdgeContextKind, GAP_WAYS } from '@lintrel/core';
import { EDGE_CONTEXT_MEANINGS, EDGE_CONTEXT_NAMES, GAP_WAY_NAMES } from '@lintrel/words';
import { FieldRow } from '@/forms/FieldRow';
import { Pick } from '@/forms/Pick';
import { TreeField } from '@/forms/TreeField';
import { Choice } from '@/ui/Choice';
import { Row, Rows } from '@/ui/Row';
import { Body, Small } from '@/ui/Typography';
import type { ContextEntry } from './SurroundingsForm';

interface RimStretchProps {
  /** The entry and its index among all; null if there is none yet. */
  readonly entry: ContextEntry | null;
  readonly at: number;
  readonly others: Design['parts'];
  /** True where it may hold for a stretch alone. */
  readonly mayBeShort: boolean;
  readonly onKind: (kind: EdgeContextKind) => void;
  readonly onPart: (part: string | undefined) => void;
  /** How a gap is masked; undefined: as usual. */
  readonly onBy: (by: string | undefined) => void;
}

/** What lies beyond an edge, or a stretch of it. */
export function SurroundingsStretch({ entry, at, others, mayBeShort, onKind, onPart, onBy }: RimStretchProps) {
  const kind = (entry?.beyond ?? 'free') as EdgeContextKind;
  const offered = EDGE_CONTEXT_KINDS.filter((rimKind) => rimKind !== 'goes-on' || others.length > 0);
  return (
    <>
      <Rows>
        {offered.map((offeredKind) => (
          <Row
            key={offeredKind}
            label={EDGE_CONTEXT_NAMES[offeredKind]}
            chosen={offeredKind === kind}
            onPress={() => onKind(offeredKind)}
            testID={`beyond-${offeredKind}`}
          >
            <Body>{EDGE_CONTEXT_NAMES[offeredKind]}</Body>
            <Small>{EDGE_CONTEXT_MEANINGS[offeredKind]}</Small>
          </Row>
        ))}
      </Rows>
      {kind === 'gap' ? (
        <FieldRow>
          <TreeField at={['rims', at, 'width']} label="Width of the gap" unit="length" testID="gap-width" />
          <TreeField at={['rims', at, 'depth']} label="Its depth" unit="length" />
        </FieldRow>
      ) : null}
      {kind === 'gap' ? (
        <Choice
          label="How it is masked"
          value={String(entry?.by ?? 'usual')}
          options={[
            { value: 'usual', label: 'As usual' },
            ...GAP_WAYS.map((value) => ({ value, label: GAP_WAY_NAMES[value] })),
          ]}
          onChange={(by) => onBy(by === 'usual' ? undefined : by)}
        />
      ) : null}
      {kind === 'goes-on' || kind === 'gap' || kind === 'butt' ? (
        <Pick
          label="Which part is there"
          value={String(entry?.part ?? '')}
          options={[
            ...(kind === 'goes-on' ? [] : [{ value: '', label: 'None of this job: it stays clean' }]),
            ...others.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          onChange={(part) => onPart(part === '' ? undefined : part)}
        />
      ) : null}
      {kind !== 'free' ? (
        <TreeField
          at={['rims', at, 'name']}
          label="What you call this edge"
          optional
          hint="Such as sill, or hinge side"
          testID="rim-name"
        />
      ) : null}
      {kind !== 'free' && mayBeShort ? (
        <FieldRow>
          <TreeField
            at={['rims', at, 'from']}
            label="Only from"
            unit="length"
            optional
            hint="Along the edge; empty: from its beginning"
            testID="rim-from"
          />
          <TreeField
            at={['rims', at, 'to']}
            label="Only to"
            unit="length"
            optional
            hint="Empty: to its end"
            testID="rim-to"
          />
        </FieldRow>
      ) : null}
    </>
  );
}
