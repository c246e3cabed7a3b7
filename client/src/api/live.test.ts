import type { Change } from '@lintrel/core';
import { listen, type LivePage, onChange, onGap } from './live';

const asked = (work: (client: Parameters<typeof onChange>[0]) => void): string[] => {
  const keys: string[] = [];
  work({ invalidateQueries: (filters) => (keys.push((filters?.queryKey ?? []).join(' ')), Promise.resolve()) });
  return keys.sort();
};

it('asks anew for what a change touches, and never for a job that is open', () => {
  expect(asked((client) => onChange(client, { seq: 1, kind: 'log', job: 'j' }))).toEqual([
    'day',
    'jobs',
    'run j',
    'stock',
  ]);
  expect(asked((client) => onChange(client, { seq: 1, kind: 'job', job: 'j' }))).toEqual(['jobs']);
  expect(asked((client) => onChange(client, { seq: 1, kind: 'shelf', job: null }))).toEqual(['day', 'shelf', 'stock']);
});

it('asks anew for everything but jobs that are open where something may have been missed', () =>
  expect(asked((client) => onGap(client))).toEqual(['day', 'jobs', 'run', 'shelf', 'stock']));

describe('listening', () => {
  /** A page whose connections are looked at from outside. */
  function pageOf() {
    const on = new Map<string, () => void>();
    const target = {
      addEventListener: (name: string, work: () => void) => void on.set(name, work),
      removeEventListener: (name: string) => void on.delete(name),
    };
    const opened: { url: string; closed: boolean; tell: (name: string, data: string, id?: string) => void }[] = [];
    const state = { visible: true };
    const open = (url: string) => {
      const heard = new Map<string, (event: { data: string; lastEventId: string }) => void>();
      const one = {
        url,
        closed: false,
        tell: (name: string, data: string, id = '') => heard.get(name)?.({ data, lastEventId: id }),
      };
      opened.push(one);
      return {
        close: () => void (one.closed = true),
        addEventListener: (name: string, work: never) => void heard.set(name, work),
      };
    };
    const page = { open, visible: () => state.visible, document: target, window: target } as unknown as LivePage;
    return { page, opened, state, happens: (name: string) => on.get(name)?.(), listeners: on };
  }
  const change: Change = { seq: 8, kind: 'shelf', job: null };

  it('ends while a page is not seen, and goes on where it was', () => {
    const { page, opened, state, happens, listeners } = pageOf();
    const heard: Change[] = [];
    const end = listen(
      page,
      (one) => heard.push(one),
      () => undefined,
    );
    expect(opened.map(({ url }) => url)).toEqual(['/api/live']);
    opened[0]!.tell('here', '{}', '7');
    state.visible = false;
    happens('visibilitychange');
    expect(opened[0]!.closed).toBe(true);
    state.visible = true;
    happens('visibilitychange');
    expect(opened[1]!.url).toBe('/api/live?after=7');
    opened[1]!.tell('message', JSON.stringify(change), '8');
    opened[1]!.tell('message', '{"seq":"odd"}', '9');
    expect(heard).toEqual([change]);
    happens('pagehide');
    happens('pageshow');
    expect(opened.map(({ url, closed }) => [url, closed])).toEqual([
      ['/api/live', true],
      ['/api/live?after=7', true],
      ['/api/live?after=9', false],
    ]);
    end();
    expect(opened[2]!.closed).toBe(true);
    expect(listeners.size).toBe(0);
  });

  it('never holds two connections, and none on a page that is not seen', () => {
    const { page, opened, state, happens } = pageOf();
    state.visible = false;
    listen(
      page,
      () => undefined,
      () => undefined,
    );
    expect(opened).toEqual([]);
    state.visible = true;
    for (let times = 0; times < 3; times++) happens('visibilitychange');
    happens('pageshow');
    expect(opened).toHaveLength(1);
  });
});
