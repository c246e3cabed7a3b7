import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { pino } from 'pino';
import { openBackups } from './backup/nightly';
import { readConfig } from './config';
import { cutterAt } from './cutter';
import { insertAir } from './db/air';
import { migrate } from './db/migrate';
import { canSignIn, saveSetUpCode } from './db/people';
import { openPool } from './db/pool';
import { createApp } from './http/app';
import type { Trust } from './http/trust';
import { openHub } from './live/hub';
import { ROOT } from './paths';
import { newCode, normalizeCode, tokenHash } from './people/secrets';
import { seedIfEmpty, seedShelfIfNew } from './seed';
import { openSensor } from './sensor/listen';
import { startSimulatedSensor } from './sensor/simulated';
import { shopAddresses } from './tls/addresses';
import { ownNames } from './tls/certificate';
import { openCertificate } from './tls/certificate-keeper';
import { openListener } from './tls/listener';
import { openWorkerPool } from './work/worker-pool';

/** Requests that are still under way this long after we were asked to end are broken off. */
const LAST_REQUESTS_MS = 3_000;

/** Exit codes: settings that cannot be; and those the start script tells apart: another program listens there; this address is none of ours. */
const EXIT = { badSettings: 2, portTaken: 11, noAddress: 12 } as const;

const config = readConfig(process.env);
if (!('database' in config)) {
  process.stderr.write(config.map((line) => `lintrel: ${line}\n`).join(''));
  process.exit(EXIT.badSettings);
}
const { port, host, names, backups, certificate, signIn, proxied } = config;
const log = pino({ level: config.logLevel });

/** Whether another process started us and listens for news. */
const supervised = process.connected === true;

const pool = openPool(config.database);
pool.on('error', (error) => log.warn({ err: error }, 'an idle connection to the database was lost'));
await migrate(pool, async (db) => {
  if (config.demo && (await seedIfEmpty(db, Date.now()))) log.info('demo workshop put in');
  else if (await seedShelfIfNew(db)) log.info('typical shelf put in');
});

// No owner can sign in yet: one comes in with the code that is printed here, once.
if (signIn && !(await canSignIn(pool))) {
  const code = newCode();
  await saveSetUpCode(pool, tokenHash(normalizeCode(code)));
  process.stdout.write(`lintrel: open it in a browser and set the shop up with this code, within a day: ${code}\n`);
}

const folder = join(ROOT, 'client/dist');
const workshop = openWorkerPool({ maxWallMs: config.maxTaskMs });
const cutter = cutterAt(config.cutter);
const simulated = config.sensor === 'simulated' ? await startSimulatedSensor() : null;
const sensorPort = simulated ? simulated.port : (config.sensor as number | null);
const sensor =
  sensorPort === null
    ? null
    : openSensor(
        sensorPort,
        (date, airC, rhPercent) =>
          void insertAir(pool, date, airC, rhPercent, 'sensor').catch((error: unknown) =>
            log.warn({ err: error }, 'a reading of the air was not kept'),
          ),
      );
const daily = backups ? openBackups(pool, backups, log) : null;
const hub = openHub(config.database);
const shown = certificate && (await openCertificate(certificate, () => ownNames(names), log));
const trust: Trust | null = shown && {
  addresses: () => shopAddresses(host, port, names),
  authority: () => shown.now().authority,
};
const app = createApp({
  pool,
  log,
  clientFolder: existsSync(folder) ? folder : null,
  workshop,
  hub,
  cutter,
  sensor,
  names,
  signIn,
  proxied,
  backups: daily,
  ...(trust ? { trust } : {}),
});
const door = openListener(app, shown && shown.now());
shown?.onNewer(door.setCertificate);
door.listener.once('error', (error: NodeJS.ErrnoException) => {
  log.fatal({ err: error }, `cannot listen on ${host}:${port}`);
  process.exit(error.code === 'EADDRINUSE' ? EXIT.portTaken : EXIT.noAddress);
});
door.listener.listen(port, host, () => {
  log.info(`listening on ${shown ? 'https' : 'http'}://${host}:${port}`);
  process.send?.('listening');
  if (supervised && !process.connected) stop('the process that started us is gone');
});

let stopping = false;
/** Takes no new requests, finishes those under way, closes everything. */
function stop(why: string): void {
  if (stopping) return;
  stopping = true;
  log.info(`${why}: stopping`);
  // Pages that listen are told to come back by the end of their connection.
  daily?.stop();
  sensor?.stop();
  void simulated?.close();
  shown?.stop();
  const quiet = hub.close();
  const breakOff = setTimeout(() => door.closeAll(), LAST_REQUESTS_MS);
  // A connection that is kept open is closed as soon as nothing is asked over it any more.
  const sweep = setInterval(() => door.closeIdle(), 50);
  // A database that hangs does not hold us up either.
  setTimeout(() => process.exit(0), 2 * LAST_REQUESTS_MS).unref();
  door.listener.close(() => {
    clearTimeout(breakOff);
    clearInterval(sweep);
    void Promise.allSettled([workshop.close(), quiet, pool.end()]).then(() => process.exit(0));
  });
}
process.on('SIGTERM', () => stop('SIGTERM'));
process.on('SIGINT', () => stop('SIGINT'));
// Started by another process: when that is gone, nobody is left to stop us.
process.on('disconnect', () => stop('the process that started us is gone'));
