import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type pg from 'pg';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Hub } from '../live/hub';
import type { Workshop } from '../work/workshop';
import { askRoutes } from './ask';
import { cutterAt, type Cutting } from '../cutter';
import { clientFiles } from './client-files';
import { cutterRoutes } from './cutter';
import { drawingRoutes } from './drawings';
import { answerError, ApiError, noRoute } from './errors';
import { guard } from './guard';
import { importRoutes, jobRoutes } from './jobs';
import { linkRoutes } from './links';
import { liveRoutes } from './live';
import { peopleRoutes, TRIES_A_MINUTE } from './people';
import { printRoutes } from './print';
import { runRoutes } from './run';
import { shelfRoutes } from './shelf';
import { shopRoutes } from './shop';
import { trustRoutes, type Trust } from './trust';
import { letIn } from './who';

/** Bodies larger than this are refused, however small they were packed; a design is far below. */
const BODY_LIMIT_BYTES = 4_000_000;

/** Smaller answers cost more time to compress than they save, even over the shop's wireless. */
const COMPRESS_FROM = '16kb';

export interface AppParts {
  readonly pool: pg.Pool;
  readonly log: Logger;
  /** Folder of the exported client; null serves the API alone. */
  readonly clientFolder: string | null;
  readonly workshop: Workshop;
  readonly hub: Hub;
  /** What masks are sent to; left out: the simulated cutter. */
  readonly cutter?: Cutting;
  /** Names the shop has given this server, besides its addresses. */
  readonly names?: readonly string[];
  /** Whether one has to be somebody to work here; left out: this machine alone is served. */
  readonly signIn?: boolean;
  /** So many tries to get in from one address in a minute. */
  readonly tries?: number;
  /** Whether a program on this machine hands requests on, and is believed how they came. */
  readonly proxied?: boolean;
  /** How phones come to trust it; left out: it is served without a certificate. */
  readonly trust?: Trust;
  /** Where backups are kept; left out: none are made. */
  readonly backups?: string;
}

const NO_TRUST: Trust = { addresses: () => [], authority: () => null };

/** Puts the server together. It keeps nothing itself: everything is in the database. */
export function createApp({
  pool,
  log,
  clientFolder,
  workshop,
  hub,
  cutter = cutterAt(null),
  names = [],
  backups,
  trust = NO_TRUST,
  signIn = false,
  proxied = false,
  tries = TRIES_A_MINUTE,
}: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  if (proxied) app.set('trust proxy', 'loopback');
  app.use(
    pinoHttp({
      logger: log,
      autoLogging: log.isLevelEnabled('info') && { ignore: (request) => !request.url?.startsWith('/api') },
      serializers: { req: ({ id, method, url }) => ({ id, method, url }), res: ({ statusCode }) => ({ statusCode }) },
    }),
  );
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          fontSrc: ["'self'", 'data:'],
          imgSrc: ["'self'", 'data:', 'blob:'],
          workerSrc: ["'self'", 'blob:'],
          // Served over plain HTTP in the shop: asking for HTTPS would leave the page empty.
          upgradeInsecureRequests: null,
        },
      },
      strictTransportSecurity: false,
      // Browsers heed these over HTTPS only, and complain about them in the shop.
      crossOriginOpenerPolicy: false,
      originAgentCluster: false,
    }),
  );
  app.use(guard(names));
  // What is told line by line is sent as it comes.
  app.use(
    compression({ threshold: COMPRESS_FROM, filter: (request, response) => !request.path.startsWith('/api/live') && compression.filter(request, response) }),
  );
  app.use('/api', (_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  app.use('/api', letIn(pool, signIn));
  // Drawings and job files are larger than anything else that is sent, and bring their own limits.
  app.use('/api/drawings', drawingRoutes(workshop));
  app.use('/api/jobs/import', importRoutes(pool, workshop));
  app.use('/api', express.json({ limit: BODY_LIMIT_BYTES }));
  app.use('/api', peopleRoutes(pool, signIn, tries));
  app.use('/api', linkRoutes(pool, workshop));
  // Alive: the server answers. Healthy: it can do its work, with its database.
  app.get('/api/alive', (_request, response) => void response.json({ ok: true }));
  app.get('/api/health', async (_request, response) => {
    await pool.query('SELECT 1').catch(() => {
      throw new ApiError(503, 'database', 'The database does not answer.');
    });
    response.json({ ok: true });
  });
  app.use('/api/jobs', jobRoutes(pool, workshop), runRoutes(pool, workshop), printRoutes(pool, workshop));
  app.use('/api/shelf', shelfRoutes(pool));
  app.use('/api/shop', shopRoutes(pool, backups ?? null));
  app.use('/api/trust', trustRoutes(trust));
  app.use('/api/live', liveRoutes(pool, hub));
  app.use('/api/cutter', cutterRoutes(pool, workshop, cutter));
  app.use('/api/ask', askRoutes(pool, workshop));
  app.use('/api', noRoute);
  if (clientFolder) app.use(clientFiles(clientFolder));
  app.use(noRoute);
  app.use(answerError);
  return app;
}
