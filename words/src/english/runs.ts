import type { DoubtMessages, TechniqueMessages } from '@lintrel/core';
import { countText, listText, sentence, type SentenceTools, type WordsOf } from '../table';
import { SCHOOLS } from './names';

const positions = (places: readonly number[], { length }: Pick<SentenceTools, 'length'>): string =>
  `${listText(places.map((place) => `at ${length(place)}`))} along the line`;

/** How a run is laid. */
export const TECHNIQUE_WORDS: WordsOf<TechniqueMessages> = {
  'technique.by-hand': () => 'Mask by hand.',
  'technique.end-before-bend': () => 'End the run before the bend, overlap a fresh piece, trim on the tape.',
  'technique.one-tape': () => 'Lay one tape down the strip; press both its edges.',
  'technique.stretch': ({ share }, { share: percent }) =>
    `Steer with the free hand and stretch about ${percent(share)}.`,
  'technique.sighted': () => 'Tack one end, unroll past the other, sight along it, set it down as one, press.',
  'technique.steer': () => 'Steer with the free hand, no stretch.',
  'technique.short': () => 'Cut it to length; lay it with tweezers or the tip of the blade.',
  'technique.test-pull': () =>
    'First press a short piece on where it is not seen and pull it off slowly: no paint may come with it.',
  'technique.de-tack': ({ times }) =>
    `Stick it to clean cloth ${times === 1 ? 'once' : `${times} times`} before it goes on.`,
  'technique.cut-out': ({ inside, with: others }) =>
    inside
      ? 'Cut the shape from film along the line, lay it as one piece and press its edge.'
      : others === null
        ? 'Cut the shape out of film along the line, lay what is left round it as one piece and press its edge.'
        : `Cut it out of one film together with the other shapes of ${others}; lay what is left round them as one piece and press the edges.`,
  'technique.cut-sheet': ({ line, shapes, inner, widthMm, heightMm }, { length }) =>
    `Cut all of ${line}, ${length(widthMm)} × ${length(heightMm)}, out of one film along its lines: ${countText(shapes, 'shape')}${
      inner > 0 ? ` and ${countText(inner, 'piece')} within them` : ''
    }. Lay what is left round them as one piece${inner > 0 ? ', then the pieces within in their places' : ''}; press the edges.`,
  'technique.closed': ({ overlapMm }, { length }) =>
    `Start where it is seen least, go all the way round and lap over by ${length(overlapMm)}.`,
  'technique.rolled-back': () =>
    'Fold the tape back on itself along the edge, or roll it, so that its edge stands off: paint fades out under it. No line.',
  'technique.backing': ({ tape, lengthMm, offsetMm, pieces, pieceMm }, { length, metres }) =>
    `Backing first: ${metres(lengthMm)} of ${tape ?? 'a tape that is not on the shelf'}, ${length(offsetMm)} back from the line${
      pieces > 1 ? `, in ${pieces} straight pieces of up to ${length(pieceMm)}` : ''
    }. The line tape lies over its edge.`,
  'technique.backing-over': ({ tape, lengthMm, offsetMm, pieces, pieceMm }, { length, metres }) =>
    `Then the backing over it: ${metres(lengthMm)} of ${tape ?? 'a tape that is not on the shelf'}, ${length(offsetMm)} back from the line${
      pieces > 1 ? `, in ${pieces} straight pieces of up to ${length(pieceMm)}` : ''
    }.`,
  'technique.own': ({ how }) => (how === '' ? 'As you always do it here.' : `As you do it here: ${how}`),
  'technique.slit': ({ fromMm, toMm }, { length }) =>
    `Stick the tape of ${length(fromMm)} on a cutting mat and slit it to ${length(toMm)} along a steel rule; lay its own edge where it shows most.`,
  'technique.gap': ({ gapMm }, { length }) =>
    `It stands ${length(gapMm)} from the tape on the other side: try the gap with a strip of that width before you press it down.`,
  'technique.low-pull': ({ inMm }, { length }) =>
    inMm === null
      ? 'Pull it slowly and low, folded back along itself; stop where paint lifts, and cut there.'
      : `Pull it slowly and low, folded back along itself, cut into lengths of about ${length(inMm)}; stop where paint lifts, and cut there.`,
  'technique.stop-short': ({ atMm, layers, backing }, to) =>
    `${layers} tapes lie on each other ${positions(atMm, to)}: ${backing ? 'the backing ends' : 'end it'} there against them; the cover goes over the gap, onto the tape.`,
  'technique.end-clear': ({ atMm }, to) =>
    `${sentence(positions(atMm, to))} it ends against a line tape that comes off before it, and does not lie on that.`,
  'technique.pieces': ({ atMm }, to) =>
    `Post ${positions(atMm, to)}: small pieces round it, each over the one before; fold them down with a fingernail.`,
  'technique.row-along': ({ fromMm, toMm }, { length }) =>
    `From ${length(fromMm)} to ${length(toMm)} a raised row lies under it: small pieces between the heads, pressed down with a blunt edge, or move the line off the row.`,
  'technique.over-seam': ({ tape, lengthMm }, { metres }) =>
    `Over the edge of paper or film, onto the tape below, not across the line: ${metres(lengthMm)} of ${tape ?? 'a tape that is not on the shelf'}.`,
  'technique.foam-gap': ({ gapMm }, { length }) =>
    `Clean the shut face. Lay the foam into the gap of ${length(gapMm)}, one size over it, sticky side to the flange; do not stretch it, butt its ends.`,
  'technique.back-mask': () =>
    'Clean the flange. Stick the tape inside the gap with its sticky side out, drawn back a little from the edge, so that paint does not bridge from part to tape; cover is stuck to it.',
  'technique.tuck': () =>
    'Tuck the edge of the tape into the crack with a blunt blade; cover what is beyond from there.',
  'technique.beside-edge': () => 'Lay it on what is beyond, its edge along the edge of the part; press that edge down.',
  'technique.own-edge': () => 'Lay it on the part, its edge along the edge of the part; press that edge down.',
  'technique.outline': () => 'Lay it on what stays clean, beside the gap; cover hangs from it, none from the foam.',
  'technique.shut': () => 'Lay the paper into the gap, shut what closes on it, and let it hang.',
  'technique.hang-paper': () => 'Stick it below the edge and hang paper from it.',
  'technique.corner': ({ atMm }, to) =>
    `Corner ${positions(atMm, to)}: run past it, start a fresh piece over it, trim on the tape.`,
  'technique.snip': ({ atMm }, to) =>
    `Fold ${positions(atMm, to)}: snip the tape on its inner side there and fold it down flat.`,
  'technique.guide': ({ atMm }, to) =>
    `Raised row ${positions(atMm, to)}: set a paper tape along the line first, tight and sighted; lay this tape against it without tension, round every head, then take the paper tape off.`,
  'technique.hollow': ({ atMm }, to) => `Hollow ${positions(atMm, to)}: press the tape into it with a blunt edge.`,
  'technique.press': ({ atMm }, to) => `Crease ${positions(atMm, to)}: press the tape hard over it.`,
  'technique.trim': ({ fromMm, toMm }, { length }) =>
    `From ${length(fromMm)} to ${length(toMm)} it reaches over what it covers: cut it along the other line there, on the tape that lies below, and take the rest off.`,
  'technique.texture': ({ fromMm, toMm }, { length }) =>
    `From ${length(fromMm)} to ${length(toMm)} press it well down into the texture.`,
  'technique.at-the-piece': ({ fromMm, toMm }, { length }) =>
    `From ${length(fromMm)} to ${length(toMm)} the surface may not be touched. Not worked out: decide at the piece.`,
};

