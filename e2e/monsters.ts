import { spawn } from 'node:child_process';
import { BASE_DATUM, type Design, emptyDesign, type Job, type PartId } from '@lintrel/core';
import { makeDatabase, startServer } from './harness';

// Designs that are sound and monstrous: what becomes of them, and how soon others are answered meanwhile: node --import tsx e2e/monsters.ts

/** Time limit of a huge request, and of ordinary ones beside it, ms. */
const GIVEN_UP_MS = 10_500;
const OTHERS_MS = 100;

const database = await makeDatabase();
const server = await startServer(database.url, { env: { LOG_LEVEL: 'silent' } });

const COLOURS = [
  'cream-two-part',
  'sea-green-two-part',
  'blaze-two-part',
  'copper-two-part',
  'ink-two-part',
  'tomato-can',
];

/** Panels with wavy lines that cross one another, an area of its own finish in between. */
function monster(parts: number, lines: number, points: number): Design {
  const plain = {
    count: 1,
    substrate: 'steel',
    present: { system: 'filler-primer', colour: '#c7bfa6', ageH: 48 },
    datums: [BASE_DATUM],
  } as const;
  const line = (index: number) => ({
    kind: 'sweep',
    id: `l${index}`,
    name: `Line ${index}`,
    datum: BASE_DATUM.id,
    runOn: true,
    points: Array.from({ length: points }, (_, pointIndex) => ({
      along: (pointIndex * 3000) / (points - 1),
      above: 20 + ((index * 37) % 1900) + 40 * Math.sin(pointIndex * (1 + (index % 5))),
    })),
  });
  return {
    ...emptyDesign('Monster', 'other'),
    parts: Array.from({ length: parts }, (_, part) => ({
      ...plain,
      id: `p${part}` as PartId,
      name: `Panel ${part}`,
      surface: { kind: 'flat', outline: { kind: 'rectangle', width: 3000, height: 2000 } },
      lines: Array.from({ length: lines }, (_, index) => line(index)),
    })) as unknown as Design['parts'],
    scheme: {
      areas: Array.from({ length: parts * 12 }, (_, area) => ({
        part: `p${area % parts}` as PartId,
        seed: [100 + ((area * 211) % 2800), 30 + ((area * 167) % 1900)],
        finish: COLOURS[area % COLOURS.length]!,
      })) as unknown as Design['scheme']['areas'],
    },
  };
}

const call = (method: string, path: string, body?: unknown) =>
  fetch(`${server.url}/api${path}`, {
    method,
    ...(body === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
  });

// A process of its own: what this one has to write and read itself would be taken for the server's.
const others = spawn(process.execPath, ['--import', 'tsx', 'e2e/prober.ts', `${server.url}/api/health`], {
  stdio: ['ignore', 'pipe', 'inherit'],
});
let output = '';
others.stdout.on('data', (text: Buffer) => (output += text.toString()));
const othersEnded = new Promise((ended) => others.once('exit', ended));

let longestMs = 0;
for (const [parts, lines, points] of [
  [1, 200, 40],
  [10, 100, 20],
  [40, 60, 12],
] as const) {
  const { id, revision } = (await (
    await call('POST', '/jobs', { title: 'Monster', kind: 'other', scale: 1 })
  ).json()) as Job;
  const saved = await call('PUT', `/jobs/${id}`, { revision, design: monster(parts, lines, points) });
  const kept = saved.ok ? '' : ` (not kept: ${JSON.stringify(await saved.json()).slice(0, 200)})`;
  const began = performance.now();
  const answers = await Promise.all(
    [
      call('GET', `/jobs/${id}/plan`),
      call('POST', `/jobs/${id}/print`, { what: 'lay', unit: 'mm', paper: 'A4' }),
      call('GET', `/jobs/${id}/plan`),
    ].map(async (name) => {
      const answer = await name;
      await answer.arrayBuffer();
      return answer.status;
    }),
  );
  const tookMs = performance.now() - began;
  longestMs = Math.max(longestMs, tookMs);
  process.stdout.write(
    `${parts} parts of ${lines} lines: ${answers.join(', ')} after ${(tookMs / 1000).toFixed(1)} s${kept}\n`,
  );
}
others.kill('SIGTERM');
await othersEnded;
const slowestMs = Number(output);
process.stdout.write(
  `longest ${(longestMs / 1000).toFixed(1)} s; others answered within ${slowestMs.toFixed(0)} ms all the time\n`,
);
await server.stop();
await database.drop();
process.exitCode = longestMs > GIVEN_UP_MS || slowestMs > OTHERS_MS ? 1 : 0;
