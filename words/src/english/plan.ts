import type {
  AdviceMessages,
  AfterCode,
  CoatsMessages,
  CompatibilityAnswer,
  EventKind,
  LateRemedy,
  MomentMessages,
  PlanFaultMessages,
  RuleMessages,
} from '@lintrel/core';
import { listText, sentence, type WordsOf } from '../table';
import { CLOSING_WAY_NAMES, SUBSTRATE_NAMES, SYSTEM_NAMES } from './names';
import { SCHOOLS } from './names';

export const COAT_WORDS: WordsOf<CoatsMessages> = {
  'coats.sheet': ({ coats }) => `${coats} by its data sheet`,
  'coats.card': ({ coats }) => `${coats} by its card`,
  'coats.floor': ({ coats }) => `${coats} for the film its times are stated for`,
  'coats.ground': ({ coats, over }) =>
    `${coats} by its data sheet and to hide ${over ?? 'what is on it now'} besides (estimate)`,
  'coats.hiding': ({ coats, over }) => `${coats} to hide ${over ?? 'what is on it now'} (estimate)`,
  'coats.most': ({ coats, over }) => `does not hide ${over ?? 'what is on it now'} even in ${coats}`,
};

/** What a time is for. */
export const AFTER_WORDS: Readonly<Record<Exclude<AfterCode, 'order'>, string>> = {
  'tape-safe': 'the colour takes tape',
  over: 'the coat below takes the next',
  recoat: 'next coat',
  flash: 'flash',
  pull: 'pull the tape',
  pot: 'use the mix',
  typed: 'window',
};

/** What helps once a time has passed. */
export const LATE_WORDS: Readonly<Record<LateRemedy, string>> = {
  scuff: 'Scuff and clean first.',
  mix: 'What was mixed is too old: away with it, and mix anew first.',
  try: 'Try it in a hidden place first, slowly; score the edge where the ground allows it.',
};

/** What an entry of the log is called. */
export const LOG_ENTRY_WORDS: Readonly<Record<EventKind, string>> = {
  start: 'Started in the shop',
  done: 'Done',
  undo: 'Not done after all',
  trouble: 'Went wrong',
  note: 'Note',
  touch: 'Touch test',
  finish: 'Job finished',
};

const COMPATIBILITY_ANSWERS: Readonly<Record<CompatibilityAnswer, string>> = {
  yes: 'it may go on',
  wait: 'the plan waits',
  abrade: 'abrade first',
  barrier: 'barrier coat first',
  no: 'this must not go on',
};

const keptOr = (names: readonly string[], kept: string): string => names.map((name) => name || kept).join(' and ');