/** Why it is laid so. */
export const TECHNIQUE_REASONS: Readonly<Record<keyof TechniqueMessages, string>> = {
  'technique.by-hand': 'No tape on the shelf fits this edge.',
  'technique.end-before-bend': 'The tape would pleat or creep back here.',
  'technique.one-tape': 'The strip is one tape wide: both edges are the line.',
  'technique.stretch': 'Less leaves pleats on the inner edge, each one a leak.',
  'technique.sighted': 'A tape under light tension is straighter than a hand.',
  'technique.steer': 'The bend is wide enough for this tape as it is.',
  'technique.short': 'So short a piece is pulled askew by hand.',
  'technique.test-pull': 'This tape grips nearly as hard as the paint below holds (estimate).',
  'technique.de-tack': 'It loses some of its grip, which the paint below asks for (estimate).',
  'technique.cut-out': 'Round its corners and bends tape would come in crumbs, each with its own leak.',
  'technique.cut-sheet':
    'One film keeps the shapes in their places to one another; tape round each would come in crumbs.',
  'technique.closed': 'A closed line has no other end to unroll past.',
  'technique.rolled-back': 'Where nothing shall be seen a tape edge would leave a step.',
  'technique.backing': 'So the narrow line tape comes off alone and early, while the cover stays.',
  'technique.backing-over':
    'Both come off together: the line tape is pressed down along its whole width before anything lies on it.',
  'technique.own': 'You have said so: the plan lays no tape here.',
  'technique.slit': 'No tape on the shelf is as wide as this strip.',
  'technique.gap': 'On so narrow a line the eye sees every change of width.',
  'technique.low-pull': 'A long piece pulled in one go lifts what holds least, and more with every metre.',
  'technique.stop-short':
    'More than three on each other cannot be pressed into a corner: paint runs in under the uppermost.',
  'technique.end-clear': 'Nothing may lie on a tape when it is pulled.',
  'technique.pieces': 'Tape round a post stands off in folds, each one a leak.',
  'technique.row-along': 'On the heads it lies hollow on both sides of them.',
  'technique.over-seam': 'A loose edge of paper lifts in the draught and lets mist under.',
  'technique.foam-gap': 'Stretched foam draws back and lets paint into the gap.',
  'technique.back-mask': 'The cover hangs from it, and no edge of paint stands in the gap.',
  'technique.tuck': 'The neighbour is flush: its edge is the line.',
  'technique.beside-edge': 'What is beyond stays clean.',
  'technique.own-edge': 'This part is finished; what is beside it is painted.',
  'technique.outline': 'Foam carries no cover: it would be drawn out of the gap.',
  'technique.shut': 'Shut on it, it holds without tape.',
  'technique.hang-paper': 'Only drips and splatter reach what is there.',
  'technique.corner': 'Tape that is bent round a corner lifts at its point.',
  'technique.snip': 'It must not stand as a tent over the fold: paint runs under it.',
  'technique.guide': 'A tight tape bridges raised heads and leaks beside each of them.',
  'technique.hollow': 'A tape that bridges a hollow lets paint under.',
  'technique.press': 'Tape lifts first where it goes over an edge.',
  'technique.trim': 'Uncut it would lie on what is painted; a blade goes on tape, never on the finish.',
  'technique.texture': 'Paint creeps along every groove.',
  'technique.at-the-piece': 'Nothing may lie there that tape is stuck to.',
};

