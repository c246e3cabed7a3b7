import {
  detachedPart,
  withoutPart,
  withPart,
  unusedId,
  attachedParts,
  partFrame,
  edgeGroups,
  pathText,
  SUBSTRATES,
  type Part,
  type Substrate,
} from '@lintrel/core';
import { phrase, SUBSTRATE_NAMES } from '@lintrel/words';
import { router, useLocalSearchParams, type Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { PartDrawing } from '@/drawing/PartDrawing';
import { showFirstFault } from '@/forms/firstFault';
import { useKeptState } from '@/forms/keptForm';
import { KeptNote } from '@/forms/KeptNote';
import { Pick } from '@/forms/Pick';
import { treeAt, without, withTree, type TreeKeys, type TypedTree } from '@/forms/tree';
import { TreeField, TreeFormProvider } from '@/forms/TreeField';
import { AttachedForm } from '@/setout/AttachedForm';
import { contextKinds, contextEntries, SurroundingsForm } from '@/setout/SurroundingsForm';
import { FeaturesForm } from '@/setout/FeaturesForm';
import { useJob } from '@/job/JobContext';
import { newPart, partTree, readPart } from '@/setout/partForm';
import { PlaceForm } from '@/setout/PlaceForm';
import { PRESENT_SYSTEMS } from '@/forms/presentSystems';
import { StepLayout } from '@/job/StepLayout';
import { SurfaceForm, TakeOut } from '@/setout/SurfaceForm';
import { useDraftParts } from '@/setout/useDraftParts';
import { colour, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { Heading, Small } from '@/ui/Typography';

/** One part: what it is, its surface, what a tape meets on it, what lines are measured from, and where it sits. */
export function PartScreen() {
  const { part: partId } = useLocalSearchParams<{ part: string }>();
  const { id, design, shelf, change, unit } = useJob();
  const part = design.parts.find((other) => other.id === partId) ?? null;
  const [ownId] = useState(
    () =>
      part?.id ??
      unusedId(
        'part',
        design.parts.map((other) => other.id),
      ),
  );
  const [tree, setTree, kept] = useKeptState(`part/${id}/${partId}`, () =>
    partTree(part ? withAttached(part, design.parts) : newPart(ownId), unit, part === null),
  );
  const [faults, setFaults] = useState<Readonly<Record<string, string>>>({});
  const put = (keys: TreeKeys, value: TypedTree) => {
    setTree((now) => withTree(now, keys, value));
    setFaults({});
  };
  const read = readPart(tree, part?.lines ?? [], { bare: unit, scale: design.scale }, design);
  const drawn =
    useDraftParts(read.ok ? withPart(design, read.part) : design)?.find((other) => other.id === ownId) ?? null;
  // Known at once, so that nothing moves when the drawing arrives.
  const known = part && { ring: partFrame(part, design.parts).drawn.ring.map(({ x, y }): [number, number] => [x, y]) };
  const [group, setGroup] = useState<number | null>(null);
  const groups = edgeGroups(drawn?.edgePlaces ?? []);
  const edges = {
    beyond: contextKinds(tree),
    chosen: group === null ? [] : (groups[group] ?? []),
    onEdge: (edge: number) => setGroup(groups.findIndex((groupEdges) => groupEdges.includes(edge))),
  };
  const leave = (to: string) => router.replace(`/job/${id}/${to}` as Href);
  const submit = async () => {
    if (!read.ok) {
      // A fault of an edge is shown at its entry.
      const rimIndex = Object.keys(read.faults).flatMap((path) => /^rims\[(\d+)\]/.exec(path)?.[1] ?? [])[0];
      const edge = rimIndex === undefined ? null : Number(contextEntries(tree)[Number(rimIndex)]?.edge);
      if (edge !== null) setGroup(groups.findIndex((groupEdges) => groupEdges.includes(edge)));
      setFaults(read.faults);
      return showFirstFault();
    }
    const changed = detachedPart(read.part, part, design.parts);
    const done = await change((now) => withPart(now, changed), {
      code: part ? 'edit.part-changed' : 'edit.part-added',
      values: { name: changed.name },
    });
    if (done) kept.forget();
    if (done) leave(part ? 'piece' : `lines?part=${ownId}`);
  };
  const remove = async () => {
    if (
      await change(
        (now) => withoutPart(now, partId),
        { code: 'edit.part-gone', values: { name: part?.name ?? '' } },
        true,
      )
    ) {
      kept.forget();
      leave('piece');
    }
  };
  const word = (keys: TreeKeys) => String(treeAt(tree, keys) ?? '');
  const follows = treeAt(tree, ['opposite', 'follows']) === true;
  const datums = (treeAt(tree, ['datums']) ?? []) as readonly TypedTree[];
  const elsewhere = Object.entries(faults).filter(([path]) => !isShown(path));
  return (
    <TreeFormProvider value={{ tree, faults, unit, put }}>
      <StepLayout
        part={drawn ?? known}
        // Always rendered: adding the drawing later would recreate the fields while typing.
        drawing={
          drawn ? <PartDrawing part={drawn} areas={drawn.areas} codes="lines" edges={edges} help /> : <NoDrawing />
        }
        action={
          <Action
            rank="main"
            label={part ? 'Keep these' : 'Add this part'}
            onPress={() => void submit()}
            testID="submit"
          />
        }
      >
        <KeptNote kept={kept} />
        <Panel>
          <Heading>{part ? part.name : 'New part'}</Heading>
          <View style={styles.row}>
            <TreeField at={['name']} label="Name of the part" />
            <TreeField at={['count']} label="How many alike" numeric />
          </View>
          <Pick
            label="Made of"
            value={word(['substrate']) as Substrate}
            options={SUBSTRATES.map((value) => ({ value, label: SUBSTRATE_NAMES[value] }))}
            onChange={(value) => put(['substrate'], value)}
          />
          <Pick
            label="What is on it now"
            value={word(['present', 'system']) as (typeof PRESENT_SYSTEMS)[number]['value']}
            options={PRESENT_SYSTEMS}
            onChange={(value) => put(['present', 'system'], value)}
          />
          <View style={styles.row}>
            <TreeField at={['present', 'colour']} label="Its colour" hint="Such as #c7bfa6" testID="presentColour" />
            <TreeField at={['present', 'ageH']} label="Its age" unit="h" numeric testID="presentAgeH" />
          </View>
          <Pick
            label="The finish it is in, where you know it"
            value={word(['present', 'finish']) || ''}
            options={[
              { value: '', label: 'Not known, or none on the shelf' },
              ...shelf.finishes.map(({ id: value, name, colour: paint }) => ({ value, label: name, colour: paint })),
            ]}
            onChange={(value) => put(['present', 'finish'], value === '' ? undefined : value)}
          />
          <Choice
            label="It will be"
            value={word(['treatment']) || 'paint'}
            options={[
              { value: 'paint', label: 'painted' },
              { value: 'blend', label: 'blended' },
              { value: 'leave', label: 'left' },
            ]}
            onChange={(value) => put(['treatment'], value === 'paint' ? undefined : value)}
          />
        </Panel>
        {drawn ? (
          <Panel>
            <Heading>What is round it</Heading>
            <SurroundingsForm
              groups={groups}
              names={drawn.edges}
              others={design.parts.filter((other) => other.id !== ownId)}
              chosen={group}
              onChoose={setGroup}
            />
          </Panel>
        ) : null}
        {follows ? null : (
          <>
            <Panel>
              <Heading>Its surface</Heading>
              <SurfaceForm />
            </Panel>
            <Panel>
              <Heading>What a tape meets</Heading>
              <FeaturesForm />
            </Panel>
            <Panel>
              <Heading>Measured from</Heading>
              <Small>
                A datum starts at a place and runs in a direction; heights are counted to its left. On round parts y is
                the girth from the top.
              </Small>
              {datums.map((_, index) => (
                <View key={index} style={styles.row}>
                  <TreeField at={['datums', index, 'name']} label={phrase`Datum ${index + 1}`} />
                  <TreeField at={['datums', index, 'at', 0]} label="starts at: right" unit="length" />
                  <TreeField at={['datums', index, 'at', 1]} label="up" unit="length" />
                  <TreeField at={['datums', index, 'angleDeg']} label="turned to the left" unit="°" />
                  {datums.length > 1 ? (
                    <TakeOut
                      what={phrase`datum ${index + 1}`}
                      onPress={() => put(['datums'], without(datums, index))}
                    />
                  ) : null}
                </View>
              ))}
              <Action
                label="Another datum"
                icon="plus"
                onPress={() =>
                  put(
                    ['datums'],
                    [
                      ...datums,
                      {
                        id: unusedId(
                          'datum',
                          datums.map((datum) => String((datum as { id?: unknown }).id)),
                        ),
                        name: `Datum ${datums.length + 1}`,
                        at: ['0', '0'],
                        angleDeg: '0',
                      },
                    ],
                  )
                }
              />
            </Panel>
          </>
        )}
        <Panel>
          <Heading>Where it sits</Heading>
          <PlaceForm others={design.parts.filter((other) => other.id !== ownId && !other.opposite?.follows)} />
        </Panel>
        {design.parts.some((other) => other.id !== ownId) ? (
          <Panel>
            <Heading>What stays on it</Heading>
            <AttachedForm others={design.parts.filter((other) => other.id !== ownId)} />
          </Panel>
        ) : null}
        {elsewhere.map(([path, message]) => (
          <Notice key={path} level="stop" text={`${path}: ${message}`} />
        ))}
        {part ? (
          <Action rank="quiet" icon="delete-outline" label="Take this part out" onPress={() => void remove()} />
        ) : null}
      </StepLayout>
    </TreeFormProvider>
  );
}

/** A part with all its attachments, whichever side they are stored on. */
const withAttached = (part: Part, parts: readonly Part[]): Part => ({
  ...part,
  attached: [...(attachedParts(parts.map(({ id, attached }) => ({ id, attached }))).get(part.id) ?? [])],
});

const NoDrawing = () => (
  <View style={styles.blank}>
    <Small>The part is drawn here as soon as its measurements can be read</Small>
  </View>
);

/** Faults with a field of their own are shown there. */
const isShown = (path: string): boolean =>
  path !== pathText(['surface']) && !/\.fold$|\.outline$|\.profile$/.test(path);

const styles = StyleSheet.create({
  blank: {
    flex: 1,
    alignItems: 'center',
    justifyContent: 'center',
    padding: space.base,
    backgroundColor: colour.sheet,
  },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small, alignItems: 'flex-start' },
});
