import { readFile } from 'node:fs/promises';
import {
  ask,
  counted,
  LARGEST_FILE_BYTES,
  layoutFaults,
  planJob,
  questionNamed,
  QUESTIONS,
  readJobFile,
  type Checked,
  type Fault,
  type JobFile,
} from '@lintrel/core';

const USAGE = `lintrel plan FILE               print the plan of a job file as JSON
lintrel check FILE              check a job file
lintrel ask NAME KEY=VALUE …    ask a question of the Bench; names: ${QUESTIONS.map(({ name }) => name).join(' ')}`;

/** Exit codes: 0 done, 2 bad input. */
const DONE = 0;
const BAD_INPUT = 2;

/**
 * The command line.
 * @param args words after the program's name
 * @returns exit code; answers go to standard output, faults to standard error, one a line
 */
export async function main(args: readonly string[]): Promise<number> {
  const [command, ...rest] = args;
  if (command === 'plan' && rest.length === 1) return plan(rest[0]);
  if (command === 'check' && rest.length === 1) return check(rest[0]);
  if (command === 'ask' && rest.length >= 1) return answer(rest[0], rest.slice(1));
  if (command === '--help' || command === 'help') return print(USAGE);
  process.stderr.write(`${USAGE}\n`);
  return BAD_INPUT;
}

async function plan(path: string): Promise<number> {
  const job = await soundJob(path);
  return job.ok ? print(JSON.stringify(planJob(job.value.design, job.value.shelf), null, 2)) : refuse(job.faults);
}

async function check(path: string): Promise<number> {
  const job = await soundJob(path);
  return job.ok
    ? print(`${path}: sound, ${counted(job.value.design.parts.length, 'part')}, ${counted(job.value.log.length, 'log entry', 'log entries')}`)
    : refuse(job.faults);
}

/** Reads a file and checks it, lines on their parts included. */
async function soundJob(path: string): Promise<Checked<JobFile>> {
  let text: string;
  try {
    text = await readFile(path, 'utf8');
  } catch (error) {
    return { ok: false, faults: [{ path, message: `cannot be read: ${(error as NodeJS.ErrnoException).code ?? 'unknown reason'}` }] };
  }
  if (text.length > LARGEST_FILE_BYTES) return { ok: false, faults: [{ path, message: `is larger than ${LARGEST_FILE_BYTES / 1e6} MB` }] };
  const job = readJobFile(text);
  if (!job.ok) return job;
  const faults = layoutFaults(job.value.design, ['design']);
  return faults.length > 0 ? { ok: false, faults } : job;
}

function answer(name: string, words: readonly string[]): number {
  const input: Record<string, string> = {};
  const faults: Fault[] = [];
  for (const word of words) {
    const at = word.indexOf('=');
    const key = word.slice(0, at);
    if (at < 1)
      faults.push({
        path: word,
        message: `is not KEY=VALUE${questionNamed(name) ? `; ${name} accepts ${Object.keys(questionNamed(name)?.keys ?? {}).join(', ')}` : ''}`,
      });
    else if (Object.hasOwn(input, key)) faults.push({ path: key, message: 'is given twice' });
    else input[key] = word.slice(at + 1);
  }
  if (faults.length > 0) return refuse(faults);
  const result = ask(name, input);
  return result.ok ? print(JSON.stringify(result.value)) : refuse(result.faults);
}

function print(text: string): number {
  process.stdout.write(`${text}\n`);
  return DONE;
}

function refuse(faults: readonly Fault[]): number {
  process.stderr.write(faults.map(({ path, message }) => `${path}: ${message}\n`).join(''));
  return BAD_INPUT;
}
