import { type Job, type JobSummary, type Plan, planJob, type Shelf } from '@lintrel/core';
import { type Hands, onPage } from './hands';
import { appUnderTest, PHONE } from './harness';

// A whole demo job on the run sheet with a thumb, from the first wash to the last look: what the sheet asks for, in the order hands do it.

const app = appUnderTest();
const get = async <T>(path: string) => (await (await fetch(`${app.server.url}/api${path}`)).json()) as T;
const READY = '[data-testid=done]:not([aria-disabled=true])';
const headingOf = (hands: Hands) =>
  hands.page.$eval('[data-testid=current] [role=heading]', (heading) => heading.textContent ?? '');
const colourOf = (hands: Hands) =>
  hands.page.$eval('[data-testid=done]', (button) => getComputedStyle(button).backgroundColor);

/** What is asked for, by the words it begins with. */
const KINDS = [
  /^Wash/,
  /^Abrade/,
  /^Close|^[A-Z]\d|^Mask by hand|^Cover/,
  /^Check before colour/,
  /^Make ready/,
  /: coat \d/,
  /^Clean the gun|^Pull the tape|^Open \d/,
  /^Uncover/,
];
const kindOf = (title: string) => KINDS.findIndex((kind) => kind.test(title));

it('follows a whole job from the first wash to the last look', async () => {
  const { jobs } = await get<{ jobs: JobSummary[] }>('/jobs');
  const id = jobs.find(({ title }) => title === 'Ostrel')?.id ?? '';
  const plan: Plan = planJob((await get<Job>(`/jobs/${id}`)).design, await get<Shelf>('/shelf'));
  const asked = plan.steps.filter(({ attended }) => attended);
  const titles: string[] = [];
  await onPage(app, `/job/${id}/run`, PHONE, async (hands) => {
    await hands.press('[data-testid=start]');
    await hands.sees(new RegExp(`0 of ${asked.length} done`));
    const busy = await colourOf(hands);
    for (let done = 0; done < asked.length; done++) {
      const title = await headingOf(hands);
      titles.push(title);
      if (/coat 2 of/.test(title)) {
        // Too early: the button is calm, and a finger says how the coat feels.
        await hands.sees(/Not yet: next coat in/);
        expect(await colourOf(hands)).not.toBe(busy);
        await hands.press('[data-testid=touch]');
        for (const feel of ['wet', 'tacky', 'marks', 'dry'])
          expect(await hands.count(`[data-testid=feels-${feel}]`)).toBe(1);
        await hands.fill('note', 'on the masking paper');
        await hands.press('[data-testid=feels-tacky]:not([aria-disabled=true])');
      }
      if (asked[done]!.kind === 'unplug') {
        // One is missing: the step is done only with a word on it.
        await hands.sees(/The one plug is out/);
        await hands.press('[data-testid=missing]');
        expect(await hands.page.$eval('[data-testid=say]', (button) => button.getAttribute('aria-disabled'))).toBe(
          'true',
        );
        await hands.fill('note', 'none, may lie under the wing stand');
        await hands.press('[data-testid=say]');
      } else await hands.press(READY);
      // How the tape came off is asked at once.
      if (asked[done]!.kind === 'pull') await hands.press('[data-testid=feels-clean]:not([aria-disabled=true])');
      await hands.sees(new RegExp(`${done + 1} of ${asked.length} done`));
    }
    await hands.sees(/All steps are done/);
    await hands.press('[data-testid=finish]');
    await hands.sees(/This job is finished/);
    await hands.goTo('Look back');
    await hands.sees(/on the masking paper/);
    await hands.sees(/Look it over/);
    await hands.sees(/Plugs not all out, .*1.* went in\s+none, may lie under the wing stand/);
  });
  expect(titles[0]).toMatch(/^Wash/);
  expect(titles[1]).toMatch(/^Abrade/);
  expect(titles.slice(-3).map((title) => title.split(' ')[0])).toEqual(['Clean', 'Uncover', 'Look']);
  // Stage by stage nothing comes before what hands do first.
  for (const number of [null, ...plan.stages.map((stage) => stage.number)]) {
    const kinds = titles
      .filter((_, index) => asked[index]!.stage === number && !/plug|inspect/.test(asked[index]!.kind))
      .map(kindOf);
    expect(kinds.length).toBeGreaterThan(1);
    expect(kinds).not.toContain(-1);
    expect(kinds).toEqual([...kinds].sort((a, b) => a - b));
  }
});
