import { phrase } from '@lintrel/words';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, space } from '@/theme/theme';
import { Notice } from '@/ui/Notice';
import { Small } from '@/ui/Typography';
import { useJob } from './JobContext';

/** Delay before an older plan on screen is marked as such, ms. */
const QUICK_MS = 500;

/** Failures, and a notice if the plan on screen is older than the design. */
export function PlanNote() {
  const { plan, planning, planError, changeError } = useJob();
  const late = useLate(plan !== null && planning && !planError);
  return (
    <View style={styles.over}>
      {changeError ? (
        <Notice
          level="stop"
          text={phrase`That change could not be worked out, and nothing was changed: ${changeError}`}
        />
      ) : null}
      {planError ? (
        <Notice
          level="stop"
          text={phrase`This could not be worked out: ${planError} What is on screen may be older than the last change.`}
        />
      ) : null}
      {late ? (
        // It lies over the screen, so that nothing moves under a finger.
        <View style={styles.late} role="status" testID="planning" pointerEvents="none">
          <Small tone="ink">Working out what follows …</Small>
        </View>
      ) : null}
    </View>
  );
}

/** True once something takes longer than usual. */
function useLate(going: boolean): boolean {
  const [late, setLate] = useState(false);
  useEffect(() => {
    setLate(false);
    if (!going) return;
    const timer = setTimeout(() => setLate(true), QUICK_MS);
    return () => clearTimeout(timer);
  }, [going]);
  return late && going;
}

const styles = StyleSheet.create({
  over: { zIndex: 1 },
  late: {
    position: 'absolute',
    right: space.small,
    top: space.small,
    paddingHorizontal: space.small,
    backgroundColor: colour.sheet,
    borderWidth: 1,
    borderColor: colour.hairline,
  },
});
