import type { Queryable } from './pool';

/** How a private key follows from a passphrase: argon2id with this salt (base64), memory and number of passes. */
export interface KeyDerivation {
  readonly salt: string;
  readonly memoryKb: number;
  readonly passes: number;
}

/** The key secrets are encrypted to in backups. */
export interface BackupKey {
  readonly publicKey: string;
  readonly derivation: KeyDerivation;
}

/** The key of this shop; null where no owner has set a backup passphrase. */
export async function findBackupKey(db: Queryable): Promise<BackupKey | null> {
  const { rows } = await db.query<BackupKey>('SELECT public_key AS "publicKey", derivation FROM backup_keys');
  return rows[0] ?? null;
}

/** Replaces the key. */
export async function saveBackupKey(
  db: Queryable,
  { publicKey, derivation }: BackupKey,
  author: string | null,
): Promise<void> {
  await db.query(
    `INSERT INTO backup_keys (public_key, derivation, author) VALUES ($1, $2, $3)
     ON CONFLICT (id) DO UPDATE SET public_key = excluded.public_key, derivation = excluded.derivation, author = excluded.author, made_at = now()`,
    [publicKey, JSON.stringify(derivation), author],
  );
}
