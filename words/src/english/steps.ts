import type {
  BackedLineMessages,
  BeyondEdge,
  Cleaner,
  ClosingTapeMessages,
  CoverPlaces,
  FinishMethod,
  Grit,
  LeakMessages,
  OwnPieceMessages,
  Reach,
  SectionMessages,
  SeenSide,
  StepMessages,
} from '@lintrel/core';
import { isSprayed } from '@lintrel/core/front';
import { countText, listText, sentence, type SentenceTools, type WordsOf } from '../table';
import { OPENED_AGAIN } from './openings';

/** Where a tape lies, seen from its line. */
export const SIDES: Readonly<Record<SeenSide | 'along', string>> = {
  above: 'above',
  below: 'below',
  'left-of': 'left of',
  'right-of': 'right of',
  'near-end-of': 'near-end side of',
  'far-end-of': 'far-end side of',
  'upper-side-of': 'upper side of',
  'lower-side-of': 'lower side of',
  'inside-of': 'inside',
  'outside-of': 'outside',
  along: 'along',
};

/** Position of a tape along the surroundings, before the name of its edge. */
import { SCHOOLS } from './names';

const RIM_SIDES: Readonly<Record<BeyondEdge, string>> = {
  butt: 'tucked in along',
  gap: 'into the gap along',
  'goes-on': 'along',
  body: 'beyond',
  shut: 'into the gap along',
  splash: 'below',
};

/** Where a tape lies that is not where its neighbour suggests. */
const RIM_PLACES: Readonly<Record<string, string>> = {
  'technique.outline': 'beside the foam along',
  'technique.beside-edge': 'beyond',
  'technique.own-edge': 'on the part along',
};

/** Tapes come off with what hangs from them; foam in a gap, which carries nothing, after. */
function carriersOff(materials: readonly string[]): string {
  const tapes = materials.filter((material) => material !== 'foam');
  const foam = tapes.length < materials.length;
  if (tapes.length === 0) return 'Then the foam, straight out.';
  return `The tape they hang from comes with them: ${listText(tapes)}${foam ? '; then the foam, straight out' : ''}.`;
}

/** Everything a cover lies on, in words. */
const covers = ({ places, wholes = [], round = [] }: CoverPlaces): string[] => [
  ...places,
  ...wholes,
  ...round.map((part) => `round ${part}`),
];

/** The place if there is only one; several are listed below the title. */
const theOnly = (places: readonly string[], kind = 'part'): string =>
  places.length === 1 ? places[0]! : countText(places.length, kind);
const listedAbove = (places: readonly string[]): string => (places.length === 1 ? '' : `${places.join('; ')}. `);

const CLEANERS: Readonly<Record<Cleaner, string>> = {
  'wax-grease': 'Wax-and-grease remover, one cloth to put it on, a clean one to take it off',
  alcohol: 'Acetone or alcohol on a clean cloth',
  dewax: 'Dewaxing solvent with two cloths, wet on and dry off, until the second stays clean',
  soap: 'Mild soap and water, then alcohol of no more than 70 %; no strong solvent',
  'soap-water': 'Soap and water, rinsed and dried; no solvent',
  thinner: 'A cloth just damp with brushing thinner',
  water: 'Water only: the paint on it has not cured',
  dust: 'Brush the dust off along the grain and tack it',
};

const GRITS: Readonly<Record<Grit, string>> = {
  p240: 'P240 to P320',
  'p320-wet': 'P320 to P400, wet',
  p320: 'P320',
  p400: 'P400 to P500',
  p500: 'P500 to P600, a grey pad in edges and recesses',
  p800: 'P800',
  p1000: 'a breath of P1000',
  'wet-only': 'wet only, the dust is poison',
};

