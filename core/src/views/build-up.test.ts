import { isLine } from '../items';
import { panel, panelJob, planned } from '../testing/panels';
import { straight } from '../testing/samples';
import { edgeBuildUp } from './build-up';

const plan = (school: 'wet' | 'dry') => {
  const job = panelJob(
    [panel('p', 800, 500, { lines: [straight('low', [0, 200], [800, 200])] })],
    [
      ['p', 400, 100, 'cream-two-part'],
      ['p', 400, 400, null],
    ],
  );
  return planned({ ...job, choices: { ...job.choices, school } });
};

it('shows the line tape over the edge of its backing, and the cover on that, clear of the line tape', () => {
  const wet = plan('wet');
  const line = wet.items.find(isLine)!;
  const pieces = edgeBuildUp(wet, line.id);
  expect(pieces.map(({ kind, level }) => [kind, level])).toEqual([
    ['line', 1],
    ['backing', 0],
    ['cover', 1],
  ]);
  const [top, below, cover] = pieces;
  expect(top!.toMm).toBeGreaterThan(below!.fromMm);
  expect(cover!.fromMm).toBeGreaterThan(top!.toMm!);
  expect(cover!.fromMm).toBeLessThan(below!.toMm!);
  const backing = wet.items.find(({ kind }) => kind === 'backing')!;
  expect(edgeBuildUp(wet, backing.id)).toEqual(pieces);
});
it('shows a cover on a line tape that carries it', () => {
  const dry = plan('dry');
  const line = dry.items.find(isLine)!;
  expect(edgeBuildUp(dry, line.id).map(({ kind, level }) => [kind, level])).toEqual([
    ['line', 0],
    ['cover', 1],
  ]);
  expect(edgeBuildUp(dry, dry.items.find(({ kind }) => kind === 'cover')!.id)).toEqual([]);
});
