import compression from 'compression';
import express, { type Express, type Router } from 'express';
import helmet from 'helmet';
import { pinoHttp } from 'pino-http';
import { apiRouter } from './api-router.ts';
import type { AppDeps } from './deps.ts';
import { serveDocs } from './docs-page.ts';
import { servePage } from './page.ts';
import { ownHost } from './session/own-host.ts';
import { plainBody } from './plain-body.ts';
import { problemHandler, unknownRoute } from './problems.ts';
import { beginRoutes } from './routes/begin-routes.ts';
import { clockRoutes } from './routes/clock-routes.ts';
import { connectRoutes } from './routes/connect-routes.ts';
import { standInRoutes } from './routes/stand-in-routes.ts';
import { exchangeRoutes } from './routes/exchange-routes.ts';
import { firstAccountRoutes } from './routes/first-account-routes.ts';
import { logRoutes } from './routes/log-routes.ts';
import { sessionRoutes } from './routes/session-routes.ts';
import { peopleRoutes } from './routes/people-routes.ts';
import { orderRoutes } from './routes/order-routes.ts';
import { planningRoutes } from './routes/planning-routes.ts';
import { photoRoutes } from './routes/photo-routes.ts';
import { reportRoutes } from './routes/report-routes.ts';
import { turnstile } from './session/turnstile.ts';
import { signRoutes } from './routes/sign-routes.ts';
import { streamRoutes } from './routes/stream-routes.ts';
import { listRoutes } from './routes/list-routes.ts';
import { siteRoutes } from './routes/site-routes.ts';
import { underlayRoutes } from './routes/underlay-routes.ts';

function apiOf(deps: AppDeps): Router {
  const api = apiRouter();
  // Photos are bytes, not JSON: their address comes before the parser.
  api.use(photoRoutes(deps), underlayRoutes(deps));
  api.use(express.json({ limit: '5mb' }), plainBody);
  api.get('/health', (_req, res) => {
    res.json({ status: 'ok', version: deps.config.version });
  });
  api.use(
    sessionRoutes(deps),
    firstAccountRoutes(deps),
    peopleRoutes(deps),
    connectRoutes(deps),
    siteRoutes(deps),
    listRoutes(deps),
    beginRoutes(deps),
    planningRoutes(deps),
    orderRoutes(deps),
    exchangeRoutes(deps),
    standInRoutes(deps),
    logRoutes(deps),
    signRoutes(deps),
    streamRoutes(deps),
    reportRoutes(deps),
    clockRoutes(deps),
    unknownRoute,
  );
  return api;
}

/** The whole application over its stores; starts nothing by itself. */
export function createApp(deps: AppDeps): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', deps.config.trustProxy);
  app.use(turnstile());
  app.use(
    pinoHttp({ logger: deps.logger, redact: ['req.headers.cookie', 'res.headers["set-cookie"]'] }),
  );
  // Plain http on a site network: no forced upgrade, no HSTS.
  app.use(
    helmet({
      strictTransportSecurity: false,
      contentSecurityPolicy: {
        directives: {
          upgradeInsecureRequests: null,
          imgSrc: ["'self'", 'data:', 'blob:'],
          styleSrc: ["'self'", "'unsafe-inline'"],
        },
      },
    }),
  );
  app.use(ownHost(deps.config.host, deps.config.hosts));
  app.use(
    compression({
      filter: (req, res) => !req.path.endsWith('/stream') && compression.filter(req, res),
    }),
  );
  app.use(
    '/api',
    (_req, res, next) => {
      res.set('Cache-Control', 'no-store');
      next();
    },
    apiOf(deps),
  );
  serveDocs(app);
  servePage(app, deps.config.webDir);
  app.use(problemHandler);
  return app;
}
