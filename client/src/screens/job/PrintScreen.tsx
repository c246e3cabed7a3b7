import { layTable, type PartPlan, type Plan, readLength, type SurfaceKind, tableCsv } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { type Href, router } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Switch } from 'react-native-paper';
import { useLongWork } from '@/api/useLongWork';
import { Typed } from '@/forms/Field';
import { lengthText } from '@/forms/lengthText';
import { Pick } from '@/forms/Pick';
import { readingFault } from '@/forms/readingFault';
import { CustomerLinks } from '@/job/CustomerLinks';
import { CutterPanel } from '@/job/CutterPanel';
import { saveAnswer, saveText } from '@/job/download';
import { useJob } from '@/job/JobContext';
import { StepGuard } from '@/job/StepGuard';
import { StepLayout } from '@/job/StepLayout';
import { useWords } from '@/person/PersonContext';
import { measure, space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Choice } from '@/ui/Choice';
import { Notice } from '@/ui/Notice';
import { Panel } from '@/ui/Screen';
import { Body, Heading, Small } from '@/ui/Typography';
import { WorkNote } from '@/ui/WorkNote';

/** Print and files: templates full size, masks, drawings in and out. */
export function PrintScreen() {
  const { id, design, parts, plan, unit } = useJob();
  const [partId, setPartId] = useState<string | null>(null);
  const [paper, setPaper] = useState<'A4' | 'Letter'>('A4');
  const [trouble, setTrouble] = useState<string | null>(null);
  const work = useLongWork();
  const { busy } = work;
  const part = parts?.find((other) => other.id === partId) ?? parts?.[0];
  if (!parts || !part) return <StepGuard waiting="Working out the parts …" />;
  const fetchFile = (path: string, body: object, name: string) =>
    work.run(async (long) => setTrouble(await saveAnswer(`/jobs/${id}/${path}`, body, name, long)));
  const print = (body: object, name: string) =>
    void fetchFile('print', { ...body, unit, paper }, `${design.title} ${name}.pdf`);
  const draw = (format: 'svg' | 'dxf') =>
    void fetchFile('drawing', { part: part.id, format }, `${design.title} ${part.name}.${format}`);
  return (
    <StepLayout action={busy ? <WorkNote work={work} /> : trouble ? <Notice level="stop" text={trouble} /> : undefined}>
      <TemplatePanel
        parts={parts}
        part={part}
        paper={paper}
        busy={busy}
        onPart={setPartId}
        onPaper={setPaper}
        onPrint={print}
      />
      <Panel>
        <Heading>Lay list</Heading>
        <Small>Stage by stage what is laid, how and in which order, with boxes to tick, and what comes off.</Small>
        <View style={styles.row}>
          <Action
            label="Print the lay list"
            icon="printer-outline"
            disabled={busy}
            onPress={() => print({ what: 'lay' }, 'lay list')}
            testID="print-lay"
          />
          {plan ? (
            <Action
              label="Save as a table (CSV)"
              icon="download-outline"
              onPress={() => saveText(layCsv(plan), `${design.title} lay list.csv`, 'text/csv')}
            />
          ) : null}
        </View>
      </Panel>
      <MasksPanel busy={busy} onPrint={print} />
      <Panel>
        <Heading>{phrase`Drawing of ${part.name}`}</Heading>
        <Small>In millimetres, one layer a kind of line; it can be read back in.</Small>
        <View style={styles.row}>
          <Action label="Save as SVG" icon="download-outline" disabled={busy} onPress={() => draw('svg')} />
          <Action label="Save as DXF" icon="download-outline" disabled={busy} onPress={() => draw('dxf')} />
          <Action
            label="Take over a drawing"
            icon="upload-outline"
            onPress={() => router.push(`/job/${id}/import/${part.id}` as Href)}
          />
        </View>
      </Panel>
      <CustomerLinks job={id} />
    </StepLayout>
  );
}

type PrintFile = (body: object, name: string) => void;

interface TemplatePanelProps {
  readonly parts: readonly PartPlan[];
  readonly part: PartPlan;
  readonly paper: 'A4' | 'Letter';
  readonly busy: boolean;
  readonly onPart: (id: string) => void;
  readonly onPaper: (paper: 'A4' | 'Letter') => void;
  readonly onPrint: PrintFile;
}