/** Advice of the plan itself; faults of lines and rules have words of their own. */
export const ADVICE_WORDS: WordsOf<Omit<AdviceMessages, keyof RuleMessages>> = {
  'advice.dew': ({ marginC, dewPointC, needsC }, { temperature, degrees }) =>
    `The surface is ${degrees(marginC, 1)} above the dew point of ${temperature(dewPointC, 1)} and needs ${degrees(needsC)}: warm it or dry the air before tape or paint.`,
  'advice.cold': ({ belowC }, { temperature }) =>
    `Below ${temperature(belowC)} most adhesives do not wet out: tape goes on and lets go later. Keep tape and part in a warm room overnight.`,
  'advice.gap': ({ part, edge, widthMm, mostMm }, { length, say }) =>
    `${part}, ${say(edge)}: no foam strip fills a gap of ${length(widthMm)}; the thickest is ${length(mostMm)}. Tape behind the edge is planned; tape on what is beyond would do too.`,
  'advice.closing': ({ opening, wanted, why, ways }, { say }) =>
    `${opening} cannot be closed with “${CLOSING_WAY_NAMES[wanted].toLowerCase()}”: ${say(why)} It is closed as usual. These would do: ${listText(
      ways.map((way) => CLOSING_WAY_NAMES[way].toLowerCase()),
    )}.`,
  'advice.line': ({ line, fault }, { say }) => `${line} ${say(fault)}.`,
  'advice.loose': ({ line, lengthMm }, { length }) =>
    `${line}: ${length(lengthMm)} of it ends free and bounds nothing. Let its ends run on, or measure it to the edge.`,
  'advice.sliver': ({ area }) => `${area} is a sliver, narrower than any tape edge keeps.`,
  'advice.conflict': ({ area, finishes }) => `${area} is asked to be ${keptOr(finishes, 'kept as it is')}: choose one.`,
  'advice.too-many-finishes': ({ count, max }) =>
    `${count} finishes are more than one plan holds (${max}): give some areas to another job.`,
  'advice.unchosen': ({ areas }) => `${areas.join(', ')}: no finish chosen, kept as it is.`,
  'advice.lost': ({ finish, alongMm, aboveMm }, { length }) =>
    `${finish ?? 'That it is kept'} was said of a place that lies in no area (${length(alongMm)} and ${length(aboveMm)}): give the area that was meant its finish, and leave this out.`,
  'advice.doubt': ({ stage, run, line, doubt }, { say }) => `Stage ${stage}, ${run} on ${line}: ${say(doubt)}.`,
  'advice.no-window': ({ stage, finish, wanted, school }) =>
    `Stage ${stage}: ${finish} has no ${SCHOOLS[wanted]} window in this air and thickness, or the tape does not last until then; pull ${SCHOOLS[school]}.`,
  'advice.line-school': ({ stage, line, wanted, school }) =>
    `Stage ${stage}: the tape of ${line} was to be pulled ${SCHOOLS[wanted]} and comes off ${SCHOOLS[school]}: the paint has no such window, the tape would not last so long, or its mask stays on for the next coats.`,
  'advice.hands': ({ stage, pullMin, windowMin, hands, alone }, { minutes, say }) =>
    `Stage ${stage}: pulling takes one person ${minutes(pullMin)}, and the window is open for ${minutes(windowMin)}. It takes ${hands} people.${alone ? ` ${say(alone)}` : ''}`,
  'advice.not-alone': ({ stage, hands }) =>
    `Stage ${stage} cannot be done by one person: it cannot be divided into sections that are each painted and pulled in time. It takes ${hands}; or parts taken off each other, a slower thinner, cooler air.`,
  'advice.sections': ({ stage, wanted, school, pullMin, windowMin, alone }, { minutes, say }) =>
    `Stage ${stage}: pulling takes one person ${minutes(pullMin)}, longer than the ${SCHOOLS[wanted]} window of ${minutes(windowMin)}; it is planned ${SCHOOLS[school]}. To pull it ${SCHOOLS[wanted]} all the same, choose that and one person under Time.${alone ? ` ${say(alone)}` : ''}`,
  'advice.alone': ({ sections, ahead, totalMin }, { minutes }) =>
    `Alone: the last coat in ${sections} sections, ${ahead} of them painted before the first is pulled; about ${minutes(totalMin)} in all (estimate). Choose one person under Time, and the plan does it so.`,
  'advice.over': ({ stage, finish, areas, answer, reason }, { say }) =>
    `Stage ${stage}, ${finish} on ${areas.join(', ')}: ${COMPATIBILITY_ANSWERS[answer]}. ${say(reason)}`,
  'advice.late': ({ stage }) =>
    `Stage ${stage}: masks from an earlier stage come off past the window of their paint; the edge may tear. Score it or pull slowly.`,
  'advice.kept-open': ({ area, stage, finish }) =>
    `${area} is kept and stays open in stage ${stage}: it is in ${finish} already. Cover it by a pin if it must not be touched.`,
  'advice.not-hidden': ({ stage, finish, coats }) =>
    `Stage ${stage}: ${finish} does not hide what is below even in ${coats} coats. Put a lighter or closer colour under it.`,
  'advice.weak': ({ stage, finish, area, coats, least }) =>
    `Stage ${stage}: ${finish} is weak over what is below ${area === null ? '' : `on ${area} `}and takes ${coats} coats (estimate).${least === null ? '' : ` Over a better ground ${least} would do.`}`,
  'advice.never-tape': ({ stage, finish }) =>
    `Stage ${stage}: tape lies on ${finish}, which never takes tape well. Change the order or mask over paper.`,
  'advice.young': ({ parts, ageH }) =>
    `${listText(parts)}: the finish is ${ageH} h old and has not cured (estimate). Use the gentlest tape that holds, try a hidden place first.`,
  'advice.bare': ({ part, substrate, finish, primer }) =>
    `${part}: ${finish} goes straight onto bare ${SUBSTRATE_NAMES[substrate].toLowerCase()}. Prime it first (${SYSTEM_NAMES[primer].toLowerCase()}, as primer of the scheme), unless its data sheet allows it.`,
  'advice.no-clear': ({ finish }) =>
    `${finish} is a basecoat and gets no clear: it stays dull and weak. Choose a clear over all, or another finish.`,
  'advice.flakes': ({ stage, flakes, solid }) =>
    `Stage ${stage}: strip the gun right down before ${solid}; flakes of ${flakes} left in it ruin a solid colour. A second gun spares that.`,
  'advice.trapped': ({ stage, stages }) =>
    `Stage ${stage}: masks of stage ${listText(stages)} are still on under the clear: their edges are trapped. Pull them first.`,
  'advice.clear-edge': ({ stage, line }) =>
    `Stage ${stage}: the clear ends at a tape edge along ${line}. Pull it while it is wet, or clear right over and flat it.`,
  'advice.contrast-low': ({ finishes, deltaE, limit }) =>
    `${sentence(keptOr(finishes, 'what is kept'))} differ by ΔE ${deltaE.toFixed(1)}: under ${limit} a line between them is hardly seen from a few steps away (rule of thumb).`,
  'advice.contrast-high': ({ finishes, deltaE, limit }) =>
    `${sentence(keptOr(finishes, 'what is kept'))} differ by ΔE ${deltaE.toFixed(0)}: over ${limit} a hard edge shows every waver, and any bleed (rule of thumb). Press that edge twice.`,
};

