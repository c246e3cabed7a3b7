import type { RefusalMessages } from '../codes';
import type { WordsOf } from '../table';

export const REFUSAL_WORDS: WordsOf<RefusalMessages> = {
  'server.start-kind': () => 'must be start',
  'server.log-start': () => 'a job is started with its plan, by /start',
  'server.no-place': () => 'is no place in the list of jobs',
  'server.taken': ({ key }) => `"${key}" is taken`,
  'server.fixed': () => 'cannot be changed; add a new one instead',
  'server.no-zone': () => 'is no time zone: it is written like Europe/Lisbon',
  'server.person-taken': () => 'is the name of somebody else here: choose another',
  'server.person-alike': ({ name }) => `looks like "${name}", who works here: choose a name nobody mixes up`,
  'server.passphrase-common': () =>
    'stands in every list of common passphrases: choose another, a few words of your own',
  'server.too-deep': ({ max }) => `is nested more than ${max} deep`,
  'server.too-many-values': ({ max }) => `holds more than ${max} values`,
  'server.future': () => 'lies in the future: check the clock of this device',
};