/** Application of a finish, first coat and later ones, without masks that are not there. */
const GOING_ON: Readonly<Record<FinishMethod, readonly [first: string, later: string]>> = {
  gun: ['A light, even coat', 'Even and a little wetter'],
  airbrush: ['A light mist coat, the airbrush always moving', 'Thin and even, the airbrush always moving'],
  can: ['A light coat, 150 to 250 mm away, the can always moving', 'Even, 150 to 250 mm away, the can always moving'],
  roller: ['Thin, rolled out and laid off one way', 'Thin, rolled out across the first and laid off one way'],
  brush: ['Thin, brushed out and laid off one way', 'Thin, brushed out and laid off one way'],
};
/** Rolled or brushed; older plans without a method count as sprayed. */
const byHand = (method: FinishMethod | undefined): boolean => method !== undefined && !isSprayed({ method });

const coatsTold = ([first, last]: readonly [number, number]) =>
  first === last ? `coat ${first}` : `coats ${first} to ${last}`;

/** How much paint is made ready, how, and for how long it is good. */
const mixing = (
  { ml, partsMl, cans, batches, coats, lifeMin, method }: StepMessages['step.mix'],
  { volume, minutes }: Pick<SentenceTools, 'volume' | 'minutes'>,
) =>
  [
    coats && coats[0] > 1 && method && !byHand(method)
      ? 'Empty the gun and rinse it first: what is left in it sets.'
      : '',
    cans
      ? `${countText(cans, 'can')}; shake for two minutes after the ball comes free.`
      : `${volume(ml)} ready to use (estimate).`,
    partsMl && partsMl.length > 1
      ? `${partsMl.map((part) => volume(part)).join(' + ')}, paint first. Mix, strain, fill.`
      : '',
    !cans && partsMl && partsMl.length === 1 && byHand(method)
      ? 'Stir to the bottom of the tin; pour out only what is used.'
      : '',
    !cans && partsMl && partsMl.length === 1 && method && !byHand(method) ? 'Stir, strain, fill.' : '',
    batches && batches > 1
      ? `In ${batches} lots, each when the last is used up: one would be too old before the coat is on.`
      : '',
    lifeMin && !(batches && batches > 1)
      ? `Use it within ${minutes(lifeMin)} of mixing (estimate)${coats ? `: mix no more than ${coats[0] === coats[1] ? 'this coat takes' : 'these coats take'}` : ''}.`
      : '',
  ]
    .filter(Boolean)
    .join(' ');

