import { counted, SUBSTRATES } from '@lintrel/core';
import { router, type Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { PartThumb } from '@/drawing/PartThumb';
import { AirForm } from '@/job/AirForm';
import { useJob } from '@/job/JobContext';
import { JobForm } from '@/job/JobForm';
import { Missing } from '@/job/Missing';
import { StepLayout } from '@/job/StepLayout';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Notice } from '@/ui/Notice';
import { Row, Rows } from '@/ui/Row';
import { Sheet } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Words';
import { downloadJob } from '@/job/download';

/** Piece: the parts, the air, and what follows from them. */
export default function PieceScreen() {
  const { id, design, plan, change } = useJob();
  const [trouble, setTrouble] = useState<string | null>(null);
  const advice = (plan?.advice ?? []).filter(({ part }) => part === null);
  return (
    <StepLayout
      action={
        design.parts.length > 0 ? <Action rank="main" label="Add a part" icon="plus" onPress={() => router.push(`/job/${id}/part/new` as Href)} /> : undefined
      }
    >
      {design.parts.length === 0 ? <Missing need="part" /> : null}
      {design.parts.length > 0 ? (
        <Sheet>
          <Heading>Parts</Heading>
          <Rows>
            {design.parts.map((part) => {
              // The row has its place at once; its picture comes when the worker has drawn it, and nothing moves.
              const drawn = plan?.parts.find((one) => one.id === part.id);
              const size = drawn ? ` · ${drawn.sizeM2.toFixed(drawn.sizeM2 < 0.1 ? 4 : 2)} m²` : '';
              return (
                <Row
                  key={part.id}
                  label={`Change ${part.name}`}
                  testID="part"
                  onPress={() => router.push(`/job/${id}/part/${part.id}` as Href)}
                  before={<View style={styles.thumb}>{drawn ? <PartThumb part={drawn} areas={drawn.areas} {...THUMB} /> : null}</View>}
                >
                  <Body>{part.name}</Body>
                  <Small>{`${SUBSTRATES[part.substrate]}${size}${part.count > 1 ? ` · ${part.count} alike` : ''}`}</Small>
                  <Small>{`${counted(part.lines.length, 'line')}${drawn ? `, ${counted(drawn.areas.length, 'area')}` : ''}`}</Small>
                </Row>
              );
            })}
          </Rows>
        </Sheet>
      ) : null}
      <Sheet>
        <Heading>Air today</Heading>
        <AirForm climate={design.climate} onChange={(climate) => void change((now) => ({ ...now, climate }))} />
        {advice.map(({ level, text }) => (
          <Notice key={text} level={level} text={text} />
        ))}
      </Sheet>
      <Sheet>
        <Heading>The job</Heading>
        <JobForm design={design} onChange={(values) => void change((now) => ({ ...now, ...values }))} />
      </Sheet>
      <View style={styles.files}>
        <Action rank="quiet" icon="download-outline" label="Save as a job file" onPress={() => void downloadJob(id, design.title).then(setTrouble)} />
        {trouble ? <Notice level="stop" text={trouble} /> : null}
      </View>
    </StepLayout>
  );
}

const THUMB = { width: 104, height: 64 } as const;

const styles = StyleSheet.create({ thumb: THUMB, files: { alignItems: 'flex-start', gap: space.small } });