/** Doubts about a tape. */
export const DOUBT_WORDS: WordsOf<DoubtMessages> = {
  'doubt.outstays': ({ cleanMin, staysMin }, { minutes }) =>
    `comes off clean for ${minutes(cleanMin)} and stays ${minutes(staysMin)} here: pull it sooner, or lay it anew`,
  'doubt.too-tight': () => 'too tight for every tape on the shelf: split the run at the bend or cut the edge from film',
  'doubt.build-up': ({ layers, atMm }, { length }) =>
    `${layers} tapes lie on each other at ${length(atMm)} along the line: cut away what is not needed before it is pressed down`,
  'doubt.over-earlier': ({ stage, early }) =>
    `lies over tape that comes off before it, ${early ? `${SCHOOLS[early]} ` : ''}after stage ${stage}: cut it along that tape then`,
  'doubt.cold': ({ needsC, surfaceC }, { temperature }) =>
    `needs ${temperature(needsC)} to stick, the surface has ${temperature(surfaceC)}: warm part and tape`,
  'doubt.lesser-edge': ({ edge, gentle }) =>
    gentle
      ? `its edge is ${edge}, not crisp: a crisp tape would take the paint below with it (estimate)`
      : `its edge is ${edge}, not crisp: there is no crisp tape on the shelf that fits here`,
  'doubt.cold-edge': ({ edge, needsC, surfaceC }, { temperature }) =>
    `its edge is ${edge}, not crisp: crisp tapes stick from ${temperature(needsC)} on, the surface has ${temperature(surfaceC)}; warm part and tape`,
  'doubt.test-pull': () => 'may lift the paint below (estimate): test pull first',
  'doubt.lifts': () =>
    'would likely take the paint below with it (estimate): get a gentler tape, or let the paint cure longer',
  'doubt.none-narrow': ({ roomMm }, { length }) =>
    `no tape on the shelf is narrower than the ${length(roomMm)} there is`,
  'doubt.none-for-edge': () => 'there is no tape on the shelf for this edge',
  'doubt.none-wider': ({ lineTapeMm }, { length }) =>
    `no tape on the shelf is wider than the line tape of ${length(lineTapeMm)}: get a crepe for the backing`,
  'doubt.none-for-rim': () => 'there is no tape on the shelf for this edge of the part: get a crepe or a rim tape',
  'doubt.none-for-seam': () => 'there is no tape on the shelf to go over the edge of the cover: get a crepe',
  'doubt.not-there': ({ tape }) => `${tape} is not on the shelf: take what fits`,
  'doubt.not-chosen': ({ tape }) =>
    `${tape}, which was chosen, has run out or has no room here: this one is taken instead`,
  'doubt.none-for-strip': () => 'no tape on the shelf is as wide as this strip',
};
