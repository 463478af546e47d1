import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import fs from 'node:fs';
import path from 'node:path';
import { pinoHttp } from 'pino-http';
import type { AppDeps } from './deps.ts';
import { problemHandler, unknownRoute } from './problems.ts';
import { exchangeRoutes } from './routes/exchange-routes.ts';
import { logRoutes } from './routes/log-routes.ts';
import { sessionRoutes } from './routes/session-routes.ts';
import { photoRoutes } from './routes/photo-routes.ts';
import { siteRoutes } from './routes/site-routes.ts';

/** The whole application over its stores; starts nothing by itself. */
export function createApp(deps: AppDeps): Express {
  const app = express();
  app.disable('x-powered-by');
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
  app.use(
    compression({
      filter: (req, res) => !req.path.endsWith('/stream') && compression.filter(req, res),
    }),
  );
  const api = express.Router();
  // Photos are bytes, not JSON: their address comes before the parser.
  api.use(photoRoutes(deps));
  api.use(express.json({ limit: '5mb' }));
  api.get('/health', (_req, res) => {
    res.json({ status: 'ok', version: deps.config.version });
  });
  api.use(
    sessionRoutes(deps),
    siteRoutes(deps),
    exchangeRoutes(deps),
    logRoutes(deps),
    unknownRoute,
  );
  app.use(
    '/api',
    (_req, res, next) => {
      res.set('Cache-Control', 'no-store');
      next();
    },
    api,
  );
  if (fs.existsSync(deps.config.webDir)) {
    app.use(
      express.static(deps.config.webDir, {
        index: false,
        setHeaders: (res, file) => {
          res.setHeader(
            'Cache-Control',
            /\/assets\//.test(file) ? 'public, max-age=31536000, immutable' : 'no-cache',
          );
        },
      }),
    );
    app.get('/{*rest}', (req, res) => {
      if (path.extname(req.path)) {
        res.status(404).type('text').send('Not found');
        return;
      }
      res.sendFile(path.join(deps.config.webDir, 'index.html'), {
        headers: { 'Cache-Control': 'no-cache' },
      });
    });
  }
  app.use(problemHandler);
  return app;
}