/** What a step is called. */
export const STEP_TITLES: WordsOf<StepMessages> = {
  'step.wait-tape-safe': () => 'Wait until the colour takes tape',
  'step.wait-over': () => 'Wait until what is below takes the next coat',
  'step.wait-pull': () => 'Wait for the pull',
  'step.wait-section': () => 'Wait before the next section',
  'step.wait-seal': () => 'Wait until the seal is dry',
  'step.wait-cover': () => 'Wait until it is touch-dry',
  'step.flash': ({ method, last }) => (byHand(method) ? `Let it dry${last ? '' : ' for the next coat'}` : 'Flash off'),
  'step.wash': ({ places }) => `Wash ${theOnly(places)}`,
  'step.warm': () => 'Keep part and tape warm overnight',
  'step.abrade': ({ places }) => `Abrade and clean ${theOnly(places)}`,
  'step.scuff': () => 'Scuff and clean first',
  'step.remix': () => 'Mix it anew first',
  'step.barrier': ({ places }) => `Barrier coat on ${theOnly(places)}`,
  'step.plug': ({ plugs }) => `Close ${countText(plugs, 'opening')}`,
  'step.unplug': ({ plugs }) => `Open ${countText(plugs, 'opening')} again`,
  'step.lay': ({ tape, side, line, part }) =>
    `${tape ?? 'Mask by hand'} ${SIDES[side]} ${line}${part === null ? '' : `, ${part}`}`,
  'step.backing': ({ tape, behind, part }) =>
    `${tape ?? 'Mask by hand'} behind ${listText(behind)}${part === null ? '' : `, ${part}`}`,
  'step.rim': ({ material, widthMm, beyond, part, edges, technique }, { length, say }) =>
    `${material === 'foam' ? `Foam ${length(widthMm)}` : (material ?? 'Mask by hand')} ${RIM_PLACES[technique.code] ?? RIM_SIDES[beyond]} ${edges.length === 1 ? say(edges[0]!) : countText(edges.length, 'edge')}${part === null ? '' : `, ${part}`}`,
  'step.cover': (covered) => `Cover ${theOnly(covers(covered), 'place')}`,
  'step.uncover': (covered) =>
    covers(covered).length === 0 && (covered.tapes ?? []).length > 0
      ? `Take off ${listText(covered.tapes!)}`
      : covers(covered).length === 0
        ? `Take off ${countText(covered.own?.length ?? 0, 'piece')} of your own`
        : `Uncover ${theOnly(covers(covered), 'place')}`,
  'step.own': ({ pieces }) => `Lay ${countText(pieces.length, 'piece')} of your own`,
  'step.seal': ({ finish }) => `Seal the tape edges: ${finish ?? 'liquid mask'}`,
  'step.gate': () => 'Check before colour',
  'step.gun-clean': () => 'Clean the gun',
  'step.gun-strip': () => 'Strip the gun right down',
  'step.mix': ({ finish, coats }) => `Make ready: ${finish}${coats ? `, for ${coatsTold(coats)}` : ''}`,
  'step.coat': ({ finish, coat, coats, sections }, { say }) =>
    `${finish}: coat ${coat} of ${coats}${sections ? `, only ${listText(sections.map((section) => say(section)))}` : ''}`,
  'step.blend': ({ finish }) => `${finish}: fade it out`,
  'step.pull': ({ school, lines, rest, sections }, { say }) => {
    const places = lines ?? sections?.map((section) => say(section));
    return `Pull ${places ? `the tape of ${listText(places)}` : rest ? 'the rest of the tape' : 'the tape'}: ${SCHOOLS[school]}`;
  },
  'step.inspect': () => 'Look it over',
  'step.typed': ({ title }) => title,
};

const ownPlace = (
  { fromMm, toMm, byMm = [], part, count }: OwnPieceMessages[keyof OwnPieceMessages],
  { length }: SentenceTools,
): string => {
  const place = ([x, y]: readonly number[]) => `${length(x ?? 0)} along, ${length(y ?? 0)} up`;
  const by = Array.from({ length: byMm.length / 2 }, (_, index) => byMm.slice(2 * index, 2 * index + 2));
  return `${part === null ? '' : ` on ${part}`}${count > 1 ? `, on each of ${count}` : ''}, from ${place(fromMm)}${by.map((message) => ` by ${place(message)}`).join('')} to ${place(toMm)}`;
};
const noted = (note: string): string => (note === '' ? '' : ` ${sentence(note)}.`);

/** Tape that closes openings, all together. */
export const CLOSING_TAPES: WordsOf<ClosingTapeMessages> = {
  'closing.base': ({ tape, lengthMm }, { metres }) =>
    `Inside the edges ${tape ?? 'what fits'}, ${metres(lengthMm)} in all.`,
  'closing.alone': ({ tape, lengthMm }, { metres }) =>
    `Tape that closes by itself: ${tape ?? 'what fits'}, ${metres(lengthMm)} in all.`,
  'closing.lip': ({ tape, lengthMm }, { metres }) => `For the lips ${tape ?? 'what fits'}, ${metres(lengthMm)} in all.`,
  'closing.cap': ({ tape, lengthMm }, { metres }) =>
    `Over the edges of film or card ${tape ?? 'what fits'}, ${metres(lengthMm)} in all.`,
};

