import compression from 'compression';
import express, { Router, type Express } from 'express';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import type { Knex } from 'knex';
import { join } from 'node:path';
import type { Logger } from 'pino';
import { eventsRoutes } from './features/events/routes.ts';
import { followUpsRoutes } from './features/follow-ups/routes.ts';
import { looseEndsRoutes } from './features/loose-ends/routes.ts';
import { calendarRoutes, serveCalendar } from './features/calendar/routes.ts';
import { exchangeRoutes } from './features/exchange/routes.ts';
import { feedRoutes } from './features/feed/routes.ts';
import { importsRoutes } from './features/imports/routes.ts';
import { jobsRoutes } from './features/jobs/routes.ts';
import { metersRoutes } from './features/meters/routes.ts';
import { partsRoutes } from './features/parts/routes.ts';
import { photosRoutes } from './features/photos/routes.ts';
import { probesRoutes } from './features/probes/routes.ts';
import { readingsRoutes } from './features/readings/routes.ts';
import { refitsRoutes } from './features/refits/routes.ts';
import { refrigerantsRoutes } from './features/refrigerants/routes.ts';
import { restoresRoutes } from './features/restores/routes.ts';
import { schoolsRoutes } from './features/schools/routes.ts';
import { sessionRoutes } from './features/session/routes.ts';
import { systemsRoutes } from './features/systems/routes.ts';
import { planningRoutes } from './features/planning/routes.ts';
import { reportsRoutes, serveReports } from './features/reports/routes.ts';
import { vansRoutes } from './features/vans/routes.ts';
import { weekRoutes } from './features/week/routes.ts';
import { visitsRoutes } from './features/visits/routes.ts';
import { watchRoutes } from './features/watch/routes.ts';
import { apiNotFound, errorHandler } from './http/error-handler.ts';
import {
  keptByNobody,
  limitClients,
  onlyHosts,
  ownOriginOnly,
  USUAL_LIMITS,
  type ClientLimits,
} from './http/front-door.ts';
import { openApi } from './http/openapi.ts';
import { mount, type AnyRoute } from './http/route.ts';
import { fixedPerson, identified, type Identify } from './identity/context.ts';
import { jobQueue, type JobQueue } from './jobs/queue.ts';
import { requestLog } from './log.ts';
import { servicesOn } from './services.ts';

export interface AppOptions {
  readonly db: Knex;
  readonly log: Logger;
  /** Where work off the request path is queued; by default a queue in the same database. */
  readonly jobs?: JobQueue;
  /** Folder of the built web app; left out when only the API is served. */
  readonly webDist?: string | undefined;
  readonly now?: () => Date;
  readonly identify?: Identify;
  /** How many seconds of house time the simulated probe kit lets pass in one; 1 is real time. */
  readonly probeSpeed?: number;
  /** How often the whole of a firm is counted anew at most while much changes, ms. */
  readonly countedEveryMs?: number;
  /** Names this server is reached by, besides the loopback's. */
  readonly hosts?: readonly string[];
  readonly limits?: ClientLimits;
}

/** For whom cannot unpack Brotli: a third quicker than the usual six, and a sixteenth longer. */
const GZIP_LEVEL = 4;

const security = helmet({
  // Served on loopback over plain HTTP: no upgrade to HTTPS. Charts and primitives set inline styles.
  contentSecurityPolicy: {
    directives: {
      'upgrade-insecure-requests': null,
      'style-src': ["'self'", "'unsafe-inline'"],
      'img-src': ["'self'", 'data:', 'blob:'],
    },
  },
  strictTransportSecurity: false,
});

function serveWeb(app: Express, dist: string): void {
  app.use(
    '/assets',
    // What the build packed is sent as it is; the rest as it stands.
    expressStaticGzip(join(dist, 'assets'), {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      index: false,
      serveStatic: { immutable: true, maxAge: '1y' },
    }),
  );
  app.use(
    express.static(dist, { index: false, setHeaders: (response) => response.setHeader('cache-control', 'no-cache') }),
  );
  // A file that is gone is not there: an old tab after an update must hear that, and not get a page for a script.
  app.use('/assets', apiNotFound);
  app.get('/{*path}', (_request, response) => {
    response.sendFile(join(dist, 'index.html'), { headers: { 'cache-control': 'no-cache' } });
  });
}

/** Wires the features into one Express app. */
export function createApp({
  db,
  log,
  jobs = jobQueue(db),
  webDist,
  now = () => new Date(),
  identify = fixedPerson(db),
  probeSpeed = 1,
  countedEveryMs = 0,
  hosts = [],
  limits = USUAL_LIMITS,
}: AppOptions): Express {
  const services = servicesOn({ db, now, log, jobs, probeSpeed, countedEveryMs });
  const routes: AnyRoute[] = [
    sessionRoutes,
    systemsRoutes,
    partsRoutes,
    visitsRoutes,
    readingsRoutes,
    looseEndsRoutes,
    followUpsRoutes,
    photosRoutes,
    refrigerantsRoutes,
    probesRoutes,
    watchRoutes,
    eventsRoutes,
    refitsRoutes,
    schoolsRoutes,
    metersRoutes,
    jobsRoutes,
    exchangeRoutes,
    restoresRoutes,
    importsRoutes,
    feedRoutes,
    calendarRoutes,
    vansRoutes,
    planningRoutes,
    weekRoutes,
    reportsRoutes,
  ].flatMap((feature) => feature(services) as AnyRoute[]);
  const api = Router();
  mount(api, routes);

  const app = express();
  app.disable('x-powered-by');
  // What the API answers is kept by nobody: nothing to tell one answer from another by. Files have their own.
  app.disable('etag');
  app.use(
    security,
    requestLog(log),
    onlyHosts(hosts),
    limitClients(limits),
    ownOriginOnly,
    // Compressing would hold back the events of a stream until a block is full.
    compression({
      level: GZIP_LEVEL,
      filter: (q, r) => r.getHeader('content-type') !== 'text/event-stream' && compression.filter(q, r),
    }),
  );
  app.get('/healthz', async (_request, response) => {
    await db.raw('select 1');
    response.json({ ok: true });
  });
  // Made when it is first asked for: most starts never are.
  let description: ReturnType<typeof openApi> | undefined;
  app.get('/api/openapi.json', (_request, response) => {
    description ??= openApi(routes);
    response.json(description);
  });
  serveCalendar(app, services);
  serveReports(app, services);
  app.use('/api', keptByNobody, identified(identify));
  app.use(api);
  app.use('/api', apiNotFound);
  if (webDist) serveWeb(app, webDist);
  app.use(errorHandler(log));
  return app;
}
