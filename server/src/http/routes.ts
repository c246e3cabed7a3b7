import { airRoutes } from './air';
import { putAwayRoutes } from './archive';
import { askRoutes } from './ask';
import { behaviourRoutes } from './behaviour';
import { cutterRoutes } from './cutter';
import { dayRoutes } from './day';
import { drawingRoutes } from './drawings';
import { healthRoutes } from './health';
import { jobRoutes } from './jobs';
import { linkRoutes } from './links';
import { liveRoutes } from './live';
import { openApiRoutes } from './openapi';
import { peopleRoutes } from './people';
import { photoRoutes } from './photos';
import { printRoutes } from './print';
import type { Route } from './route';
import { runRoutes } from './run';
import { shelfRoutes } from './shelf';
import { shopRoutes } from './shop';
import { trustRoutes } from './trust';
import { workRoutes } from './works';

const OWN: readonly Route[] = [
  ...healthRoutes,
  ...trustRoutes,
  ...peopleRoutes,
  ...linkRoutes,
  ...liveRoutes,
  ...jobRoutes,
  ...putAwayRoutes,
  ...runRoutes,
  ...photoRoutes,
  ...dayRoutes,
  ...airRoutes,
  ...printRoutes,
  ...shelfRoutes,
  ...behaviourRoutes,
  ...shopRoutes,
  ...drawingRoutes,
  ...cutterRoutes,
  ...askRoutes,
  ...workRoutes,
];

/** Every route below /api, with its permission, input and answer. Any other path is not found. */
export const ROUTES: readonly Route[] = [...OWN, ...openApiRoutes(OWN)];
