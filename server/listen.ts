import express, { type Express } from 'express';
import http from 'node:http';
import https from 'node:https';
import fs from 'node:fs';
import type { Config } from './config.ts';
import { authority, serverCertificate } from './https/certificates.ts';
import { connectPage } from './https/connect-page.ts';
import { certificateNames, networkAddresses } from './https/own-addresses.ts';

/** Where a server is reached, and where a phone learns how to. */
export interface Reach {
  secure: boolean;
  /** As another device has to type it. */
  address: string;
  /** The page that explains how a phone takes the authority over; null where there is nothing to take. */
  help: string | null;
  /** Another device can come here at all. */
  open: boolean;
}

const LOCAL = new Set(['127.0.0.1', 'localhost', '::1']);

/** How this server is reached by others. */
export function reachOf(config: Config): Reach {
  const open = !LOCAL.has(config.host);
  const wide = config.host === '0.0.0.0' || config.host === '::';
  const name = config.hosts[0] ?? (wide ? (networkAddresses()[0] ?? '127.0.0.1') : config.host);
  const secure = config.https || config.certificate !== null;
  return {
    secure,
    address: `${secure ? 'https' : 'http'}://${name}:${config.port}/`,
    help: config.https ? `http://${name}:${config.helpPort}/` : null,
    open,
  };
}

/** The page that a phone opens first, on plain http: nothing else is served there. */
async function listenForPhones(config: Config): Promise<http.Server> {
  const ca = await authority(config.dataDir);
  const app = express();
  app.disable('x-powered-by');
  app.get('/', (_req, res) => {
    res.type('html').send(connectPage(reachOf(config).address));
  });
  app.get('/authority.crt', (_req, res) => {
    res.type('application/x-x509-ca-cert').attachment('jactum-site.crt').send(ca.cert);
  });
  return http.createServer(app).listen(config.helpPort, config.host);
}

/**
 * A connection stays open so long between requests, ms: longer than browsers and proxies keep it, so
 * that none sends one into a connection that is just being shut.
 */
const KEEP_ALIVE_MS = 75_000;

/** Listens as the settings say: plain, by the site's own authority, or by a certificate that is given. */
export async function listen(app: Express, config: Config): Promise<http.Server[]> {
  const servers = await serversOf(app, config);
  for (const server of servers) server.keepAliveTimeout = KEEP_ALIVE_MS;
  return servers;
}

async function serversOf(app: Express, config: Config): Promise<http.Server[]> {
  if (config.certificate) {
    const [cert, key] = [config.certificate.cert, config.certificate.key].map((f) =>
      fs.readFileSync(f, 'utf8'),
    );
    return [https.createServer({ cert, key }, app).listen(config.port, config.host)];
  }
  if (!config.https) return [http.createServer(app).listen(config.port, config.host)];
  const own = await serverCertificate(config.dataDir, certificateNames(config.hosts));
  const phones = await listenForPhones(config);
  return [https.createServer(own, app).listen(config.port, config.host), phones];
}