export const MOMENT_WORDS: WordsOf<MomentMessages> = {
  'moment.ready': ({ masked }) => (masked ? 'Masks are on' : 'Ready for colour'),
  'moment.coat': ({ finish, coat, coats }) => `${finish}: coat ${coat} of ${coats}`,
  'moment.pulled': () => 'The tape is off',
};

/** A plan that contradicts itself: a bug, not shown to painters. */
export const PLAN_FAULT_WORDS: WordsOf<PlanFaultMessages> = {
  'broken.id': ({ id }) => `${id} is there twice, or is named and not there`,
  'broken.after': ({ step, other, isMin, minMin, maxMin }) =>
    `${step} comes ${isMin} min after ${other}: from ${minMin} to ${maxMin ?? 'any'} it may`,
  'broken.window': ({ window }) => `${window} is not the window of its stage, or not kept`,
  'broken.late-keying': ({ step }) => `${step} comes after the tape of its stage`,
  'broken.order': ({ step }) => `${step} does not come in the order hands do it`,
  'broken.edge': ({ stage, line, fromMm, items }, { length }) =>
    `stage ${stage}: the edge on ${line} at ${length(fromMm)} is made by ${items} tapes`,
  'broken.uncovered': ({ stage, area }) => `stage ${stage}: ${area} is covered by nothing`,
  'broken.open-covered': ({ stage, area }) => `stage ${stage}: ${area} is open and covered`,
  'broken.pulled': ({ item, times }) => `${item} comes off ${times} times`,
  'broken.laid': ({ item, times }) => `${item} is laid ${times} times`,
  'broken.lies-over': ({ item, over }) => `${item} lies over ${over}, but is laid before it or comes off after it`,
  'broken.seam': ({ item }) => `${item} lies where no paper or film ends`,
  'broken.loose-cover': ({ item }) => `${item} lies beside what is painted and hangs from no tape`,
  'broken.wet-cover': ({ item }) => `${item} is large and comes off while the paint is wet`,
  'broken.section': ({ stage, part, piece }) =>
    `stage ${stage}: section of ${part}, piece ${piece}, is not pulled in its window`,
  'broken.long-pull': ({ step, pullMin, windowMin }) => `${step} takes ${pullMin} min in a window of ${windowMin} min`,
  'broken.sum': ({ of, shown, found }) => `${of}: ${shown} is shown, its parts make ${found}`,
  'broken.clock': ({ step }) => `${step} begins before the step before it has ended, or ends before it begins`,
  'broken.told': ({ step }) => `${step} tells another window than its rules leave`,
  'broken.tape': ({ step, item }) => `${step} pulls ${item}, which is not laid yet`,
};
