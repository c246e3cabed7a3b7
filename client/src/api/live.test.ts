import { heardChange, heardNothing } from './live';

const asked = (work: (client: Parameters<typeof heardChange>[0]) => void): string[] => {
  const keys: string[] = [];
  work({ invalidateQueries: (filters) => (keys.push((filters?.queryKey ?? []).join(' ')), Promise.resolve()) });
  return keys.sort();
};

it('asks anew for what a change touches, and never for a job that is open', () => {
  expect(asked((client) => heardChange(client, { seq: 1, kind: 'log', job: 'j' }))).toEqual(['jobs', 'run j', 'stock']);
  expect(asked((client) => heardChange(client, { seq: 1, kind: 'job', job: 'j' }))).toEqual(['jobs']);
  expect(asked((client) => heardChange(client, { seq: 1, kind: 'shelf', job: null }))).toEqual(['shelf', 'stock']);
});

it('asks anew for everything but jobs that are open where something may have been missed', () =>
  expect(asked((client) => heardNothing(client))).toEqual(['jobs', 'run', 'shelf', 'stock']));
