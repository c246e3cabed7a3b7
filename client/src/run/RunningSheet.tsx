import type { StepId } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useJob } from '@/job/JobContext';
import { useIsAllowed } from '@/people/who';
import { useLow, useWide } from '@/theme/useWide';
import { Text } from '@/ui/Text';
import { FarView } from './FarView';
import { LaterWindows } from './LaterWindows';
import { useLook } from './look';
import { PendingEntries } from './PendingEntries';
import { Photo } from './Photo';
import { asKept, askForPhoto } from './photo';
import { RunButtons } from './RunButtons';
import { ASIDE_HEIGHT, mainAction, RunFooter } from './RunFooter';
import { RunNotes } from './RunNotes';
import { type RunQuestion, RunQuestions } from './RunQuestions';
import { RunStatus } from './RunStatus';
import { StepPicture } from './StepPicture';
import { useRest } from './useRest';
import { type Running, useRunning } from './useRunning';
import type { WorkSheet } from './useWorkSheet';

/** A started sheet: the step to do now, what can be said of it, and one button to finish it. */
export function RunningSheet({ sheet }: { readonly sheet: WorkSheet }) {
  const look = useLook();
  const { revision, plan: designPlan } = useJob();
  const running = useRunning(sheet);
  const [far, setFar] = useState(false);
  const [wide, low] = [useWide(), useLow()];
  const side = wide || low;
  const [resting, rest] = useRest();
  const [question, setQuestion] = useState<RunQuestion | null>(null);
  const photo = usePhoto(sheet, running.shown?.id ?? null);
  const may = useIsAllowed();
  const { next, plugs, now } = running;
  const finishStep = () => {
    rest();
    sheet.log('done', next?.id ?? null, '', plugs === null ? undefined : { kind: 'plugs', out: plugs, of: plugs });
    // Questions only a person can answer are asked at once, and may be skipped.
    setQuestion(next?.kind === 'pull' ? 'pulled' : null);
  };
  const main =
    !may('run') || question !== null
      ? null
      : mainAction({
          next,
          plugs,
          early: running.early,
          resting,
          finished: running.finished,
          onDone: finishStep,
          onFinish: () => sheet.log('finish', null),
        });
  const picture =
    next && designPlan && sheet.revision === revision ? (
      <StepPicture key={next.id} plan={designPlan} step={next} />
    ) : null;
  const actions = { sheet, running, resting, rest, question, setQuestion };
  return (
    <View style={look.booth}>
      <ScrollView
        testID="booth"
        style={look.booth}
        contentContainerStyle={[look.content, side && look.wider, low && { paddingBottom: ASIDE_HEIGHT }]}
      >
        {far ? <FarView step={next} running={running.windows} now={now} onLeave={() => setFar(false)} /> : null}
        <View style={side ? look.sides : look.oneUnder}>
          <View style={side ? look.side : look.oneUnder}>
            <RunStatus sheet={sheet} running={running} />
            {side ? picture : null}
          </View>
          <View style={side ? look.side : look.oneUnder}>
            <StepActions {...actions} onFar={() => setFar(true)} onPhoto={() => void photo.take()} />
            <Photos running={running} unreadable={photo.unreadable} />
            <PendingEntries sheet={sheet} />
            {side ? null : picture}
          </View>
        </View>
        <LaterWindows running={running.windows.filter(({ step }) => step !== next?.id)} now={now} />
        <RunNotes sheet={sheet} running={running} onBeginAgain={question === null ? () => setQuestion('over') : null} />
      </ScrollView>
      {far ? null : <RunFooter left={running.left} main={main} />}
    </View>
  );
}

interface StepActionsProps {
  readonly sheet: WorkSheet;
  readonly running: Running;
  readonly resting: boolean;
  readonly rest: () => void;
  readonly question: RunQuestion | null;
  readonly setQuestion: (question: RunQuestion | null) => void;
  readonly onFar: () => void;
  readonly onPhoto: () => void;
}

/** The buttons of a step, or the question that stands in their place. */
function StepActions({ sheet, running, resting, rest, question, setQuestion, onFar, onPhoto }: StepActionsProps) {
  const look = useLook();
  const may = useIsAllowed();
  if (!may('run')) return <Text style={look.detail}>You look on: others in this shop work by this sheet.</Text>;
  if (question !== null)
    return (
      <RunQuestions
        question={question}
        sheet={sheet}
        running={running}
        resting={resting}
        onClose={() => setQuestion(null)}
      />
    );
  return (
    <RunButtons sheet={sheet} running={running} onAsk={setQuestion} onFar={onFar} onPhoto={onPhoto} onDone={rest} />
  );
}

/** Takes a photo for a step; true `unreadable`: the last file was no picture. */
function usePhoto(sheet: WorkSheet, step: StepId | null) {
  const [unreadable, setUnreadable] = useState(false);
  const take = async () => {
    const file = await askForPhoto();
    if (!file) return;
    const photo = await asKept(file);
    setUnreadable(photo === null);
    if (photo) sheet.logPhoto(step, photo);
  };
  return { unreadable, take };
}

function Photos({ running, unreadable }: { readonly running: Running; readonly unreadable: boolean }) {
  const look = useLook();
  const { id } = useJob();
  const { photos } = running;
  return (
    <>
      {unreadable ? (
        <Text role="alert" style={look.warn}>
          This file is no picture that can be read here. Nothing was kept of it.
        </Text>
      ) : null}
      {photos.length > 0 ? (
        <View style={look.pair} testID="photos">
          {photos.map((photo, index) => (
            <Photo key={photo} job={id} photo={photo} label={phrase`Photo ${index + 1} of this step`} inRun />
          ))}
        </View>
      ) : null}
    </>
  );
}
