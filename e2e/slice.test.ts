import { WAIT_MS } from '../scripts/test-limits.mjs';
import { Hands } from './hands';
import { appUnderTest, PHONE, WIDE } from './harness';

// A whole job as a person does it, once with the finger on a phone and once with the mouse on a wide screen.

/** Done rests while an entry is on its way, so that a double tap does not tick off two steps. */
const DONE = '[data-testid=done]:not([aria-disabled=true])';

const app = appUnderTest();
describe.each([
  ['by finger on a phone', PHONE],
  ['by mouse on a wide screen', WIDE],
] as const)('a whole job %s', (_, size) => {
  let hands: Hands;
  beforeAll(async () => {
    hands = new Hands(await app.browser.open(app.server.url, size), size === PHONE);
  });
  afterAll(() => hands.page.close());
  afterEach(() => expect(hands.test.errors()).toEqual([]));

  it('begins with a name, and says so when it is missing', async () => {
    await hands.pressNamed('button', 'New job');
    await hands.press('[data-testid=submit]');
    await hands.sees(/needs a name/);
    await hands.fill('title', 'Sandpiper');
    await hands.pressNamed('radio', 'What is it?: Boat');
    await hands.press('[data-testid=submit]');
    await hands.sees(/New part/);
  });

  it('takes a part by width and height, and refuses nonsense at the field', async () => {
    await hands.fill('name', 'Locker door');
    await hands.fill('width', '-80');
    await hands.fill('height', 'tall');
    await hands.press('[data-testid=submit]');
    await hands.sees(/must be above 0 and at most 30000 mm/);
    await hands.sees(/"tall" is not a length/);
    await hands.fill('width', '1e9');
    await hands.press('[data-testid=submit]');
    await hands.sees(/at most 30000 mm/);
    await hands.fill('width', '31 1/2"');
    await hands.fill('height', '0.4 m');
    await hands.press('[data-testid=submit]');
    await hands.sees(/No line on this part yet/);
    await hands.saved();
  });

  it('sets out a straight, a sweep and a parallel by measurement', async () => {
    await hands.pressNamed('button', 'Set out a line');
    await hands.fill('points.0.along', '0');
    await hands.fill('points.0.above', '900');
    await hands.fill('points.1.along', '800');
    await hands.fill('points.1.above', '900');
    await hands.sees(/lies outside the part/);
    await hands.press('[data-testid=submit]');
    await hands.sees(/Kind of line/);
    await hands.fill('points.0.above', '120');
    await hands.fill('points.1.above', '120');
    await hands.sees(/800 mm long/);
    await hands.press('[data-testid=submit]');
    await hands.sees(/L1\s+Line 1/);

    await hands.pressNamed('button', 'Set out a line');
    await hands.press('[role=button][aria-label^="Kind of line"]');
    await hands.pressNamed('radio', 'Sweep');
    await hands.pressNamed('button', 'Another point');
    for (const [index, along, above] of [
      [0, '0', '260'],
      [1, '400', '320'],
      [2, '800', '250'],
    ] as const) {
      await hands.fill(`points.${index}.along`, along);
      await hands.fill(`points.${index}.above`, above);
    }
    await hands.press('[data-testid=submit]');
    await hands.sees(/L2\s+Line 2/);

    await hands.pressNamed('button', 'Set out a line');
    await hands.press('[role=button][aria-label^="Kind of line"]');
    await hands.pressNamed('radio', 'Parallel');
    await hands.press('[role=button][aria-label^="Follows"]');
    await hands.pressNamed('radio', 'Line 2');
    await hands.fill('distance', '12');
    await hands.press('[data-testid=submit]');
    await hands.sees(/L3\s+Line 3/);
    await hands.saved();
  });

  it('tells which tape follows a line', async () => {
    await hands.press('[data-testid=line]', 1);
    await hands.sees(/Tightest bend/);
    await hands.sees(/V1\.5/);
  });

  it('gives the areas their finishes', async () => {
    await hands.goTo('Areas');
    await hands.page.waitForFunction(() => document.querySelectorAll('[data-testid=area]').length === 4);
    for (const [index, finish] of [
      [0, 'cream-two-part'],
      [1, 'copper-two-part'],
      [2, 'cream-two-part'],
      [3, 'sea-green-two-part'],
    ] as const) {
      await hands.press('[data-testid=area]', index);
      await hands.press(`[data-testid=finish-${finish}]`);
      await hands.page.waitForFunction(
        (at, name) => document.querySelectorAll('[data-testid=area]')[at]!.textContent?.toLowerCase().includes(name),
        {},
        index,
        finish.split('-')[0]!,
      );
    }
    await hands.saved();
  });

  it('sees the order of coats, a picture of every stage, and can choose another', async () => {
    await hands.goTo('Coats');
    await hands.sees(/Orders of coats/);
    expect(await hands.count('[data-testid=stage]')).toBe(3);
    await hands.press('[data-testid=stage]', 1);
    await hands.sees(/Stage 2: /);
    const before = await hands.text();
    await hands.pressNamed('button', 'Take this order');
    await hands.pressNamed('button', 'Let Lintrel choose again');
    // Back to the order found, once the worker has planned again.
    await hands.sees(new RegExp(before.match(/Stage 2: .*/)?.[0] ?? 'no stage'));
    // Both orders may have the same second stage: the way back goes when there is nothing to take back.
    await hands.gone(/Let Lintrel choose again/);
    expect(await hands.text()).not.toMatch(/Let Lintrel choose again/);
  });

  it('sees the tape to lay, with lengths, and when to pull it', async () => {
    await hands.goTo('Tape');
    await hands.sees(/R1[\s\S]*0\.8\d m/);
    expect(await hands.count('[data-testid=run]')).toBeGreaterThan(0);
    await hands.goTo('Time');
    await hands.sees(/From start to end/);
    await hands.sees(/Wet \(planned\)/);
    await hands.pressNamed('radio', 'When to pull: Touch-dry');
    await hands.sees(/Touch-dry \(planned\)/);
    await hands.saved();
  });

  it('follows the run sheet to a countdown', async () => {
    await hands.goTo('Run');
    await hands.sees(/isocyanates/);
    await hands.press('[data-testid=start]');
    await hands.sees(/0 of \d+ done/);
    for (let done = 0; done < 30; done++) {
      const title = await hands.page.$eval('[data-testid=current] [role=heading]', (heading) => heading.textContent);
      if (/coat 2/.test(title ?? '')) break;
      await hands.press(DONE);
      await hands.sees(new RegExp(`${done + 1} of \\d+ done`));
    }
    await hands.sees(/Not yet: next coat in/);
    const shown = await hands.page.$eval('[data-testid=countdown]', (countdown) => countdown.textContent);
    await hands.page.waitForFunction(
      (before) => document.querySelector('[data-testid=countdown]')?.textContent !== before,
      { timeout: WAIT_MS },
      shown,
    );
    const label = await hands.page.$eval('[data-testid=undo]', (button) => button.getAttribute('aria-label'));
    expect(label).toMatch(/coat 1/);
  });

  it('writes down what went wrong, and takes a step back', async () => {
    await hands.press('[data-testid=trouble]');
    await hands.fill('note', 'Dust <b>nib</b> near L1');
    await hands.press('[data-testid=say]');
    await hands.press('[data-testid=undo]:not([aria-disabled=true])');
    await hands.page.waitForFunction(() =>
      /coat 1/.test(document.querySelector('[data-testid=current]')?.textContent ?? ''),
    );
    await hands.press(DONE);
    await hands.sees(/Not yet: next coat in/);
  });

  it('has job, lines and log after a reload', async () => {
    await hands.page.reload();
    await hands.sees(/Not yet: next coat in/);
    await hands.goTo('Look back');
    await hands.sees(/Went wrong: .*coat 2/);
    await hands.sees(/Dust <b>nib<\/b> near L1/);
    await hands.sees(/Not done after all/);
    await hands.goTo('Lines');
    await hands.sees(/L3\s+Line 3/);
  });

  it('shows its window on the Clock and itself among the Jobs', async () => {
    await hands.goTo('Clock');
    await hands.sees(/Sandpiper: next coat/);
    await hands.goTo('Jobs');
    await hands.sees(/Sandpiper[\s\S]*Next: .*coat 2/);
  });
});