/** Pieces a person lays besides what the plan does. */
export const OWN_PIECE_WORDS: WordsOf<OwnPieceMessages> = {
  'own.tape': ({ name, tape, lengthMm, note, ...at }, speech) =>
    `${name}: ${speech.metres(lengthMm)} of ${tape ?? 'what fits'}${ownPlace({ name, tape, lengthMm, note, ...at }, speech)}.${noted(note)}`,
  'own.cover': ({ name, sizeM2, note, ...at }, speech) =>
    `${name}: ${speech.area(sizeM2)} of paper or film${ownPlace({ name, sizeM2, note, ...at }, speech)}.${noted(note)}`,
};

/** How a step is done. */
export const STEP_DETAILS: WordsOf<StepMessages> = {
  'step.wait-tape-safe': () => 'Tape laid sooner marks or lifts it.',
  'step.wait-over': () => 'What goes on sooner wrinkles it or traps its solvent.',
  'step.wait-pull': () => '',
  'step.wait-section': () => 'Painted sooner, it could not be pulled in time.',
  'step.wait-seal': () => 'Colour on a wet seal creeps under the tape with it.',
  'step.wait-cover': () => 'What covers comes off then: it would sweep over wet paint.',
  'step.flash': ({ method, masked }) =>
    byHand(method)
      ? 'Try it in a hidden place: it takes no mark and no longer pulls.'
      : masked === false
        ? 'Check it where nobody looks, not on a face that is seen.'
        : 'Check it by touching the masking paper, not the part.',
  'step.wash': ({ places, cleaner }) =>
    `${listedAbove(places)}${CLEANERS[cleaner]}. Also where only tape will go: edges, flanges, backs. Fresh gloves; from now on no bare hand on it.`,
  'step.warm': ({ belowC }, { temperature }) =>
    `Below ${temperature(belowC)} tape goes on and lets go later. Bring part and tape into a warm room the evening before.`,
  'step.abrade': ({ places, reason, grit, masked }, { say, length }) =>
    `${listedAbove(places)}${say(reason)} ${
      grit
        ? `${sentence(GRITS[grit])}, to an even matt; blow off, wipe, tack.`
        : 'Scuff to an even matt with a grey pad, wipe, tack.'
    }${masked ? ` Keep ${length(5)} off the tape that is still on.` : ''}`,
  'step.scuff': ({ coat, masked }, { say, length }) =>
    `The limit for “${say(coat)}” has passed: on the film as it is the next coat would hardly hold. Scuff it to an even matt with a grey pad, blow off, wipe, tack.${masked ? ` Keep ${length(5)} off the tape, and press its edges again.` : ''}`,
  'step.remix': (values, speech) =>
    `What was mixed is too old to spray: away with it, as its data sheet says. ${mixing(values, speech)}`,
  'step.barrier': ({ places, reason }, { say }) =>
    `${listedAbove(places)}${say(reason)} A thin, even coat that parts the two; let it flash before the colour.`,
  'step.plug': ({ plugs, places, closings, tapes = [], before = [] }, { say }) =>
    closings
      ? [...closings.map(say), ...tapes.map(say), ...before.map(say), `Count them in: ${plugs}.`].join(' ')
      : `${places.join('; ')}. Count the plugs in.`,
  'step.unplug': ({ plugs, places, closings = [] }) => {
    const how = closings.map(({ code, values }) =>
      closings.length === 1 ? sentence(OPENED_AGAIN[code]) : `${values.opening}: ${OPENED_AGAIN[code]}`,
    );
    return `${places.join('; ')}. ${how.length > 0 ? `${how.join('. ')}. ` : ''}Count them: ${plugs} went in, as many come out.`;
  },
  'step.lay': ({ tape, tapeMm, count, technique, more = [], backing }, { metres, say }) =>
    [
      ...(backing ? [say(backing)] : []),
      `${metres(tapeMm)} off the roll${backing ? ` of ${tape ?? 'what fits'}` : ''}${count > 1 ? ` on each of ${count}` : ''}.`,
      ...[technique, ...more].map(say),
    ].join(' '),
  'step.backing': ({ along, offsetMm, over, count, more }, { length, say }) =>
    [
      `${sentence(listText(along.map(say)))}${count > 1 ? `, on each of ${count}` : ''}, ${length(offsetMm)} back from the line.`,
      over
        ? 'It lies over the line tape and carries paper and film.'
        : 'It carries paper and film; the line tape goes on last, over its edge.',
      ...more.map(say),
    ].join(' '),
  'step.rim': ({ edges, lengthMm, count, technique, more }, { metres, say }) =>
    [
      `${edges.length > 1 ? `${sentence(listText(edges.map((edge) => say(edge))))}: ` : ''}${metres(lengthMm)}${count > 1 ? ` on each of ${count}` : ''}.`,
      ...[technique, ...more].map(say),
    ].join(' '),
  'step.cover': (covered, { area, say }) => {
    const { places, wholes = [], round = [], roundM2 = 0, reach, hung, seams = [] } = covered;
    const seam = seams.length > 0 ? '.' : '; a second tape over the seam.';
    return [
      ...(covers(covered).length > 1 && places.length > 0 ? [`${places.join('; ')}.`] : []),
      ...(wholes.length > 0 ? [`Whole, for mist reaches them: ${wholes.join('; ')}.`] : []),
      ...(round.length > 0
        ? [
            `All that lies beyond the edges of ${listText(round)}: about ${area(roundM2)} of film, stuck to the tape along them.`,
          ]
        : []),
      REACHES[reach ?? 'mist'],
      ...(hung === undefined
        ? [`Onto the tape, not across its edge${seam}`, ...seams.map(say)]
        : hung
          ? ['Its edge on the tape that carries it, clear of the line, pressed down.']
          : []),
    ].join(' ');
  },
  'step.uncover': (covered) =>
    [
      ...(covers(covered).length > 0
        ? [
            `${listedAbove(covers(covered))}Fold paper and film up into themselves, the painted side in: dry overspray falls off them.`,
          ]
        : []),
      ...(covers(covered).length > 0 && (covered.tapes ?? []).length > 0 ? [carriersOff(covered.tapes!)] : []),
      ...((covered.own ?? []).length > 0 && covers(covered).length > 0
        ? [`Take off your own ${listText((covered.own ?? []).map(({ values }) => values.name))} too.`]
        : []),
    ].join(' '),
  'step.own': ({ pieces }, { say }) => pieces.map((piece) => say(piece)).join(' '),
  'step.seal': ({ finish, places, dryMin }, { minutes }) =>
    `${places.join('; ')}, where the surface is coarse. ${
      finish === null
        ? 'A thin line of liquid mask along the edge of the tape, on the tape and just over its edge; it comes off with the tape'
        : `Brush ${finish} thinly along the edge of the tape, from the tape onto the bare side: what creeps under is the colour that belongs there, or clear`
    }. Dry in ${minutes(dryMin)} (estimate).`,
  'step.gate': ({ masked, leaks }, { say }) =>
    masked
      ? `Wipe lightly without wetting the tape edges, tack off, press every edge again.${leaks && leaks.length > 0 ? ` Known leaks: ${leaks.map(say).join('; ')}.` : ''}`
      : 'Wipe, tack off, look for dust and finger marks.',
  'step.gun-clean': () => 'Now, before it sets: until the thinner runs clear.',
  'step.gun-strip': () => 'Flakes left in it ruin a solid colour: needle, nozzle and cup apart.',
  'step.mix': mixing,
  'step.blend': ({ places, method }) =>
    `${places.join('; ')}. ${
      byHand(method)
        ? 'Draw it out with a nearly dry brush until it is gone; no hard end.'
        : 'Blending thinner in the gun: mist over the fade, outwards, until the dry edge has melted in. No hard end; do not flood it.'
    }`,
  'step.coat': ({ coat, coats, method, masked, peelable, blends, alone }, { say }) => {
    const [first, later] = GOING_ON[method ?? 'gun'];
    const how =
      peelable && coat === coats && coats > 2
        ? 'A heavy coat, so that it peels in one piece'
        : coat === 1 && coats > 1
          ? first
          : later;
    const tape = masked ?? true;
    const edge = !byHand(method)
      ? 'from the tape towards the bare side, never into a tape edge'
      : 'away from the tape edge, never into it';
    const fade =
      blends && blends.length > 0
        ? ` In ${listText(blends)}${coat === 1 ? ' stop short of the edge of the repair' : ' go a hand further out than before'}: it fades out there.`
        : '';
    return `${how}${tape ? `, ${edge}` : ''}.${tape && coat > 1 ? ' Press the tape again first.' : ''}${fade}${alone ? ` Pulling takes longer than its window. ${say(alone)}` : ''}`;
  },
  'step.pull': ({ finish, fromMin, toMin, hands, alone, older, lines, covers, sections, more }, { minutes, say }) =>
    `${fromMin > 0 ? `From ${minutes(fromMin)}` : 'At once'} after ${sections ? 'the coat before it' : `the last coat of ${finish}`}${toMin === null ? '' : `, within ${minutes(toMin)}`} (estimate).` +
    `${hands > 1 ? ` ${hands} people pull together: one alone would not be done in time.${alone ? ` ${say(alone)}` : ''}` : ''} Low and slow, folded back on itself, away from the fresh paint.` +
    `${covers ? ` First take paper and film off ${listText(covers)}, folded into themselves: they hang on this tape.` : ''}` +
    `${lines ? ' Everything else stays on.' : ''}` +
    `${more === 'mist' ? ' Keep it out of the mist of what is sprayed next: carried away, or behind paper.' : more === 'drips' ? ' Keep drips of what is painted next off it.' : ''}` +
    `${older.length > 0 ? ` Masks of stage ${listText(older)} come off with it, the last laid first.` : ''}`,
  'step.inspect': ({ plugs, aircraft }) =>
    `Bleed, ragged edges, lifted paint, glue, dust, sags, missed spots, overspray in openings${plugs ? '; every plug out' : ''}. ` +
    `Write down what you find, with its place.${aircraft ? ' Ports, drains and placards are clear.' : ''}`,
  'step.typed': ({ detail }) => detail,
};

