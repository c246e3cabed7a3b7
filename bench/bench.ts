import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { firstTwo, planFaults, planJob, readJobFile } from '@lintrel/core';
import { nestPieces } from '@lintrel/core/files';
import { clockPaints } from './clock';
import { longestTaskWhileDragging } from './dragging';
import { FRAME_MS } from './frame';
import { areasAgainstLibrary } from './geometry';
import { entryTimes } from './long-log';
import { orderFigures } from './order';
import { pageBytes } from './page-bytes';
import { jobs, median, messages, planning } from './planning';
import { scheduleFigures } from './schedule';
import { shopFigures } from './shop';
import { besideStraightforward } from './straightforward';

// Ratios measured in one run on one machine; it reports and never fails.

interface Ratio {
  readonly name: string;
  readonly measured: number;
  readonly against: number;
  readonly unit: string;
  readonly ratio: number;
  readonly aim: number;
}

const ratio = (name: string, measured: number, against: number, unit: string, aim: number): Ratio => ({
  name,
  measured,
  against,
  unit,
  ratio: measured / against,
  aim,
});

/** Median time of some work, ms, after a warm-up of as many turns. */
async function time(turns: number, work: () => unknown): Promise<number> {
  const times: number[] = [];
  for (let turn = 0; turn < 2 * turns; turn++) {
    const start = performance.now();
    await work();
    if (turn >= turns) times.push(performance.now() - start);
  }
  return median(times);
}

/** Planning of every demo job and of a far larger one, as multiples of a frame or of each other. */
function planRatios(): Ratio[] {
  return jobs().flatMap((job): Ratio[] => {
    const large = job.name === '40 parts';
    const figures = planning(job, large ? 2 : 8);
    const { name, full, search, moved, movedSearch, geometry } = figures;
    const sent = messages(job);
    const frames = name === 'juniper' || name === 'marigold' ? 1 : 2;
    const jobRatios = large
      ? [
          ratio(`${name}: full plan ÷ one second`, full / 1000, 1, 's', 3),
          ratio(`${name}: message after a moved point ÷ 1 MB`, sent.moved, 1, 'MB', 0.5),
        ]
      : [ratio(`${name}: full plan without its search ÷ one 60 Hz frame`, full - search, FRAME_MS, 'ms', frames)];
    return [
      ...jobRatios,
      ratio(`${name}: search ÷ full plan`, search, full, 'ms', 1),
      ratio(`${name}: plan after a moved point ÷ full`, moved, full, 'ms', 0.3),
      ratio(`${name}: the same without searches`, moved - movedSearch, full - search, 'ms', 0.3),
      ratio(`${name}: lines and areas after a moved point ÷ full plan`, geometry, full, 'ms', 0.3),
    ];
  });
}

/** Masking of the demo jobs beside the straightforward way, and how well masks are nested. */
function maskRatios(): Ratio[] {
  const beside = jobs()
    .filter(({ name }) => name !== '40 parts')
    .map((job) => {
      const { plan, straight } = besideStraightforward(job);
      return ratio(
        `${job.name}: masking minutes of the plan ÷ the straightforward way`,
        plan.minutes,
        straight.minutes,
        'min',
        0.7,
      );
    });
  return [...beside, ratio('film that nested masks take ÷ what their sizes need', ...nestedAgainstSizes(), 'mm', 1.25)];
}

/** Film for forty masks of all sizes: how long it gets, and what their sizes need at least. */
function nestedAgainstSizes(): [number, number] {
  const widthMm = 300;
  const pieces = Array.from({ length: 40 }, (_, index) => {
    const [w, h] = [20 + ((index * 37) % 160), 15 + ((index * 53) % 110)];
    return { name: `m${index}`, widthMm: w, heightMm: h, cuts: [] };
  });
  const size = pieces.reduce((sum, piece) => sum + (piece.widthMm + 5) * (piece.heightMm + 5), 0);
  return [nestPieces(pieces, widthMm).lengthMm, size / (widthMm - 5)];
}

/** Seconds until a command has ended. */
const seconds = (command: string, args: readonly string[]): number => {
  const from = performance.now();
  execFileSync(command, args, { stdio: 'ignore' });
  return (performance.now() - from) / 1000;
};

function commandRatio(): Ratio {
  const ask = () => seconds(process.execPath, ['cli/bin/lintrel.mjs', 'ask', 'bend', 'radius=120', 'tape=V6']);
  const turns = Array.from({ length: 7 }, ask).slice(2);
  return ratio('a question on the command line ÷ one second', median(turns), 1, 's', 0.4);
}

