import { readConfig } from './config';

const DATABASE_URL = 'postgresql://lintrel@127.0.0.1:5432/postgres';

it('takes what is set, and what is usual for the rest', () => {
  expect(readConfig({ DATABASE_URL })).toEqual({
    database: DATABASE_URL,
    port: 4600,
    host: '127.0.0.1',
    names: [],
    demo: true,
    backups: null,
    certificate: null,
    signIn: false,
    proxied: false,
    maxTaskMs: 60_000,
    cutter: null,
    sensor: null,
    logLevel: 'info',
  });
  const set = readConfig({
    DATABASE_URL,
    PORT: '80',
    HOST: '0.0.0.0',
    LINTREL_NAMES: 'bench.shop, paint.shop',
    LINTREL_DEMO: 'no',
    LINTREL_BACKUPS: '/b',
    LINTREL_CUTTER: '9100',
    LOG_LEVEL: 'warn',
  });
  expect(set).toMatchObject({
    port: 80,
    host: '0.0.0.0',
    names: ['bench.shop', 'paint.shop'],
    demo: false,
    backups: '/b',
    cutter: 9100,
    logLevel: 'warn',
  });
});

it.each([
  [{}, ['DATABASE_URL is not set: start with "npm start"']],
  [{ DATABASE_URL: 'mysql://x' }, ['DATABASE_URL is no address of a PostgreSQL']],
  [
    { DATABASE_URL, PORT: '70000', LOG_LEVEL: 'loud' },
    ['PORT is no port', 'LOG_LEVEL is none of fatal error warn info debug trace silent'],
  ],
  [{ DATABASE_URL, LINTREL_DEMO: 'maybe', HOST: '' }, ['LINTREL_DEMO is yes or no']],
  [{ DATABASE_URL, LINTREL_TASK_SECONDS: '0' }, ['LINTREL_TASK_SECONDS is no number of seconds from 1 to 9999']],
])('says what is wrong with %j, a line each', (env, lines) => expect(readConfig(env)).toEqual(lines));
