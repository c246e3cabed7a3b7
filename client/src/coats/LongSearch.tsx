import { type Design, messageWithoutValues, withChoices } from '@lintrel/core';
import { phrase } from '@lintrel/words';
import { StyleSheet, View } from 'react-native';
import { useJob } from '@/job/JobContext';
import { space } from '@/theme/theme';
import { Action } from '@/ui/Action';
import { Progress } from '@/ui/Progress';
import { Small } from '@/ui/Typography';
import { useLongSearch } from './useLongSearch';

/** A longer search for a better order, with progress; stopping it keeps the best so far. */
export function LongSearch({ design }: { design: Design }) {
  const { change } = useJob();
  const { state, start, stop } = useLongSearch(design);
  if (state.kind === 'idle')
    return <Action rank="quiet" label="Search longer" onPress={start} testID="search-longer" />;
  const percent = phrase`${Math.ceil(100 * state.gap)} %`;
  const take = () =>
    void change((now) => withChoices(now, { order: [...state.order] }), messageWithoutValues('edit.order-found'));
  return (
    <View style={styles.search} testID="long-search">
      {state.kind === 'running' ? <Progress share={state.share} /> : null}
      <Small tone="ink">
        {state.kind === 'running'
          ? phrase`Searching: ${Math.round(100 * state.share)} %. None can be more than ${percent} better than the best so far.`
          : state.gap === 0
            ? 'Searched to the end: the best of all is found.'
            : phrase`Stopped at the best so far; none can be more than ${percent} better.`}
      </Small>
      {state.kind === 'running' ? <Action label="Stop, keep the best so far" onPress={stop} /> : null}
      {state.kind === 'done' && state.better ? <Action label="Take the better order" onPress={take} /> : null}
      {state.kind === 'done' && !state.better ? <Small>The order planned is as good.</Small> : null}
    </View>
  );
}

const styles = StyleSheet.create({ search: { gap: space.small } });