/** A part at full size, on sheets or on one. */
function TemplatePanel({ parts, part, paper, busy, onPart, onPaper, onPrint }: TemplatePanelProps) {
  const { text } = useWords();
  const [mirrored, setMirrored] = useState(false);
  return (
    <Panel>
      <Heading>Full-size template</Heading>
      <Pick
        label="Part"
        value={part.id}
        options={parts.map((other) => ({ value: other.id, label: other.name }))}
        onChange={onPart}
      />
      <Choice
        label="Paper"
        value={paper}
        options={[
          { value: 'A4', label: 'A4' },
          { value: 'Letter', label: 'Letter' },
        ]}
        onChange={onPaper}
      />
      <View style={styles.switch}>
        <Switch
          value={mirrored}
          onValueChange={setMirrored}
          accessibilityLabel={text('Mirrored, for the other side')}
        />
        <Body>Mirrored, for the other side</Body>
      </View>
      <Small>{TEMPLATE_NOTES[part.kind]}</Small>
      <Action
        rank="main"
        label="Print on sheets"
        icon="printer-outline"
        busy={busy}
        onPress={() => onPrint({ what: 'template', part: part.id, mirrored }, `${part.name} template`)}
      />
      <Action
        label="On one large sheet"
        icon="printer-outline"
        disabled={busy}
        onPress={() => onPrint({ what: 'template', part: part.id, mirrored, single: true }, `${part.name} plot`)}
      />
    </Panel>
  );
}

/** Masks cut from film, and the cutter. */
function MasksPanel({ busy, onPrint }: { readonly busy: boolean; readonly onPrint: PrintFile }) {
  const { id, unit } = useJob();
  const [film, setFilm] = useState(() => lengthText(150, unit));
  const filmRead = readLength(film, { bare: unit });
  return (
    <Panel>
      <Heading>Masks for openings, circles and letters</Heading>
      <Small>Laid out on film as wide as you have, as short as it goes.</Small>
      <Typed
        whole
        label="Film is wide"
        unit={unit}
        value={film}
        onChange={setFilm}
        fault={readingFault(filmRead)}
        testID="film"
      />
      <Action
        label="Print the masks"
        icon="printer-outline"
        disabled={busy || !filmRead.ok}
        onPress={() => filmRead.ok && onPrint({ what: 'masks', width: filmRead.value }, 'masks')}
      />
      <CutterPanel job={id} widthMm={filmRead.ok ? filmRead.value : null} />
    </Panel>
  );
}

/** The lay list of a plan for a spreadsheet; lengths in millimetres. It is written here: no connection is needed. */
const layCsv = (plan: Plan): string =>
  tableCsv([
    [
      'Stage',
      'Code',
      'What',
      'Material',
      'Part',
      'Where',
      'Width mm',
      'Length mm',
      'Pieces',
      'm2',
      'How often',
      'Off after stage',
    ],
    ...layTable(plan).map((row) =>
      [
        row.stage,
        row.code,
        row.kind,
        row.material ?? '',
        plan.parts.find(({ id }) => id === row.part)?.name ?? row.part,
        row.where,
        row.widthMm ?? '',
        row.lengthMm === null ? '' : Math.round(row.lengthMm),
        row.pieces,
        row.sizeM2 === null ? '' : row.sizeM2.toFixed(3),
        row.count,
        row.until,
      ].map(String),
    ),
  ]);

const FLAT_NOTE = 'Print at 100 %, not fitted to the page, and check the 100 mm bar before you cut.';
const UNROLLED_NOTE =
  'The unrolled skin, seen from outside; it says which edges meet. Check the 100 mm bar before you cut.';
const TEMPLATE_NOTES: Readonly<Record<SurfaceKind, string>> = {
  flat: FLAT_NOTE,
  folded: FLAT_NOTE,
  tube: UNROLLED_NOTE,
  cone: UNROLLED_NOTE,
  turned:
    'A turned skin lies flat on no paper: it is printed as narrow gores, with what they are wrong by written on them.',
};

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  switch: { flexDirection: 'row', alignItems: 'center', gap: space.middle, minHeight: measure.target },
});
