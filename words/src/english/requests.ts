import type { NotFoundKind, RequestMessages } from '../codes';
import { listText, type WordsOf } from '../table';

const NOT_FOUND: Readonly<Record<NotFoundKind, string>> = {
  calendar: 'no calendar at this address, or it was called back',
  'calendar-address': 'no calendar address',
  certificate: 'no certificate of this shop',
  cut: 'no such cut',
  file: 'no such file',
  finish: 'no such finish',
  job: 'no such job',
  link: 'no such link',
  'linked-job': 'no job at this address, or it was called back',
  part: 'no such part',
  person: 'no such person',
  phone: 'no such phone',
  'phone-address': 'no address for phones',
  photo: 'no such photo',
  question: 'no such question',
  route: 'no such address',
  session: 'no such session',
  stock: 'no such stock',
  supply: 'no such supply',
  tape: 'no such tape',
};

const KILOBYTE = 1_000;
const MEGABYTE = 1_000_000;

const sizeText = (bytes: number): string =>
  bytes < MEGABYTE ? `${Math.round(bytes / KILOBYTE)} kB` : `${Math.round(bytes / MEGABYTE)} MB`;

const SIMPLER = 'Make it simpler: fewer lines, bands or places, or several jobs.';

export const REQUEST_WORDS: WordsOf<RequestMessages> = {
  'server.not-found': ({ what, name }) => `There is ${NOT_FOUND[what]}${name === null ? '' : `: ${name}`}.`,
  'server.fault': ({ path, fault }, { say }) => `${path}: ${say(fault)}`,
  'server.faults': ({ count }) => `${count} values need correcting.`,
  'server.wrong-sign-in': () => 'Name and passphrase do not belong together.',
  'server.wrong-code': () => 'This is not the code shown when the server started, or it was used already.',
  'server.wrong-pin': () => 'This is not the PIN.',
  'server.wrong-passphrase': () => 'This is not your passphrase.',
  'server.owner-pairs': () => 'Only an owner makes this a phone of the shop: an owner signs in here once.',
  'server.no-shop-phone': () => 'A PIN is enough only on a phone of the shop: sign in with your passphrase.',
  'server.pins-used-up': () => 'Too many wrong PINs on this phone or for this person: sign in with your passphrase.',
  'server.last-owner': () => 'One owner has to stay: make somebody else an owner first.',
  'server.sign-in': () => 'Sign in first.',
  'server.not-allowed': () => 'You may not do this in this shop: ask the owner.',
  'server.too-many-tries': () => 'Too many tries. Wait a minute, then try again.',
  'server.too-many-requests': () => 'Too many requests. Wait a minute, then try again.',
  'server.other-host': ({ name }) =>
    `This server is not known by the name "${name}". If it is its name, start it with LINTREL_NAMES set to it.`,
  'server.other-origin': () => 'Another page sent this request. Only pages of this server may.',
  'server.open-calendar': () => 'Where nobody signs in, the calendar has an open address: /api/day.ics.',
  'server.stale-hours': () =>
    'Somebody else changed the hours of the shop. Look at them as they are now, then change them again.',
  'server.stale-start': ({ revision }) => `The job is at revision ${revision} now. Look at the plan again, then start.`,
  'server.stale-shelf': () => 'The shelf was changed after this plan was made. Look at the plan again, then start.',
  'server.stale-entry': ({ by }) =>
    `This was changed ${by === null ? 'elsewhere' : `by ${by}`} meanwhile. What you typed is still here: save again to keep yours, or go back to see theirs.`,
  'server.stale-job': ({ by, revision }) =>
    `This job was changed ${by === null ? 'elsewhere' : `by ${by}`}: it is at revision ${revision} now. Nothing of yours is lost; choose which to keep.`,
  'server.job-deleted': () =>
    'This job was deleted. Bring it back under Jobs, Deleted. Your changes are kept on this device.',
  'server.running': () => 'Work on this job has started: steps of it may be due. Confirm that you mean it.',
  'server.nothing-to-run': () => 'There is nothing to run yet: give at least one area a finish.',
  'server.plugs-in': () => 'The plugs are not counted out yet: count them, or write down why the job ends without.',
  'server.entry-in-future': () =>
    'Its time lies in the future: the clock of this device is wrong. Send it with the right time, or leave it out.',
  'server.entry-of-other-job': () => 'This entry is in the log of another job already.',
  'server.entry-differs': () =>
    'An entry with this id but other content is in the log already. The one in the log stays.',
  'server.log-full': () => 'The log of this job is full. Finish the job, and begin another for what is left.',
  'server.no-mark': () =>
    'It is not said which version of the entry this replaces: load the shelf again, and send the mark of the entry as `was`.',
  'server.shelf-full': ({ max, what }) =>
    `The shelf is full: it holds ${max} ${what}. Delete what is no longer used, then try again.`,
  'server.finish-in-use': ({ jobs }) => `Still used by ${listText(jobs)}: choose another finish there first.`,
  'server.no-jpeg': () => 'This is not a JPEG picture.',
  'server.too-many-photos': ({ max }) => `This job has ${max} photos: no more are kept.`,
  'server.other-photo': () => 'Another photo has this id. Take it again.',
  'server.only-stations': () => 'Only a station table is written as a list.',
  'server.no-backup-folder': () => 'This server makes no backups: it was started without a folder for them.',
  'server.not-json': () => 'The body is not JSON.',
  'server.encoding': () => 'The body is in an encoding this server does not read.',
  'server.charset': () => 'The body is in a character set this server does not read.',
  'server.too-large': ({ bytes }) => `This is too large: at most ${sizeText(bytes)}.`,
  'server.broken-off': () => 'The request broke off.',
  'server.closed': () => 'The request was closed.',
  'server.unreadable': () => 'The request cannot be read.',
  'server.not-text': () => 'Part of this text cannot be stored: it holds characters that are not text.',
  'server.at-odds': () => 'This contradicts what is stored already. Reload and try again.',
  'server.database-silent': () => 'The database does not answer.',
  'server.database-away': () => 'The database cannot be reached. Nothing was changed; try again.',
  'server.database-full': () => 'The database is at its limit. Nothing was changed; try again.',
  'server.database-restarting': () => 'The database is restarting. Try again: what arrived before is not stored twice.',
  'server.database-slow': () => 'The database took too long. Try again in a moment.',
  'server.too-much-memory': () => `This needs more memory than it may take. ${SIMPLER}`,
  'server.too-much-computing': ({ seconds }) => `This takes more than ${seconds} s of computing time. ${SIMPLER}`,
  'server.busy-machine': ({ seconds }) =>
    `This did not finish within ${seconds} s: the server is busy. Try again in a moment.`,
  'server.busy': () => 'The server is working out too much at once. Try again in a moment.',
  'server.stopping': () => 'The server is stopping. Try again in a moment.',
  'server.internal': () => 'Something went wrong on the server. Nothing was changed; try again.',
};
