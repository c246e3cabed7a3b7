import type { DoubtSays, TechniqueSays } from '@lintrel/core';
import type { WordsOf } from '../table';

/** How a run is laid. */
export const TECHNIQUES: WordsOf<TechniqueSays> = {
  'technique.by-hand': () => 'Mask by hand.',
  'technique.end-before-bend': () => 'End the run before the bend, overlap a fresh piece, trim on the tape.',
  'technique.one-tape': () => 'Lay one tape down the strip; press both its edges.',
  'technique.stretch': ({ share }, { share: percent }) => `Steer with the free hand and stretch about ${percent(share)}.`,
  'technique.sighted': () => 'Tack one end, unroll past the other, sight along it, set it down as one, press.',
  'technique.steer': () => 'Steer with the free hand, no stretch.',
};

/** Why it is laid so. */
export const TECHNIQUE_REASONS: Readonly<Record<keyof TechniqueSays, string>> = {
  'technique.by-hand': 'No tape on the shelf fits this edge.',
  'technique.end-before-bend': 'The tape would pleat or creep back here.',
  'technique.one-tape': 'The strip is one tape wide: both edges are the line.',
  'technique.stretch': 'Less leaves pleats on the inner edge, each one a leak.',
  'technique.sighted': 'A tape under light tension is straighter than a hand.',
  'technique.steer': 'The bend is wide enough for this tape as it is.',
};

/** What speaks against a tape. */
export const DOUBTS: WordsOf<DoubtSays> = {
  'doubt.outstays': ({ cleanMin, staysMin }, { minutes }) =>
    `comes off clean for ${minutes(cleanMin)} and stays ${minutes(staysMin)} here: pull it sooner, or lay it anew`,
  'doubt.too-tight': () => 'too tight for every tape on the shelf: split the run at the bend or cut the edge from film',
  'doubt.cold': ({ needsC, surfaceC }, { temperature }) =>
    `needs ${temperature(needsC)} to stick, the surface has ${temperature(surfaceC)}: warm part and tape`,
  'doubt.none-narrow': ({ roomMm }, { length }) => `no tape on the shelf is narrower than the ${length(roomMm)} there is`,
  'doubt.none-for-strip': () => 'no tape on the shelf is as wide as this strip',
};
