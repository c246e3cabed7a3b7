import { X509Certificate } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { isIP } from 'node:net';
import { hostname } from 'node:os';
import { join } from 'node:path';
import { MS_PER_DAY } from '@lintrel/core/front';
import { generate } from 'selfsigned';
import { ownAddresses } from './addresses';
import { coversNames, newAuthority } from './authority';

/** What a server shows to prove who it is. */
export interface Certificate {
  readonly key: string;
  /** Its own and that of the authority behind it, PEM. */
  readonly cert: string;
  /** Certificate of the authority a phone installs, PEM; null where the shop brought a certificate of its own. */
  readonly authority: string | null;
}

/** Validity of the shop's own authority, which a phone installs once. */
const AUTHORITY_DAYS = 3650;
/** What it vouches for holds for less: browsers refuse more than 825 days. */
const SERVER_DAYS = 397;
/** So long before its end it is made anew. */
const RENEW_DAYS = 30;

/** Names and addresses this machine is found under in the shop. */
export function ownNames(given: readonly string[]): string[] {
  // A link-local address holds for one cable alone.
  const addresses = ownAddresses().flatMap(({ address }) => (address.startsWith('fe80') ? [] : [address]));
  const machine = hostname();
  return [
    ...new Set([
      'localhost',
      '127.0.0.1',
      '::1',
      machine,
      ...(machine.includes('.') ? [] : [`${machine}.local`]),
      ...addresses,
      ...given,
    ]),
  ];
}

/**
 * The certificate of this shop: made at the first start by an authority of its own, made anew before it ends or when this machine has
 * another name or address. The authority stays, and with it what phones have been told, as long as it may vouch for the names: for another
 * name than those of the shop and of private networks a new one is made, and phones have to be told once more.
 * @param folder where both are kept; the keys for nobody but us
 */
export async function shopCertificate(folder: string, names: readonly string[], now: number): Promise<Certificate> {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const before = await kept(folder, 'authority', now + SERVER_DAYS * MS_PER_DAY);
  const { notBeforeDate, notAfterDate } = spanOf(now, AUTHORITY_DAYS);
  const authority =
    before && coversNames(before.cert, names)
      ? before
      : await made(folder, 'authority', await newAuthority(names, notBeforeDate, notAfterDate));
  const known = await kept(folder, 'server', now + RENEW_DAYS * MS_PER_DAY);
  const usable =
    known &&
    covers(known.cert, names) &&
    new X509Certificate(known.cert).verify(new X509Certificate(authority.cert).publicKey);
  const pair = usable ? known : await made(folder, 'server', await newServer(authority, names, now));
  return { key: pair.key, cert: pair.cert + authority.cert, authority: authority.cert };
}

interface Pair {
  readonly key: string;
  readonly cert: string;
}

const fileOf = (folder: string, name: string, what: keyof Pair): string => join(folder, `${name}.${what}.pem`);

/** A pair that is kept and holds beyond an instant; null where there is none that can be read. */
async function kept(folder: string, name: string, until: number): Promise<Pair | null> {
  const [key, cert] = [fileOf(folder, name, 'key'), fileOf(folder, name, 'cert')];
  if (!existsSync(key) || !existsSync(cert)) return null;
  const pair = { key: await readFile(key, 'utf8'), cert: await readFile(cert, 'utf8') };
  try {
    return Date.parse(new X509Certificate(pair.cert).validTo) > until ? pair : null;
  } catch {
    return null;
  }
}

/** Puts a pair by: each file whole or not at all. */
async function made(folder: string, name: string, pair: Pair): Promise<Pair> {
  for (const what of ['key', 'cert'] as const) {
    const path = fileOf(folder, name, what);
    await writeFile(`${path}.new`, pair[what], { mode: 0o600 });
    await rename(`${path}.new`, path);
  }
  return pair;
}

const spanOf = (now: number, days: number) => ({
  notBeforeDate: new Date(now - MS_PER_DAY),
  notAfterDate: new Date(now + days * MS_PER_DAY),
});

async function newServer(authority: Pair, names: readonly string[], now: number): Promise<Pair> {
  const altNames = names.map((name) =>
    isIP(name) === 0 ? { type: 2 as const, value: name } : { type: 7 as const, ip: name },
  );
  const { private: key, cert } = await generate([{ name: 'commonName', value: 'Lintrel' }], {
    ...spanOf(now, SERVER_DAYS),
    keyType: 'ec',
    algorithm: 'sha256',
    ca: authority,
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      { name: 'subjectAltName', altNames },
    ],
  });
  return { key, cert: withEnd(cert) };
}

const withEnd = (pem: string): string => `${pem.trim()}\n`;

/** Whether a certificate stands for every one of some names. */
function covers(cert: string, names: readonly string[]): boolean {
  const read = new X509Certificate(cert);
  return names.every(
    (name) => (isIP(name) === 0 ? read.checkHost(name, { subject: 'never' }) : read.checkIP(name)) !== undefined,
  );
}
