import { createClock } from './clock';

const at = (hour: number) => Date.UTC(2026, 4, 4, hour);
const date = (ms: number) => new Date(ms).toUTCString();

it('is the clock of the device until the server has told another time', () => {
  let device = at(12);
  const clock = createClock(() => device);
  expect([clock.now(), clock.aheadMs()]).toEqual([at(12), 0]);
  clock.hear(date(at(9)));
  expect([clock.now(), clock.aheadMs()]).toEqual([at(9), 3 * 3_600_000]);
  device = at(13);
  expect(clock.now()).toBe(at(10));
});
it('is right again once the device is', () => {
  let device = at(9);
  const clock = createClock(() => device);
  clock.hear(date(at(12)));
  expect(clock.aheadMs()).toBe(-3 * 3_600_000);
  device = at(12) + 20_000;
  clock.hear(date(at(12)));
  expect(clock.now()).toBe(device);
});
it.each([[null], ['yesterday'], ['']])('does not heed %j', (date_) => {
  const clock = createClock(() => at(9));
  clock.hear(date_);
  expect(clock.now()).toBe(at(9));
});
