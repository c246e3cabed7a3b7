import { dewMargin, tapingAir } from '../air';
import type { Advice, AdviceMessage, StagePlan } from '../contract';
import type { Finish } from '../finish';
import type { StageItems } from '../items';
import { type Design, surroundingsOf } from '../job';
import { firstItem, isModelScale, LIMITS, RULE_OF_THUMB } from '../kit';
import { closingFault, foamFor, possibleWays, THICKEST_FOAM_MM } from '../masking';
import { consistentRules } from '../order';
import type { CompatibilityAnswer } from '../over';
import { chosenWay, edgeNameOf, openingsOn } from '../problem';
import type { PartWork } from '../setout';
import { finishesInUse } from '../stage';
import { onePersonMessage } from '../steps';
import { advice, type AdviceInput } from './advice-input';
import { riskAdvice } from './risk-advice';

/** Advice on air, parts, lines, areas and the order of coats, each with its place. */
export function adviceFor(facts: AdviceInput): Advice[] {
  const { design, works, stages, items, finishes } = facts;
  return [
    ...airAdvice(design),
    ...finishCountAdvice(facts.problem),
    ...works.flatMap((work) => partAdvice(work, design, finishes)),
    ...consistentRules(facts.problem).faults.map((fault) => advice('caution', fault)),
    ...stages.flatMap((stage, index) => stageAdvice(stage, items[index]!, finishes, design.choices)),
    ...pullAdvice(facts),
    ...riskAdvice(facts),
  ];
}

/** More finishes than the search supports: there are no stages. */
function finishCountAdvice(problem: AdviceInput['problem']): Advice[] {
  const count = finishesInUse(problem).length;
  return count > LIMITS.finishes
    ? [advice('stop', { code: 'advice.too-many-finishes', values: { count, max: LIMITS.finishes } })]
    : [];
}

/** Lines whose chosen pull timing is not possible. */
function pullAdvice({ design, works, stages, items }: AdviceInput): Advice[] {
  const all = items.flatMap(({ lines }) => lines);
  return (design.choices.pulls ?? []).flatMap(({ part, line, school: wanted }) => {
    const resolved = works.find((work) => work.part.id === part)?.lines ?? [];
    const rowsCrossed = all.filter(
      (item) =>
        item.part === part && resolved.some(({ id, owner }) => id === item.line && (id === line || owner === line)),
    );
    const reported = new Set<number>();
    return rowsCrossed.flatMap(({ until, lineCode, line: id }): Advice[] => {
      const school = until.early ?? stages[until.stage - 1]?.school ?? wanted;
      if (school === wanted || reported.has(until.stage)) return [];
      reported.add(until.stage);
      return [
        advice(
          'caution',
          { code: 'advice.line-school', values: { stage: until.stage, line: lineCode, wanted, school } },
          { part, line: id },
        ),
      ];
    });
  });
}

function airAdvice({ climate }: Design): Advice[] {
  const { airC, rhPercent, surfaceC } = tapingAir(climate);
  // Where it is taped, and where it is sprayed if that is another place: the one closer to the dew point is reported.
  const near = [
    dewMargin(airC, rhPercent, surfaceC),
    dewMargin(climate.airC, climate.rhPercent, climate.surfaceC ?? climate.airC),
  ];
  const { dewPointC, marginC, ok } = near.reduce((margin, other) => (other.marginC < margin.marginC ? other : margin));
  return [
    ...(ok
      ? []
      : [advice('stop', { code: 'advice.dew', values: { marginC, dewPointC, needsC: RULE_OF_THUMB.dewMarginC } })]),
    ...(surfaceC < RULE_OF_THUMB.coldC
      ? [advice('caution', { code: 'advice.cold', values: { belowC: RULE_OF_THUMB.coldC } })]
      : []),
  ];
}

