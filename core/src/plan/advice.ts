import { dewMargin } from '../drying';
import { PAINT_SYSTEMS, type Finish } from '../finish';
import type { Design } from '../job';
import { soundRules } from '../order';
import type { OverAnswer } from '../over';
import { RULE_OF_THUMB, showLength } from '../units';
import { advice, type AdviceGround } from './advice-ground';
import type { PartWork } from './part-work';
import { regrets } from './regret';
import type { Advice, StagePlan } from './types';

/** What follows from air, parts, lines, areas and the order of coats, each at its place. */
export function adviceFor(ground: AdviceGround): Advice[] {
  const { design, works, stages, finishes } = ground;
  return [
    ...airAdvice(design),
    ...works.flatMap((work) => partAdvice(work, design, finishes)),
    ...soundRules(ground.problem).faults.map((text) => advice('caution', text)),
    ...stages.flatMap((stage) => stageAdvice(stage, finishes)),
    ...regrets(ground),
  ];
}

function airAdvice({ climate }: Design): Advice[] {
  const surfaceC = climate.surfaceC ?? climate.airC;
  const { dewPointC, marginC, ok } = dewMargin(climate.airC, climate.rhPercent, surfaceC);
  const dew = ok
    ? []
    : [
        advice(
          'stop',
          `The surface is ${marginC.toFixed(1)} °C above the dew point of ${dewPointC.toFixed(1)} °C and needs ${RULE_OF_THUMB.dewMarginC}: warm it or dry the air before tape or paint.`,
        ),
      ];
  const cold =
    surfaceC < RULE_OF_THUMB.coldC
      ? [
          advice(
            'caution',
            `Below ${RULE_OF_THUMB.coldC} °C most adhesives do not wet out: tape goes on and lets go later. Keep tape and part in a warm room overnight.`,
          ),
        ]
      : [];
  return [...dew, ...cold];
}

function partAdvice({ part, lines, arrangement, finishes, conflicts, lost }: PartWork, design: Design, shelf: ReadonlyMap<string, Finish>): Advice[] {
  const place = { part: part.id };
  const faults = lines.flatMap(({ id, code, fault }) => (fault ? [advice('stop', `${code} ${fault}.`, { ...place, line: id })] : []));
  const loose = arrangement.loose.map(({ line, lengthMm }) => {
    const code = lines.find(({ id }) => id === line)?.code;
    return advice(
      'caution',
      `${code}: ${showLength(lengthMm, design.unit)} of it ends free and bounds nothing. Let its ends run on, or measure it to the edge.`,
      { ...place, line },
    );
  });
  const slivers = arrangement.areas.flatMap(({ code, sliver }) =>
    sliver ? [advice('caution', `${code} is a sliver, narrower than any tape edge keeps.`, { ...place, area: code })] : [],
  );
  const clashes = conflicts.map(({ area, finishes: asked }) => {
    const names = asked.map((id) => (id === null ? 'kept as it is' : (shelf.get(id)?.name ?? id)));
    const { code } = arrangement.areas[area];
    return advice('stop', `${code} is asked to be ${names.join(' and ')}: choose one.`, { ...place, area: code });
  });
  const open = finishes.flatMap((finish, index) => (finish === undefined ? [arrangement.areas[index].code] : []));
  const unchosen =
    open.length > 0 && finishes.some((finish) => finish !== undefined)
      ? [advice('note', `${open.join(', ')}: no finish chosen, kept as it is.`, { ...place, area: open[0] })]
      : [];
  const misplaced = lost.map(({ seed, finish }) =>
    advice(
      'stop',
      `${finish === null ? 'That it is kept' : (shelf.get(finish)?.name ?? finish)} was said of a place that lies in no area (${seed.map((at) => showLength(at, design.unit)).join(' and ')}): give the area that was meant its finish, and leave this out.`,
      place,
    ),
  );
  return [...faults, ...misplaced, ...loose, ...slivers, ...clashes, ...unchosen];
}

function stageAdvice({ number, finish, runs, school, windows, tasks, late }: StagePlan, finishes: ReadonlyMap<string, Finish>): Advice[] {
  const { name, school: preferred } = finishes.get(finish) as Finish;
  const doubts = runs.flatMap(({ code, doubt, line, part, lineCode }) =>
    doubt ? [advice('caution', `Stage ${number}, ${code} on ${lineCode}: ${doubt}.`, { part, line })] : [],
  );
  const missed =
    windows && school !== null && school !== preferred && windows[preferred] === null
      ? [advice('note', `Stage ${number}: ${name} has no ${preferred} window in this air and thickness; pull ${school}.`)]
      : [];
  const over = tasks.flatMap(({ answer, reason, places }) => {
    const [first] = places;
    const where = [...new Set(places.map(({ area }) => area))].join(', ');
    return [advice(OVER_LEVEL[answer], `Stage ${number}, ${name} on ${where}: ${OVER_WORDS[answer]}. ${reason}`, first)];
  });
  const stays = late
    ? [advice('caution', `Stage ${number}: masks from an earlier stage come off past the window of their paint; the edge may tear. Score it or pull slowly.`)]
    : [];
  return [...doubts, ...missed, ...over, ...stays];
}

const OVER_LEVEL: Record<OverAnswer, Advice['level']> = { yes: 'note', wait: 'note', abrade: 'note', barrier: 'note', no: 'stop' };
const OVER_WORDS: Record<OverAnswer, string> = {
  yes: 'it may go on',
  wait: 'the plan waits',
  abrade: 'abrade first',
  barrier: 'barrier coat first',
  no: 'this must not go on',
};

/** Usual cautions for what this job uses, each once; they defer to data sheets, local rules and licensed practice. */
export function safetyFor(stages: readonly StagePlan[], finishes: ReadonlyMap<string, Finish>): string[] {
  const used = stages.map(({ finish }) => finishes.get(finish) as Finish);
  if (used.length === 0) return [];
  const follow = "Follow the product's safety data sheet, local rules and licensed practice.";
  const spray = used.some(({ method }) => method !== 'brush' && method !== 'roller');
  return [
    ...(used.some(({ system }) => PAINT_SYSTEMS[system].isocyanate)
      ? [
          `Two-part hardener can hold isocyanates: supplied air and full cover, no one else in until it is cleared. Pulling wet keeps the protection on. ${follow}`,
        ]
      : []),
    ...(spray ? [`Spray and solvent vapour: vapour filter, eyes, gloves, moving air; no flame, heater or spark. ${follow}`] : []),
  ];
}
