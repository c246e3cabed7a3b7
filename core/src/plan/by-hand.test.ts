import { planFaults } from '../check';
import type { BackingItem, LineItem, OwnItem, Plan } from '../contract';
import {
  addOwnPiece,
  changeOwnPiece,
  setLayFirst,
  setOwnWay,
  withCorner,
  withoutCorner,
  withPiecePoint,
} from '../edit';
import { isLine } from '../items';
import { checkAgainst, type Design, designFaults, designSchema, piecePoints, SHIPPED_SHELF } from '../job';
import { RULE_OF_THUMB, sumOf } from '../kit';
import { panel, panelJob, planned } from '../testing/panels';
import { sweep } from '../testing/samples';

// What a person lays, turns round or leaves out by hand; the plan fills the rest.

const bend = sweep('bend', [0, 200], [400, 320], [800, 210]);
const design = panelJob(
  [panel('p', 800, 500, { lines: [bend] })],
  [
    ['p', 400, 100, 'cream-two-part'],
    ['p', 400, 450, null],
  ],
);
const linesOf = ({ items }: Plan): LineItem[] => items.filter(isLine);
const backingsOf = ({ items }: Plan): BackingItem[] => items.filter((item) => item.kind === 'backing');
const laidOrder = ({ steps }: Plan) => steps.filter(({ kind }) => kind === 'lay').flatMap(({ items }) => items);
const pullOrder = ({ steps }: Plan) =>
  steps.filter(({ kind }) => kind === 'pull' || kind === 'uncover').flatMap(({ items }) => items);

describe('line tape and backing', () => {
  const pulled = (school: 'wet' | 'touch' | 'dry', shelf = SHIPPED_SHELF) =>
    planned({ ...design, choices: { ...design.choices, school } }, shelf);
  it.each(['wet', 'touch'] as const)('pulled %s the line tape lies last and comes off first, alone', (school) => {
    const plan = pulled(school);
    const [[line], [backing]] = [linesOf(plan), backingsOf(plan)];
    expect(backing).toMatchObject({ over: false, behind: line!.id, after: [] });
    expect(line!.after).toEqual([backing!.id]);
    expect(laidOrder(plan)).toEqual([backing!.id, line!.id]);
    const [pull, uncover] = (['pull', 'uncover'] as const).map((kind) =>
      plan.steps.find((step) => step.kind === kind)!,
    );
    const cover = plan.items.find(({ kind }) => kind === 'cover')!;
    expect(cover.after).toEqual([backing!.id]);
    expect(pull!.items).toEqual([line!.id]);
    expect(uncover!.items).toEqual([cover.id, backing!.id]);
  });
  it('pulled dry the line tape lies first and the backing over it', () => {
    const narrow = SHIPPED_SHELF.tapes.filter(({ edge, widthMm }) => edge !== 'crisp' || widthMm < 12);
    const plan = pulled('dry', { ...SHIPPED_SHELF, tapes: narrow });
    const [[line], [backing]] = [linesOf(plan), backingsOf(plan)];
    expect(backing).toMatchObject({ over: true, after: [line!.id] });
    expect(backing!.techniques[0]!.code).toBe('technique.backing-over');
    expect(laidOrder(plan)).toEqual([line!.id, backing!.id]);
    const cover = plan.items.find(({ kind }) => kind === 'cover')!;
    expect(plan.steps.find(({ kind }) => kind === 'pull')!.items).toEqual([cover.id, backing!.id, line!.id]);
  });
  it('pulled dry a tape that is wide enough carries paper itself', () => {
    const plan = pulled('dry');
    const [line] = linesOf(plan);
    expect(backingsOf(plan)).toEqual([]);
    expect(line!.widthMm).toBeGreaterThanOrEqual(12);
    expect(plan.items.find(({ kind }) => kind === 'cover')!.after).toEqual([line!.id]);
  });
  it('is turned round by a person, for a side before a line before the job', () => {
    const first = (of: Design) => backingsOf(planned(of)).map(({ over }) => (over ? 'line' : 'backing'));
    const job = setLayFirst(design, {}, 'line');
    expect(first(job)).toEqual(['line']);
    const line = setLayFirst(job, { part: 'p', line: 'bend' }, 'backing');
    expect(first(line)).toEqual(['backing']);
    const side = linesOf(planned(design))[0]!.side;
    expect(first(setLayFirst(line, { part: 'p', line: 'bend', side }, 'line'))).toEqual(['line']);
    expect(
      first(setLayFirst(line, { part: 'p', line: 'bend', side: side === 'left' ? 'right' : 'left' }, 'line')),
    ).toEqual(['backing']);
    expect(setLayFirst(setLayFirst(line, { part: 'p', line: 'bend' }, null), {}, null)).toEqual(design);
  });
});

