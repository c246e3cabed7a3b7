import { randomBytes } from 'node:crypto';
import { hashRaw } from '@node-rs/argon2';
import { bech32 } from '@scure/base';
import { Decrypter, Encrypter, identityToRecipient } from 'age-encryption';
import type { BackupKey, KeyDerivation } from '../db/backup-key';

// Secrets in a backup are encrypted in the age format to a public key. The private key is derived from a passphrase
// and stored nowhere.

/** Credentials by person id: hashes, as in the database. */
export type PeopleSecrets = Readonly<
  Record<string, { readonly passphrase: string | null; readonly pin: string | null }>
>;

const SALT_BYTES = 16;
const KEY_BYTES = 32;
/** Cost of one guess (argon2id): higher than for signing in, since a stolen backup allows guessing offline. */
const MEMORY_KB = 65_536;
const PASSES = 4;

/** Makes a key for a passphrase. */
export async function newBackupKey(passphrase: string): Promise<BackupKey> {
  const derivation = { salt: randomBytes(SALT_BYTES).toString('base64'), memoryKb: MEMORY_KB, passes: PASSES };
  return { publicKey: await identityToRecipient(await privateKeyOf(passphrase, derivation)), derivation };
}

/** The private key of a passphrase, in the text form the age format gives it. */
async function privateKeyOf(passphrase: string, { salt, memoryKb, passes }: KeyDerivation): Promise<string> {
  const options = {
    salt: Buffer.from(salt, 'base64'),
    memoryCost: memoryKb,
    timeCost: passes,
    parallelism: 1,
    outputLen: KEY_BYTES,
  };
  return bech32
    .encodeFromBytes('AGE-SECRET-KEY-', new Uint8Array(await hashRaw(passphrase.normalize('NFKC'), options)))
    .toUpperCase();
}

/** Encrypts secrets to the public key, base64. */
export async function encryptedSecrets(
  { publicKey }: Pick<BackupKey, 'publicKey'>,
  secrets: PeopleSecrets,
): Promise<string> {
  const encrypter = new Encrypter();
  encrypter.addRecipient(publicKey);
  return Buffer.from(await encrypter.encrypt(JSON.stringify(secrets))).toString('base64');
}

/** Decrypts secrets; null where the passphrase is not the one of the key. */
export async function decryptedSecrets(
  { publicKey, derivation }: BackupKey,
  passphrase: string,
  secrets: string,
): Promise<PeopleSecrets | null> {
  const identity = await privateKeyOf(passphrase, derivation);
  if ((await identityToRecipient(identity)) !== publicKey) return null;
  const decrypter = new Decrypter();
  decrypter.addIdentity(identity);
  return JSON.parse(await decrypter.decrypt(new Uint8Array(Buffer.from(secrets, 'base64')), 'text')) as PeopleSecrets;
}
