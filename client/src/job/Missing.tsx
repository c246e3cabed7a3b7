import { type Href, router } from 'expo-router';
import { Action } from '@/ui/Action';
import { Panel } from '@/ui/Screen';
import { Body } from '@/ui/Typography';
import { useJob } from './JobContext';

/** States what a step still needs, with a link to it. */
export function Missing({ need }: { need: 'part' | 'line' | 'finish' | 'start' }) {
  const { id } = useJob();
  const { text, label, path } = NEEDS[need];
  return (
    <Panel>
      <Body>{text}</Body>
      <Action rank="main" label={label} onPress={() => router.push(`/job/${id}/${path}` as Href)} />
    </Panel>
  );
}

const NEEDS = {
  part: {
    text: 'There is no part yet: say what is to be painted, with its size.',
    label: 'Add a part',
    path: 'part/new',
  },
  line: {
    text: 'There is no line yet: set out where one colour ends and another begins.',
    label: 'Set out a line',
    path: 'lines',
  },
  finish: { text: 'No area has a finish yet: say which colour goes where.', label: 'Choose finishes', path: 'areas' },
  start: {
    text: 'The run sheet has not been started, so nothing has been logged.',
    label: 'Go to the run sheet',
    path: 'run',
  },
} as const;