function partAdvice(work: PartWork, design: Design, shelf: ReadonlyMap<string, Finish>): Advice[] {
  const { part, lines, arrangement, areaIds, finishes, conflicts, lost } = work;
  const place = { part: part.id };
  const nameOf = (id: string | null) => (id === null ? '' : (shelf.get(id)?.name ?? id));
  const faults = lines.flatMap(({ id, code, fault }) =>
    fault ? [advice('stop', { code: 'advice.line', values: { line: code, fault } }, { ...place, line: id })] : [],
  );
  const loose = arrangement.loose.map(({ line, lengthMm }) => {
    const code = lines.find(({ id }) => id === line)?.code ?? line;
    return advice('caution', { code: 'advice.loose', values: { line: code, lengthMm } }, { ...place, line });
  });
  const slivers = arrangement.areas.flatMap(({ code, sliver }, index) =>
    sliver
      ? [advice('caution', { code: 'advice.sliver', values: { area: code } }, { ...place, area: areaIds[index] })]
      : [],
  );
  const clashes = conflicts.map(({ area, finishes: asked }) => {
    const values = { area: arrangement.areas[area]!.code, finishes: asked.map(nameOf) };
    return advice('stop', { code: 'advice.conflict', values }, { ...place, area: areaIds[area] });
  });
  const open = finishes.flatMap((finish, index) => (finish === undefined ? [index] : []));
  const unchosen =
    open.length > 0 && finishes.some((finish) => finish !== undefined)
      ? [
          advice(
            'note',
            { code: 'advice.unchosen', values: { areas: open.map((index) => arrangement.areas[index]!.code) } },
            { ...place, area: areaIds[open[0]!] },
          ),
        ]
      : [];
  const misplaced = lost.map(({ seed: [alongMm, aboveMm], finish }) =>
    advice(
      'stop',
      { code: 'advice.lost', values: { finish: finish === null ? null : nameOf(finish), alongMm, aboveMm } },
      place,
    ),
  );
  const unclosed = openingsOn(work).flatMap((opening) => {
    const wanted = chosenWay(design, part.id, opening.id);
    const model = isModelScale(design.scale);
    const why = wanted === null ? null : closingFault(opening, wanted, model);
    return wanted === null || why === null
      ? []
      : [
          advice(
            'caution',
            {
              code: 'advice.closing',
              values: { opening: opening.name, wanted, why, ways: possibleWays(opening, model) },
            },
            place,
          ),
        ];
  });
  const gaps = surroundingsOf(part, design.parts).rims.flatMap((rim) => {
    if (rim.beyond !== 'gap' || rim.by !== 'foam' || foamFor(rim.width) !== null) return [];
    const drawn = work.setOut.board.drawn.edges[rim.edge];
    if (!drawn) return [];
    const values = { part: part.name, edge: edgeNameOf(rim, drawn.name), widthMm: rim.width, mostMm: THICKEST_FOAM_MM };
    return [advice('caution', { code: 'advice.gap', values }, place)];
  });
  return [...faults, ...unclosed, ...gaps, ...misplaced, ...loose, ...slivers, ...clashes, ...unchosen];
}

function stageAdvice(
  stage: StagePlan,
  { lines }: StageItems,
  finishes: ReadonlyMap<string, Finish>,
  { school: chosen, alone }: Design['choices'],
): Advice[] {
  const { number, finish, school, windows, tasks, late, hands, pull, pullMin } = stage;
  const { name, school: likes } = finishes.get(finish) as Finish;
  const preferred = chosen ?? likes;
  const doubts = lines.flatMap(({ code, doubts: [doubt], line, part, lineCode }) =>
    doubt
      ? [
          advice(
            'caution',
            { code: 'advice.doubt', values: { stage: number, run: code, line: lineCode, doubt } },
            { part, line },
          ),
        ]
      : [],
  );
  const missed =
    windows && school !== null && school !== preferred && windows[preferred] === null
      ? [
          advice('note', {
            code: 'advice.no-window',
            values: { stage: number, finish: name, wanted: preferred, school },
          }),
        ]
      : [];
  const windowMin = pull && pull.toMin !== null ? pull.toMin - pull.fromMin : 0;
  const many =
    hands > 1
      ? [
          advice('caution', {
            code: 'advice.hands',
            values: { stage: number, pullMin, windowMin, hands, ...onePersonMessage(stage) },
          }),
        ]
      : [];
  const notAlone =
    alone && hands > 1 ? [advice('caution', { code: 'advice.not-alone', values: { stage: number, hands } })] : [];
  // The preferred pull timing was given up for lack of time: in sections it may be possible.
  const liked = windows?.[preferred];
  const sections =
    stage.alone && !stage.sections && hands === 1 && school !== null && liked
      ? [
          advice('note', {
            code: 'advice.sections',
            values: {
              stage: number,
              wanted: preferred,
              school,
              pullMin,
              windowMin: (liked.to ?? liked.from) - liked.from,
              ...onePersonMessage(stage),
            },
          }),
        ]
      : [];
  const over = tasks.map(({ answer, reason, places }) => {
    const { part, area } = firstItem(places);
    const areas = [...new Set(places.map(({ code }) => code))];
    return advice(
      OVER_LEVEL[answer],
      { code: 'advice.over', values: { stage: number, finish: name, areas, answer, reason } },
      { part, area },
    );
  });
  const stays: AdviceMessage[] = late ? [{ code: 'advice.late', values: { stage: number } }] : [];
  return [
    ...doubts,
    ...missed,
    ...many,
    ...notAlone,
    ...sections,
    ...over,
    ...stays.map((adviceMessage) => advice('caution', adviceMessage)),
  ];
}

const OVER_LEVEL: Record<CompatibilityAnswer, Advice['level']> = {
  yes: 'note',
  wait: 'note',
  abrade: 'note',
  barrier: 'note',
  no: 'stop',
};