describe('an edge a person masks their own way', () => {
  const own = setOwnWay(design, { part: 'p', line: 'bend' }, 'two strips of paper');
  it('has its place and its minutes in the list, but no tape, and is not shopped for', () => {
    const [usual, plan] = [planned(design), planned(own)];
    const [line] = linesOf(plan);
    expect(line).toMatchObject({ material: null, pinned: true, doubts: [], layMin: linesOf(usual)[0]!.layMin });
    expect(line!.techniques).toEqual([{ code: 'technique.own', values: { how: 'two strips of paper' } }]);
    expect(plan.lists.shopping).toEqual([]);
    expect(linesOf(usual)[0]!.material).not.toBeNull();
  });
  it('on its other side stays the plan’s', () => {
    const other = linesOf(planned(design))[0]!.side === 'left' ? 'right' : 'left';
    const [line] = linesOf(planned(setOwnWay(design, { part: 'p', line: 'bend', side: other }, '')));
    expect(line!.material).not.toBeNull();
  });
  it('is given back with nothing left behind', () =>
    expect(setOwnWay(own, { part: 'p', line: 'bend' }, null)).toEqual(design));
});

describe('a piece a person lays besides', () => {
  const ownOf = ({ items }: Plan): OwnItem[] => items.filter((item) => item.kind === 'own');
  const strip = {
    part: 'p',
    finish: 'cream-two-part',
    from: [100, 20] as [number, number],
    to: [500, 20] as [number, number],
    tape: 'C24',
    note: 'lower edge',
  };
  const withStrip = addOwnPiece(design, strip);
  it('is laid in the stage of its finish, comes off with it, and is counted', () => {
    const [usual, plan] = [planned(design), planned(withStrip)];
    const [piece] = ownOf(plan);
    expect(piece).toMatchObject({
      material: 'C24',
      widthMm: 24,
      lengthMm: 400 + 2 * RULE_OF_THUMB.tail.full,
      stage: 1,
      until: { stage: 1 },
    });
    const more = (of: (plan: Plan) => number) => of(plan) - of(usual);
    expect(more(({ stages }) => stages[0]!.layMin)).toBeCloseTo(piece!.layMin, 5);
    expect(more(({ stages }) => stages[0]!.uncoverMin)).toBeCloseTo(piece!.pullMin, 5);
    expect(more(({ lists }) => sumOf(lists.tape, ({ lengthM }) => lengthM))).toBeCloseTo(piece!.lengthMm / 1000, 5);
  });
  it('may be film over a box', () => {
    const film = changeOwnPiece(withStrip, 'own1', { tape: null, to: [500, 220] });
    const [piece] = ownOf(planned(film));
    expect(piece).toMatchObject({ material: 'drape', lengthMm: 0 });
    expect(piece!.sizeM2).toBeCloseTo(0.4 * 0.2, 9);
  });
  it('goes by corners: tape in straight pieces, film with a corner at each place', () => {
    const bent = changeOwnPiece(withStrip, 'own1', { by: [[500, 320]], to: [900, 320] });
    expect(ownOf(planned(bent))[0]!.lengthMm).toBeCloseTo(500 + 400 + 2 * RULE_OF_THUMB.tail.full, 6);
    const triangle = changeOwnPiece(bent, 'own1', { tape: null, from: [100, 20], by: [[500, 20]], to: [500, 220] });
    expect(ownOf(planned(triangle))[0]!.sizeM2).toBeCloseTo((0.4 * 0.2) / 2, 9);
  });
  it('takes corners one by one and gives them back', () => {
    const box = withCorner({ from: [0, 0], to: [400, 200], tape: null });
    expect(piecePoints(box)).toEqual([
      [0, 0],
      [400, 0],
      [400, 200],
      [0, 200],
    ]);
    const more = withCorner({ ...box, tape: null });
    expect(piecePoints(more)[1]).toEqual([200, 0]);
    expect(piecePoints(withPiecePoint(more, 1, [220, -30]))[1]).toEqual([220, -30]);
    const back = withoutCorner(withoutCorner(withoutCorner(withoutCorner(more))));
    expect(back).toEqual({ from: [0, 0], by: undefined, to: [0, 200] });
    expect(piecePoints(withCorner({ from: [0, 0], to: [400, 200], tape: 'C24' }))).toEqual([
      [0, 0],
      [200, 100],
      [400, 200],
    ]);
  });
  it('of a tape the shelf has not is told', () => {
    const [piece] = ownOf(planned(changeOwnPiece(withStrip, 'own1', { tape: 'Q99' })));
    expect(piece).toMatchObject({ material: null, doubts: [{ code: 'doubt.not-there', values: { tape: 'Q99' } }] });
  });
  it('in a stage without masks is laid and taken off all the same', () => {
    const open = panelJob([panel('p', 800, 500)], [['p', 400, 250, 'cream-two-part']]);
    const plan = planned(addOwnPiece(open, strip));
    expect(plan.steps.filter(({ items }) => items.length > 0).map(({ kind }) => kind)).toEqual(['lay', 'uncover']);
  });
  it('is left out again with nothing left behind', () =>
    expect(changeOwnPiece(withStrip, 'own1', null)).toEqual(design));
  it('on a part or of a finish that is gone is a fault of the design', () => {
    const astray = { ...withStrip, parts: [] };
    expect(designFaults({ ...astray, scheme: { areas: [] } }, SHIPPED_SHELF)).toMatchObject([
      { path: 'choices.ownPieces[0].part', code: 'design.no-part' },
    ]);
    const unknown = changeOwnPiece(withStrip, 'own1', { finish: 'gone' });
    expect(designFaults(unknown, SHIPPED_SHELF)).toMatchObject([
      { path: 'choices.ownPieces[0].finish', code: 'design.no-finish' },
    ]);
  });
  it('passes the schema as it is written', () =>
    expect(checkAgainst(designSchema, JSON.parse(JSON.stringify(withStrip))).ok).toBe(true));
});

