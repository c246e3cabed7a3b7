import type { BatchMessages, DayMessages } from '@lintrel/core';
import { showMinutes } from '@lintrel/core/front';
import type { WordsOf } from '../table';

/** Why strips cannot be pulled in time, and what would help. */
export const BATCH_WORDS: WordsOf<BatchMessages> = {
  'batch.pull-too-long': ({ longestPullMin, leastToMin }) =>
    `A pull takes longer than its window is open. It would do if ${longestPullMin > 0 ? `one took ${showMinutes(longestPullMin)} at most (shorter strips, a second person), or if ` : ''}the window closed no sooner than ${showMinutes(leastToMin)} after painting (slower thinner, cooler air).`,
};

/** Invalid hours, and days that cannot be planned, with suggestions. */
export const DAY_WORDS: WordsOf<DayMessages> = {
  'day.ends-first': () => 'ends before it begins',
  'day.date': () => 'must be a date such as 2026-12-24',
  'day.no-workers': () => 'Nobody works in this shop: add the people and their hours.',
  'day.no-hours': ({ person }) => `${person} has no hours in the next two weeks: set them, or take days off back.`,
  'day.closed': ({ step, job }, { say }) =>
    `${job}: “${say(step)}” needs the booth, and it is closed for the next two weeks. Open it for some hours.`,
  'day.hands': ({ step, job, hands, people }, { say }) =>
    `${job}: “${say(step)}” needs ${hands} people at once, and here ${people === 1 ? 'is one' : `are ${people}`}. Get a second pair of hands for it.`,
  'day.too-long': ({ step, job, minutes, longestMin }, { say }) =>
    `${job}: “${say(step)}” takes ${showMinutes(minutes)} in one go, and nobody works longer than ${showMinutes(longestMin)}. A longer day, or fewer parts at once.`,
  'day.window': ({ step, after, job, maxMin, extraMin }, { say }) =>
    `${job}: “${say(step)}” has to begin within ${showMinutes(maxMin)}${after ? ` of “${say(after)}”` : ' of what is done'}, and there are no hours for it. ${extraMin === null ? 'A longer day does not help: another school of pulling, or warmer or cooler air.' : `Days longer by ${showMinutes(extraMin)} would do.`} The rest is planned without it.`,
  'day.pinned': ({ step, job }, { say }) =>
    `${job}: “${say(step)}” is fixed to a time or a person that cannot be kept: it is planned without.`,
  'day.gun': ({ job, finish, other, otherFinish }) =>
    `${otherFinish} of ${other} falls before ${finish} of ${job} is cleaned out of the gun, and neither can wait: clean it in between, or take a second gun.`,
  'day.none': () => 'No plan keeps all windows in the hours there are: longer days, or one more person.',
};
