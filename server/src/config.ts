import * as v from 'valibot';

const port = v.pipe(
  v.string(),
  v.regex(/^\d{1,5}$/, 'is no port'),
  v.transform(Number),
  v.maxValue(65_535, 'is no port'),
);
const seconds = v.pipe(
  v.string(),
  v.regex(/^[1-9]\d{0,3}$/, 'is no number of seconds from 1 to 9999'),
  v.transform(Number),
);
const words = v.pipe(
  v.string(),
  v.transform((text) => text.split(/[\s,]+/).filter((word) => word !== '')),
);

/** Settings as the environment gives them. */
const environment = v.object({
  DATABASE_URL: v.pipe(
    v.optional(v.string(), ''),
    v.minLength(1, 'is not set: start with "npm start"'),
    v.regex(/^postgres(ql)?:\/\//, 'is no address of a PostgreSQL'),
  ),
  PORT: v.optional(port, '4600'),
  HOST: v.optional(v.string(), '127.0.0.1'),
  LINTREL_NAMES: v.optional(words, ''),
  LINTREL_DEMO: v.optional(v.picklist(['yes', 'no'], 'is yes or no'), 'yes'),
  LINTREL_BACKUPS: v.optional(v.string()),
  LINTREL_CERTIFICATES: v.optional(v.string()),
  LINTREL_CERT: v.optional(v.string()),
  LINTREL_KEY: v.optional(v.string()),
  LINTREL_SIGN_IN: v.optional(v.picklist(['yes'], 'is yes, or left out')),
  LINTREL_PROXY: v.optional(v.picklist(['yes', 'no'], 'is yes or no'), 'no'),
  LINTREL_PLAIN: v.optional(v.picklist(['yes', 'no'], 'is yes or no'), 'no'),
  LINTREL_TASK_SECONDS: v.optional(seconds, '60'),
  LINTREL_CUTTER: v.optional(port),
  LINTREL_SENSOR: v.optional(v.union([v.literal('simulated'), port])),
  LOG_LEVEL: v.optional(
    v.picklist(
      ['fatal', 'error', 'warn', 'info', 'debug', 'trace', 'silent'],
      'is none of fatal error warn info debug trace silent',
    ),
    'info',
  ),
});

/** Settings of the server. */
export interface Config {
  readonly database: string;
  readonly port: number;
  readonly host: string;
  /** Names the shop has given this machine. */
  readonly names: readonly string[];
  readonly demo: boolean;
  /** Folder of the daily backups; null: none are made. */
  readonly backups: string | null;
  /** A reverse proxy on this machine serves the shop, and its forwarding headers are trusted. */
  readonly proxied: boolean;
  /** Whether signing in is required: always beyond this machine, and if configured, as behind a proxy. */
  readonly signIn: boolean;
  /** Where the certificate of a server beyond loopback comes from: files given, or a folder for the shop's own; null: plain HTTP alone. */
  readonly certificate: { readonly cert: string; readonly key: string } | { readonly folder: string } | null;
  /** Maximum wall time of a plan, a print or an answer, ms. */
  readonly maxTaskMs: number;
  /** Port of a real cutter on loopback; null: the simulated one. */
  readonly cutter: number | null;
  /** Port of a sensor of the air on loopback, or the simulated one; null: none. */
  readonly sensor: number | 'simulated' | null;
  readonly logLevel: string;
}

/**
 * Reads the settings once, at the start.
 * @returns them, or a line for each that is wrong
 */
export function readConfig(env: Readonly<Record<string, string | undefined>>): Config | readonly string[] {
  // What is set to nothing is not set.
  const read = v.safeParse(environment, Object.fromEntries(Object.entries(env).filter(([, value]) => value !== '')));
  if (!read.success)
    return [
      ...new Map(
        [...read.issues]
          .reverse()
          .map(({ path, message }) => [path?.[0]?.key, `${String(path?.[0]?.key ?? 'settings')} ${message}`]),
      ).values(),
    ].reverse();
  const {
    DATABASE_URL,
    PORT,
    HOST,
    LINTREL_NAMES,
    LINTREL_DEMO,
    LINTREL_BACKUPS,
    LINTREL_TASK_SECONDS,
    LINTREL_CUTTER,
    LINTREL_SENSOR,
    LINTREL_PROXY,
    LINTREL_SIGN_IN,
    LOG_LEVEL,
  } = read.output;
  if ((read.output.LINTREL_CERT === undefined) !== (read.output.LINTREL_KEY === undefined))
    return ['LINTREL_CERT and LINTREL_KEY are set together: the certificate and its key'];
  return {
    database: DATABASE_URL,
    port: PORT,
    host: HOST,
    names: LINTREL_NAMES,
    demo: LINTREL_DEMO === 'yes',
    backups: LINTREL_BACKUPS ?? null,
    proxied: LINTREL_PROXY === 'yes',
    signIn: LINTREL_SIGN_IN === 'yes' || LINTREL_PROXY === 'yes' || !isLoopback(HOST),
    certificate: certificateFrom(read.output),
    maxTaskMs: LINTREL_TASK_SECONDS * 1000,
    cutter: LINTREL_CUTTER ?? null,
    sensor: LINTREL_SENSOR ?? null,
    logLevel: LOG_LEVEL,
  };
}

type Environment = v.InferOutput<typeof environment>;

/** On this machine alone a page is a secure place without. */
const isLoopback = (host: string): boolean => host === 'localhost' || host === '::1' || host.startsWith('127.');

function certificateFrom({
  HOST,
  LINTREL_PLAIN,
  LINTREL_CERT,
  LINTREL_KEY,
  LINTREL_CERTIFICATES,
}: Environment): Config['certificate'] {
  if (LINTREL_PLAIN === 'yes') return null;
  if (LINTREL_CERT !== undefined && LINTREL_KEY !== undefined) return { cert: LINTREL_CERT, key: LINTREL_KEY };
  return LINTREL_CERTIFICATES === undefined || isLoopback(HOST) ? null : { folder: LINTREL_CERTIFICATES };
}
