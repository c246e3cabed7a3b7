import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { pinoHttp } from 'pino-http';
import { cutterAt } from '../cutter';
import { answerError, loggedUrl, routeNotFound } from '../errors/errors';
import { clientFiles } from './client-files';
import { guard } from './guard';
import { answerRoutes, type Shop } from './route';
import { ROUTES } from './routes';

/** Smaller answers cost more time to compress than they save, even over the shop's wireless. */
const COMPRESS_FROM = '16kb';

/** What a server is put together from; what is left out is as on one machine alone. */
export interface AppParts
  extends Pick<Shop, 'pool' | 'log' | 'workshop' | 'hub'>, Partial<Omit<Shop, 'pool' | 'log' | 'workshop' | 'hub'>> {
  /** Folder of the exported client; null serves the API alone. */
  readonly clientFolder: string | null;
  /** Names the shop has given this server, besides its addresses. */
  readonly names?: readonly string[];
  /** Whether a reverse proxy is used and its forwarding headers are trusted. */
  readonly proxied?: boolean;
}

/** Maximum sign-in attempts per minute and address. */
const TRIES_A_MINUTE = 20;

const usual = (): Omit<Shop, 'pool' | 'log' | 'workshop' | 'hub'> => ({
  cutter: cutterAt(null),
  signIn: false,
  tries: TRIES_A_MINUTE,
  trust: { addresses: () => [], authority: () => null },
  backups: null,
  sensor: null,
  now: Date.now,
  works: new Map(),
});

/** Builds the application. It has no state of its own: everything is in the database. */
export function createApp({ clientFolder, names = [], proxied = false, ...parts }: AppParts): Express {
  const shop: Shop = { ...usual(), ...parts };
  const { log } = shop;
  const app = express();
  app.disable('x-powered-by');
  // Answers are not cached, so no ETag is computed. Cacheable ones set their own.
  app.set('etag', false);
  if (proxied) app.set('trust proxy', 'loopback');
  // Requests are logged only at level info.
  if (log.isLevelEnabled('info'))
    app.use(
      pinoHttp({
        logger: log,
        autoLogging: { ignore: (request) => !request.url?.startsWith('/api') },
        serializers: {
          req: ({ id, method, url }: { id: unknown; method: string; url: string }) => ({
            id,
            method,
            url: loggedUrl(url),
          }),
          res: ({ statusCode }) => ({ statusCode }),
        },
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
  // Streams are not buffered by compression.
  app.use(
    compression({
      threshold: COMPRESS_FROM,
      filter: (request, response) => !request.path.startsWith('/api/live') && compression.filter(request, response),
    }),
  );
  app.use('/api', (_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  app.use('/api', answerRoutes(ROUTES, shop));
  app.use('/api', routeNotFound);
  if (clientFolder) app.use(clientFiles(clientFolder));
  app.use(routeNotFound);
  app.use(answerError(log));
  return app;
}
