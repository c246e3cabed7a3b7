import { phrase } from '@lintrel/words';
import { View } from 'react-native';
import { useJob } from '@/job/JobContext';
import { useWords } from '@/person/PersonContext';
import { BoothButton } from './BoothButton';
import { useLook } from './look';
import { MixTogether } from './MixTogether';
import type { RunQuestion } from './RunQuestions';
import { useShade } from './shade';
import type { Running } from './useRunning';
import type { WorkSheet } from './useWorkSheet';

interface RunButtonsProps {
  readonly sheet: WorkSheet;
  readonly running: Running;
  readonly onAsk: (question: RunQuestion) => void;
  readonly onFar: () => void;
  readonly onPhoto: () => void;
  /** A step was logged as done from here. */
  readonly onDone: () => void;
}

/** What else can be done at a step besides finishing it. */
export function RunButtons({ sheet, running, onAsk, onFar, onPhoto, onDone }: RunButtonsProps) {
  const look = useLook();
  const { name: shade, change: setShade } = useShade();
  const { say } = useWords();
  const { next, last, plugs, windows, finished } = running;
  return (
    <View style={look.buttons}>
      <MixWithOthers sheet={sheet} running={running} onDone={onDone} />
      {plugs === null ? null : (
        <BoothButton
          label={plugs === 1 ? 'It is missing' : 'Not all of them'}
          onPress={() => onAsk('missing')}
          testID="missing"
        />
      )}
      <View style={look.pair}>
        {next ? <BoothButton label="Went wrong" onPress={() => onAsk('trouble')} testID="trouble" /> : null}
        <BoothButton label="Touch test" onPress={() => onAsk('touch')} testID="touch" />
        <BoothButton label="Seen from far" onPress={onFar} testID="far-view" />
        <BoothButton
          label={shade === 'booth' ? 'Light screen' : 'Dark screen'}
          onPress={() => setShade(shade === 'booth' ? 'daylight' : 'booth')}
          testID="shade"
        />
        {windows.some(({ counts }) => counts) ? (
          <BoothButton label="Warm it" onPress={() => onAsk('heat')} testID="heat" />
        ) : null}
        <BoothButton label="Photo" onPress={onPhoto} testID="take-photo" />
        {last?.kind === 'coat' ? <BoothButton label="Coat log" onPress={() => onAsk('coat')} testID="coat" /> : null}
      </View>
      {last && !finished ? (
        <BoothButton
          label={phrase`Not done after all: ${say(last.say)}`}
          onPress={() => sheet.log('undo', last.id)}
          testID="undo"
        />
      ) : null}
    </View>
  );
}

/** At a mixing step: whether other jobs are mixed for too. */
function MixWithOthers({ sheet, running, onDone }: Pick<RunButtonsProps, 'sheet' | 'running' | 'onDone'>) {
  const { id } = useJob();
  const { next } = running;
  if (next?.kind !== 'mix') return null;
  return (
    <MixTogether
      job={id}
      step={next}
      onBoth={({ second, first, mixes }) => {
        onDone();
        sheet.log('done', next.id, '', { kind: 'mix', with: second, here: true });
        for (const other of mixes)
          if (other.job !== id)
            sheet.logFor(other.job, other.step, { kind: 'mix', with: first, here: false }, other.sheet);
      }}
    />
  );
}
