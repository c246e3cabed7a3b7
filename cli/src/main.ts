import { readFile } from 'node:fs/promises';
import {
  ask,
  type Checked,
  type Fault,
  type JobFile,
  layoutFaults,
  MAX_FILE_BYTES,
  planJob,
  questionNamed,
  QUESTIONS,
  readJobFile,
} from '@lintrel/core';
import { countText } from '@lintrel/words';
import { EXIT, planReport } from './plan-report';
import { withWords } from './with-words';
import { WORDS } from './words';

const USAGE = `lintrel plan FILE [--words]     print the plan of a job file as JSON; with --words everything said in English beside its code
lintrel check FILE              check a job file
lintrel backup FILE             write everything the shop has into one file, while it runs
lintrel restore FILE            put such a file back into an empty shop
lintrel ask NAME KEY=VALUE …    ask a question of the Bench; names: ${QUESTIONS.map(({ name }) => name).join(' ')}`;

/**
 * The command line.
 * @param args words after the program's name
 * @returns exit code; answers go to standard output, faults to standard error, one a line
 */
export async function main(args: readonly string[]): Promise<number> {
  const [command, ...rest] = args;
  const files = rest.filter((word) => word !== '--words');
  if (command === 'plan' && files.length === 1 && rest.length - files.length <= 1)
    return plan(files[0]!, rest.length > files.length);
  if (command === 'check' && rest.length === 1) return check(rest[0]!);
  if (command === 'ask' && rest.length >= 1) return answer(rest[0]!, rest.slice(1));
  if (command === '--help' || command === 'help') return print(USAGE);
  process.stderr.write(`${USAGE}\n`);
  return EXIT.badInput;
}

async function plan(path: string, inWords: boolean): Promise<number> {
  const job = await soundJob(path);
  if (!job.ok) return refuse(job.faults);
  const planned = planJob(job.value.design, job.value.shelf);
  const { code, lines } = planReport(path, planned);
  print(JSON.stringify(inWords ? withWords(planned, WORDS) : planned, null, 2));
  process.stderr.write(lines.map((line) => `${line}\n`).join(''));
  return code;
}

async function check(path: string): Promise<number> {
  const job = await soundJob(path);
  return job.ok
    ? print(
        `${path}: sound, ${countText(job.value.design.parts.length, 'part')}, ${countText(job.value.log.length, 'log entry', 'log entries')}`,
      )
    : refuse(job.faults);
}

/** Reads a file and checks it, lines on their parts included. */
async function soundJob(path: string): Promise<Checked<JobFile>> {
  let text: string;
  try {
    text = await readFile(path, 'utf8');
  } catch (error) {
    return faultLine(path, `cannot be read: ${(error as NodeJS.ErrnoException).code ?? 'unknown reason'}`);
  }
  if (text.length > MAX_FILE_BYTES) return faultLine(path, `is larger than ${MAX_FILE_BYTES / 1e6} MB`);
  const job = readJobFile(text);
  if (!job.ok) return job;
  const faults = layoutFaults(job.value.design, ['design']);
  return faults.length > 0 ? { ok: false, faults } : job;
}

/** A fault that only the command line reports. */
const faultLine = (path: string, message: string) => ({
  ok: false as const,
  faults: [{ path, code: 'field.other', values: { message } }],
});

function answer(name: string, words: readonly string[]): number {
  const input: Record<string, string> = {};
  const faults: Fault[] = [];
  for (const word of words) {
    const index = word.indexOf('=');
    const key = word.slice(0, index);
    if (index < 1)
      faults.push(
        ...faultLine(
          word,
          `is not KEY=VALUE${questionNamed(name) ? `; ${name} accepts ${Object.keys(questionNamed(name)?.keys ?? {}).join(', ')}` : ''}`,
        ).faults,
      );
    else if (Object.hasOwn(input, key)) faults.push(...faultLine(key, 'is given twice').faults);
    else input[key] = word.slice(index + 1);
  }
  if (faults.length > 0) return refuse(faults);
  const result = ask(name, input);
  return result.ok ? print(JSON.stringify(result.value)) : refuse(result.faults);
}

function print(text: string): number {
  process.stdout.write(`${text}\n`);
  return EXIT.done;
}

function refuse(faults: readonly Fault[]): number {
  process.stderr.write(faults.map((fault) => `${fault.path}: ${WORDS.say(fault)}\n`).join(''));
  return EXIT.badInput;
}
