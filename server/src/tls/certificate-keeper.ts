import { readFile } from 'node:fs/promises';
import type { Logger } from 'pino';
import type { Config } from '../config';
import { type Certificate, shopCertificate } from './certificate';

/** How often it is looked whether a certificate ends soon, or this machine has another address, ms. */
const LOOK_EVERY_MS = 60 * 60_000;

/** A certificate that is kept up to date while the server runs. */
export interface CertificateKeeper {
  readonly now: () => Certificate;
  readonly onNewer: (take: (newer: Certificate) => void) => void;
  readonly stop: () => void;
}

/** Reads the certificate that was given, or makes the shop's own, and looks after it from then on. */
export async function openCertificate(
  from: NonNullable<Config['certificate']>,
  names: () => readonly string[],
  log: Pick<Logger, 'warn'>,
): Promise<CertificateKeeper> {
  const read = async (): Promise<Certificate> =>
    'folder' in from
      ? shopCertificate(from.folder, names(), Date.now())
      : { cert: await readFile(from.cert, 'utf8'), key: await readFile(from.key, 'utf8'), authority: null };
  let current = await read();
  let take: (newer: Certificate) => void = () => undefined;
  const look = async () => {
    const newer = await read();
    if (newer.cert === current.cert) return;
    current = newer;
    take(newer);
  };
  const timer = setInterval(
    () => void look().catch((error: unknown) => log.warn({ err: error }, 'the certificate could not be renewed')),
    LOOK_EVERY_MS,
  );
  timer.unref();
  return { now: () => current, onNewer: (how) => (take = how), stop: () => clearInterval(timer) };
}