const REACHES: Readonly<Record<Reach, string>> = {
  whole: 'Bag everything: the mist of a gun goes everywhere. Paper or film.',
  mist: 'Paper or film as far as mist flies.',
  drips: 'Paper against drips and splatter: 300 mm below the paint and 50 mm above are enough.',
};

/** Where a backing lies. */
export const BACKED_LINE_WORDS: WordsOf<BackedLineMessages> = {
  'backing.along': ({ line, side, lengthMm, pieces, pieceMm }, { length, metres }) =>
    `${metres(lengthMm)} ${SIDES[side]} ${line}${pieces > 1 ? `, in ${pieces} straight pieces of up to ${length(pieceMm)}` : ''}`,
};

/** Sections of a coat. */
export const SECTION_WORDS: WordsOf<SectionMessages> = {
  'section.of': ({ part, areas, first, last, of }) => {
    const piece = of === 1 ? part : `${part} ${first === last ? first : `${first} to ${last}`} of ${of}`;
    return areas.length === 0 ? piece : `${areas.join(', ')} on ${piece}`;
  },
};

/** Where a mask is known to leak. */
export const LEAK_WORDS: WordsOf<LeakMessages> = {
  'leak.crossing': ({ part, places }) => `${part}, where tapes meet: ${places.join(', ')}`,
  'leak.corner': ({ part, places }) => `${part}, corners of ${listText(places)}`,
  'leak.fold': ({ part, places }) => `${part}, over folds: ${places.join(', ')}`,
  'leak.row': ({ part, places }) => `${part}, over raised rows: ${places.join(', ')}`,
  'leak.tight': ({ part, places }) => `${part}, tight bends of ${listText(places)}`,
};
