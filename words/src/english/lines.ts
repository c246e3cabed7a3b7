import type { BandMessages, LineMessages, Relation, SnapMessages, SnapName } from '@lintrel/core';
import type { SentenceTools, WordsOf } from '../table';

const RELATIONS: Readonly<Record<Relation, string>> = {
  parallel: 'is parallel to',
  mirror: 'is the mirror of',
  corner: 'rounds a corner with',
  'ends-on': 'ends on',
};

/** About a line: `This line …`. */
export const LINE_WORDS: WordsOf<LineMessages> = {
  'line.same-place': () => 'starts and ends at the same place',
  'line.same-neighbours': () => 'has two neighbouring points at the same place',
  'line.turns-nothing': () => 'turns by nothing',
  'line.near-end': () => 'lies too near an end of the surface to be laid out',
  'line.no-datum': () => 'is measured from a datum that is no longer there',
  'line.mirror-no-datum': () => 'is mirrored about a datum that is no longer there',
  'line.holds-none': () => 'holds no line',
  'line.three-straight': () => 'needs three places that do not lie on one straight',
  'line.not-round': () => 'goes round a tube, a cone or a turned surface, and this part is none',
  'line.beyond-ends': () => 'lies beyond the ends of the part',
  'line.bands-beyond': () => 'has bands beyond the ends of the part',
  'line.not-from-here': () => 'cannot be laid out from this point',
  'line.too-many-waves': ({ waves, most }) => `would have ${waves} waves: the most is ${most}, so look at the pitch`,
  'line.scallop-high': () => 'is higher than half its pitch',
  'line.strokes': ({ least, most }) => `needs strokes from ${least * 100} to ${most * 100} % of its height`,
  'line.too-fine': ({ pieces, most }) => `is so fine that it takes ${pieces} straight pieces: the most is ${most}`,
  'line.part-strokes': ({ most }) => `is one too many: the lines of a part may have ${most} strokes together`,
  'line.part-pieces': ({ most }) => `is one too many: the lines of a part may take ${most} straight pieces together`,
  'line.turns': ({ turns, most }) => `goes round ${turns} times: the most is ${most}`,
  'line.meetings': ({ most }) => `meets other lines more often than is worked out: a part may have ${most} such places`,
  'line.outside': () => 'lies outside the part: nothing of it is on the surface',
  'line.itself': () => 'is made from itself by way of other lines',
  'line.of-gone': ({ relation }) => `${RELATIONS[relation]} a line that is no longer there`,
  'line.of-itself': ({ relation }) => `${RELATIONS[relation]} itself by way of other lines`,
  'line.of-broken': ({ relation, name }) => `${RELATIONS[relation]} "${name}", which cannot be laid out`,
  'line.no-meeting': ({ name }) => `is to end on "${name}", which it does not meet`,
  'line.nothing-left': ({ name }, speech) =>
    `has nothing left of "${nameOf(name, speech)}" at this distance: it bends tighter`,
  'line.no-edge': ({ edge }) => `follows edge ${edge}, which the part does not have`,
  'line.edge-short': () => 'follows an edge of no length',
  'line.corner-two': () => 'rounds the corner of two single lines, not of bands or letters',
  'line.corner-apart': () => 'rounds a corner of two lines that do not meet',
  'line.corner-straight': () => 'rounds a corner of two lines that run on into each other',
  'line.corner-room': ({ radiusMm }, { length }) => `has no room for a radius of ${length(radiusMm)}`,
  'line.corner-nothing': ({ radiusMm }, { length }) => `leaves nothing of a line at a radius of ${length(radiusMm)}`,
  'line.corner-crowded': () => 'has no room beside the other rounded corners of its lines',
  'line.cut-places': () => 'needs two different places to see the plane through',
  'line.cut-misses': () => 'lies in a plane that does not meet this part',
  'line.cut-hidden': ({ half }) => `shows nothing on the ${half === 'near' ? 'side one sees' : 'far side'}`,
  'line.on-no-part': () => 'goes on from a part that is no longer there',
  'line.on-own-part': () => 'goes on from its own part: choose another',
  'line.on-no-line': () => 'goes on from a line that is no longer there',
  'line.on-broken': ({ name }) => `goes on from "${name}", which cannot be laid out`,
  'line.on-not-there': () => 'goes on from a line that is not on its part',
  'line.on-at-viewer': () => 'goes on from a line that runs straight at the viewer: choose the other view',
  'line.on-misses': () => 'goes on in a plane that does not meet this part',
};

export const SNAP_WORDS: WordsOf<SnapMessages> = {
  'snap.corner': () => 'corner',
  'snap.middle': ({ to }, speech) => `middle of ${nameOf(to, speech)}`,
  'snap.end': ({ to }, speech) => `end of ${nameOf(to, speech)}`,
  'snap.crossing': ({ to, with: other }, speech) => `${nameOf(to, speech)} × ${nameOf(other, speech)}`,
  'snap.start': ({ to }, speech) => `start of ${nameOf(to, speech)}`,
  'snap.square': ({ to }, speech) => `square to ${nameOf(to, speech)}`,
  'snap.touching': ({ to }, speech) => `touching ${nameOf(to, speech)}`,
  'snap.on': ({ to }, speech) => `on ${nameOf(to, speech)}`,
  'snap.tapes': ({ count, widthMm, to }, speech) =>
    `${count} × tape ${speech.length(widthMm)} from ${nameOf(to, speech)}`,
};

const nameOf = (name: SnapName, { say }: SentenceTools): string => (typeof name === 'string' ? name : say(name));

export const BAND_WORDS: WordsOf<BandMessages> = {
  'bands.no-width': () => 'no width is left: fewer bands, smaller gaps or smaller margins',
  'bands.one-no-gap': () => 'one band has no gap: ask for the margin instead',
  'bands.too-wide': () => 'the bands are wider than the length: fewer or narrower bands',
  'bands.too-long': () => 'bands and gaps are longer than the length: fewer or narrower bands',
  'bands.not-whole': ({ count }) => `${count.toFixed(2)} bands would fit, which is no whole number`,
};
