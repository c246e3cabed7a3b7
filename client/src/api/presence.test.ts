import { othersAt } from './presence';

const here = (device: string, step = 's', at = 0, job = 'j') => ({ job, step, device, person: null, at });

it('tells who else is at a step, for a while', () => {
  const all = [here('mine'), here('other'), here('elsewhere', 't'), here('another job', 's', 0, 'k')];
  const names = (now: number) => othersAt(all, 'j', 's', 'mine', now).map(({ device }) => device);
  expect([names(0), names(39_000), names(41_000)]).toEqual([['other'], ['other'], []]);
  expect(othersAt(all, 'j', null, 'mine', 0)).toEqual([]);
});