async function checkRatio(): Promise<Ratio> {
  const plans = readdirSync('examples').map((name) => {
    const read = readJobFile(readFileSync(join('examples', name), 'utf8'));
    if (!read.ok) throw new Error(`${name} cannot be read`);
    const { design, shelf } = read.value;
    return { design, shelf, plan: planJob(design, shelf) };
  });
  const checking = await time(30, () => plans.flatMap(({ plan }) => planFaults(plan)));
  const planning = await time(30, () => plans.map(({ design, shelf }) => planJob(design, shelf)));
  return ratio('checking the plans of the demo jobs against themselves ÷ planning them', checking, planning, 'ms', 0.1);
}

/** Gzipped size of the scripts the page itself names, kB. */
function firstLoad(folder: string): number {
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const scripts = [...page.matchAll(/src="\/([^"]+\.js)"/g)].map(([, path]) => path!);
  return scripts.reduce((sum, path) => sum + gzipSync(readFileSync(join(folder, path))).length, 0) / 1000;
}

function workerSize(): number {
  const folder = 'client/dist/_expo/static/js/web';
  const worker = readdirSync(folder).find((name) => name.startsWith('session'));
  return worker ? statSync(join(folder, worker)).size / 1000 : 0;
}

function areasRatio(): Ratio {
  areasAgainstLibrary();
  const { ours, theirs, ourFaces, theirFaces, segments } = areasAgainstLibrary();
  console.error(`areas: ${segments} segments, ${ourFaces} areas by us, ${theirFaces} faces by the library`);
  return ratio(
    'areas of 50 edges and 200 curves ÷ raw noding and polygonizing of the library',
    ours,
    theirs,
    'ms',
    1.5,
  );
}

async function draggingRatios(): Promise<Ratio[]> {
  const [plain, slowed] = firstTwo(await longestTaskWhileDragging([1, 4]));
  return [
    ratio('longest task while dragging ÷ one 60 Hz frame', plain, FRAME_MS, 'ms', 1),
    ratio('the same with the CPU slowed down four times', slowed, FRAME_MS, 'ms', 4),
  ];
}

async function orderRatios(): Promise<Ratio[]> {
  const { ours, naive, program, proven, jobs, apart, gapIn5s } = await orderFigures();
  console.error(
    `order of coats: ${proven} of ${jobs} jobs proven, optimum of the solver from outside within ${apart.toFixed(6)} min of ours`,
  );
  return [
    ratio('order of coats, 6 finishes × 14 areas ÷ trying everything (extrapolated)', ours, naive, 'ms', 0.02),
    ratio('the same ÷ the same model by a mixed-integer solver', ours, program, 'ms', 0.5),
    ratio('gap of 12 finishes × 120 areas after 5 s ÷ 1', gapIn5s, 1, '', 0.05),
  ];
}

const page = await pageBytes();
console.error(
  `the list of jobs: scripts ${page.scriptsMb.toFixed(2)} MB, fonts ${page.fontsMb.toFixed(2)} MB, first paint after ${page.firstPaintMs.toFixed(0)} ms`,
);
const schedule = await scheduleFigures();
const clock = await clockPaints();
const entry = await entryTimes();
const ratios = [
  ...(await orderRatios()),
  areasRatio(),
  ...(await draggingRatios()),
  ...planRatios(),
  ...maskRatios(),
  commandRatio(),
  await checkRatio(),
  ratio(
    'scripts of the list of jobs, gzip ÷ a bare Expo Router and Paper page',
    firstLoad('client/dist'),
    firstLoad(process.env.LINTREL_BARE_CLIENT ?? ''),
    'kB',
    1.2,
  ),
  ratio('all bytes of the list of jobs ÷ 1 MB', page.allMb, 1, 'MB', 0.6),
  ratio('clock with 100 jobs in the shop ÷ with 1, to its first window', clock.many, clock.one, 'ms', 1.5),
  ratio('an entry of a log of 9 500 ÷ of one of 100', entry.long, entry.short, 'ms', 1.2),
  ...(await shopFigures()).map((figure) => ratio(...figure)),
  ratio(
    `schedule of 25 tasks: ours ÷ a solver of mixed-integer programs (${schedule.proven} of ${schedule.shops} proven, ${schedule.apart.toFixed(3)} min apart)`,
    schedule.ours,
    schedule.program,
    'ms',
    0.5,
  ),
  ratio('schedule of 25 tasks: anew after one change ÷ from the beginning', schedule.again, schedule.ours, 'ms', 0.3),
];
console.log(JSON.stringify({ ratios, workerKb: workerSize() }, null, 2));
console.table(
  Object.fromEntries(
    ratios.map(({ name, measured, against, unit, ratio: value, aim }) => [
      name,
      {
        measured: `${measured.toFixed(2)} ${unit}`,
        against: `${against.toFixed(2)} ${unit}`,
        ratio: value.toFixed(2),
        aim: `≤ ${aim}`,
      },
    ]),
  ),
);
