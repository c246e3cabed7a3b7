import { phrase } from '@lintrel/words';
import { router, Slot, useLocalSearchParams, usePathname } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { IconButton, Snackbar } from 'react-native-paper';
import { JobProvider, useJob } from '@/job/JobContext';
import { PlanNote } from '@/job/PlanNote';
import { SaveNote, SaveTrouble } from '@/job/SaveNote';
import { StepBar } from '@/job/StepBar';
import { useWords } from '@/person/PersonContext';
import { colour, measure, space } from '@/theme/theme';
import { useLow } from '@/theme/useWide';
import { Heading } from '@/ui/Typography';
import { useTitle } from '@/ui/useTitle';

/** Frame of every screen of a job: its name, saving state, and steps. */
export function JobLayout() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return (
    <JobProvider id={id}>
      <Frame id={id} />
    </JobProvider>
  );
}

function Frame({ id }: { id: string }) {
  const { say, text } = useWords();
  const { design, undo, redo, undoable } = useJob();
  const low = useLow();
  const step = STEP_TITLES[usePathname().split('/')[3] ?? ''];
  useTitle(step ? phrase`${design.title}: ${step}` : design.title);
  return (
    <View style={styles.fill}>
      {low ? null : (
        <View style={styles.head}>
          <IconButton
            icon="arrow-left"
            accessibilityLabel={text('Back to the jobs')}
            onPress={() => router.push('/')}
            style={styles.back}
          />
          <Heading style={styles.name}>{design.title}</Heading>
          <IconButton
            icon="undo"
            disabled={!undo}
            accessibilityLabel={text(undo ? phrase`Undo: ${say(undo.said)}` : 'Nothing to undo')}
            onPress={() => undo?.go()}
            style={styles.back}
            testID="undo-design"
          />
          <IconButton
            icon="redo"
            disabled={!redo}
            accessibilityLabel={text(redo ? phrase`Do again: ${say(redo.said)}` : 'Nothing to do again')}
            onPress={() => redo?.go()}
            style={styles.back}
            testID="redo-design"
          />
          <SaveNote />
        </View>
      )}
      <StepBar id={id} />
      <SaveTrouble />
      <PlanNote />
      <View style={styles.fill}>
        <Slot />
      </View>
      <Snackbar
        visible={undoable !== null}
        onDismiss={() => undoable?.dismiss()}
        duration={8000}
        // Above the main action, which must not be covered.
        wrapperStyle={styles.offer}
        action={{ label: text('Take it back'), onPress: () => undoable?.undo() }}
      >
        {undoable ? say(undoable.said) : ''}
      </Snackbar>
    </View>
  );
}

/** What each step of a job is called in the title of its page. */
const STEP_TITLES: Readonly<Record<string, string>> = {
  piece: 'Piece',
  part: 'Part',
  lines: 'Lines',
  line: 'Line',
  areas: 'Areas',
  coats: 'Coats',
  tape: 'Tape',
  time: 'Time',
  run: 'Run',
  'look-back': 'Look back',
  print: 'Print',
  stations: 'Stations',
  import: 'Drawing',
};

const styles = StyleSheet.create({
  fill: { flex: 1, backgroundColor: colour.ground },
  head: {
    flexDirection: 'row',
    alignItems: 'center',
    minHeight: measure.target,
    paddingRight: space.middle,
    backgroundColor: colour.sheet,
  },
  back: { width: measure.target, height: measure.target, margin: 0 },
  name: { flex: 1 },
  offer: { bottom: measure.target + space.huge },
});