describe('tapes on one another', () => {
  // Two bent lines cross; what lies in one corner is kept: both edges meet in it, each with its backing.
  const cross = (over: Partial<Design> = {}) =>
    panelJob(
      [
        panel('p', 800, 500, {
          lines: [sweep('level', [0, 220], [400, 280], [800, 220]), sweep('upright', [400, 0], [425, 250], [400, 500])],
        }),
      ],
      [
        ['p', 200, 100, 'cream-two-part'],
        ['p', 600, 100, 'cream-two-part'],
        ['p', 200, 400, 'cream-two-part'],
        ['p', 600, 400, null],
      ],
      over,
    );
  const plan = planned(cross());
  it('know what lies below them: it is laid before and comes off after', () => {
    const all = [...linesOf(plan), ...backingsOf(plan)];
    expect(all).toHaveLength(4);
    const lineOf = (id: string) => all.find((item) => item.id === id)?.line;
    expect(all.filter(({ line, after }) => after.some((under) => lineOf(under) !== line)).length).toBeGreaterThan(1);
    for (const { id, after } of all)
      for (const under of after) {
        expect(laidOrder(plan).indexOf(under)).toBeLessThan(laidOrder(plan).indexOf(id));
        expect(pullOrder(plan).indexOf(under)).toBeGreaterThan(pullOrder(plan).indexOf(id));
      }
  });
  it('are never more than three: a backing ends against the others', () => {
    const ended = backingsOf(plan).filter(({ techniques }) =>
      techniques.some(({ code }) => code === 'technique.stop-short'),
    );
    expect(ended).toHaveLength(1);
    expect(linesOf(plan).flatMap(({ doubts }) => doubts.filter(({ code }) => code === 'doubt.build-up'))).toEqual([]);
    const lay = plan.steps.find(({ items }) => items.includes(ended[0]!.id))!;
    expect(JSON.stringify(lay.say)).toContain('technique.stop-short');
  });
  it('that lie the wrong way round are found by the check of the plan', () => {
    const steps = plan.steps.map((step) =>
      step.kind === 'pull' ? { ...step, items: [...step.items].reverse() } : step,
    );
    expect(planFaults({ ...plan, steps }).map(({ code }) => code)).toContain('broken.lies-over');
  });
});
