import { attachedParts, messageWithoutValues, type Part, showArea } from '@lintrel/core';
import { countPhrase, listedPhrase, phrase, phrases, SUBSTRATE_NAMES, SURFACE_NAMES } from '@lintrel/words';
import { type Href, router } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { PartThumb } from '@/drawing/PartThumb';
import { AirForm } from '@/job/AirForm';
import { downloadJob } from '@/job/download';
import { useJob } from '@/job/JobContext';
import { JobForm } from '@/job/JobForm';
import { Missing } from '@/job/Missing';
import { StepLayout } from '@/job/StepLayout';
import { WholePiece } from '@/job/WholePiece';
import { PersonForm } from '@/people/PersonForm';
import { useWords } from '@/person/PersonContext';
import { space } from '@/theme/theme';
import { useWide } from '@/theme/useWide';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Row, Rows } from '@/ui/Row';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';

/** Piece: the parts, the air, and what follows from them. */
export function PieceScreen() {
  const { id, design, plan, change } = useJob();
  const [trouble, setTrouble] = useState<string | null>(null);
  const wide = useWide();
  const { say } = useWords();
  const advice = (plan?.advice ?? []).filter(({ place }) => place.part === null);
  return (
    <StepLayout
      // On a wide screen the whole piece fills the main pane, on a phone it is part of the list.
      drawing={wide && design.parts.length > 0 ? <WholePiece fills /> : undefined}
      action={
        design.parts.length > 0 ? (
          <Action
            rank="main"
            label="Add a part"
            icon="plus"
            onPress={() => router.push(`/job/${id}/part/new` as Href)}
          />
        ) : undefined
      }
    >
      {design.parts.length === 0 ? <Missing need="part" /> : null}
      {design.parts.length > 0 ? <PartList /> : null}
      {design.parts.length > 0 && !wide ? (
        <Panel>
          <WholePiece />
        </Panel>
      ) : null}
      <Panel>
        <Heading>Air today</Heading>
        <AirForm
          climate={design.climate}
          onChange={(climate) => void change((now) => ({ ...now, climate }), messageWithoutValues('edit.job'))}
        />
        {advice.map((other) => (
          <Notice key={say(other)} level={other.level} text={say(other)} />
        ))}
      </Panel>
      <Panel>
        <Heading>The job</Heading>
        <JobForm
          design={design}
          onChange={(values) => void change((now) => ({ ...now, ...values }), messageWithoutValues('edit.job'))}
        />
      </Panel>
      <Panel>
        <Heading>On this device</Heading>
        <PersonForm />
      </Panel>
      <View style={styles.files}>
        {design.parts.length > 0 ? (
          <Action
            icon="printer-outline"
            label="Print, templates and drawings"
            onPress={() => router.push(`/job/${id}/print` as Href)}
          />
        ) : null}
        <Action
          rank="quiet"
          icon="download-outline"
          label="Save as a job file"
          onPress={() => void downloadJob(id, design.title).then(setTrouble)}
        />
        {trouble ? <Notice level="stop" text={trouble} /> : null}
      </View>
    </StepLayout>
  );
}

/** The parts, each with its picture and what it is. */
function PartList() {
  const { id, design, parts, unit } = useJob();
  return (
    <Panel>
      <Heading>Parts</Heading>
      <Rows>
        {design.parts.map((part) => {
          // The row has its final height; its picture is added when it is drawn.
          const drawn = parts?.find((other) => other.id === part.id);
          const size = drawn ? phrase` · ${showArea(drawn.sizeM2, unit)}` : '';
          return (
            <Row
              key={part.id}
              label={phrase`Change ${part.name}`}
              testID="part"
              onPress={() => router.push(`/job/${id}/part/${part.id}` as Href)}
              before={
                <View style={styles.thumb}>
                  {drawn ? <PartThumb part={drawn} areas={drawn.areas} {...THUMB} /> : null}
                </View>
              }
            >
              <Body>{part.name}</Body>
              <Small>{phrase`${SURFACE_NAMES[drawn?.kind ?? part.surface.kind]} · ${SUBSTRATE_NAMES[part.substrate]}${size}${part.count > 1 ? phrase` · ${part.count} alike` : ''}`}</Small>
              <Small>
                {partWords(
                  part,
                  drawn ? countOwners(drawn.lines) : part.lines.length,
                  drawn?.areas.length ?? null,
                  design.parts,
                )}
              </Small>
            </Row>
          );
        })}
      </Rows>
    </Panel>
  );
}

const countOwners = (lines: readonly { readonly owner: string }[]): number =>
  new Set(lines.map(({ owner }) => owner)).size;

/** Existing finish of a part, and the part it mirrors. */
function partWords(
  { id, opposite, treatment, features }: Part,
  lines: number,
  areas: number | null,
  parts: readonly Part[],
): string {
  const together = (attachedParts(parts).get(id) ?? []).flatMap(
    (partId) => parts.find((part) => part.id === partId)?.name ?? [],
  );
  const other = opposite && parts.find(({ id }) => id === opposite.of)?.name;
  return phrases(
    [
      phrase`${countPhrase(lines, 'line')}${areas === null ? '' : phrase`, ${countPhrase(areas, 'area')}`}${features ? phrase`, ${countPhrase(features.length, 'feature')}` : ''}`,
      ...(other
        ? [opposite?.follows ? phrase`follows ${other}, mirrored` : phrase`mirror image of ${other}, detached`]
        : []),
      ...(together.length > 0 ? [phrase`stays with ${listedPhrase(together)}`] : []),
      ...(treatment === 'blend' ? ['blended'] : treatment === 'leave' ? ['left as it is'] : []),
    ],
    ' · ',
  );
}

const THUMB = { width: 104, height: 64 } as const;

const styles = StyleSheet.create({ thumb: THUMB, files: { alignItems: 'flex-start', gap: space.small } });
