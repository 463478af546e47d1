import type { RequestHandler } from 'express';
import type { IncomingHttpHeaders } from 'node:http';
import os from 'node:os';
import { ProblemError } from '../problems.ts';

/**
 * Names and addresses by which this machine is asked: another name in `Host` is a page elsewhere
 * that has been pointed here.
 */
function ownNames(host: string, hosts: readonly string[]): Set<string> {
  const addresses = Object.values(os.networkInterfaces()).flatMap((list) =>
    (list ?? []).map((a) => a.address),
  );
  const machine = os.hostname().toLowerCase();
  return new Set([
    'localhost',
    '127.0.0.1',
    '::1',
    machine,
    `${machine}.local`,
    host.toLowerCase(),
    ...addresses,
    ...hosts.map((h) => h.toLowerCase()),
  ]);
}

const bareHost = (host: string): string =>
  host
    .replace(/:\d+$/, '')
    .replace(/^\[|\]$/g, '')
    .toLowerCase();

/** Refuses requests by names that are not this machine's, and changes that are asked for by other pages. */
export function ownHost(host: string, hosts: readonly string[]): RequestHandler {
  let names = ownNames(host, hosts);
  return (req, _res, next) => {
    const asked = bareHost(req.headers.host ?? '');
    // An address may be new since the start: a phone's hotspot, another network.
    if (!names.has(asked)) names = ownNames(host, hosts);
    if (!names.has(asked))
      throw new ProblemError(
        421,
        'Not here',
        `This is not ${asked || 'that address'}. If it is to be, name it in HOSTS when starting.`,
      );
    if (req.method !== 'GET' && req.method !== 'HEAD' && fromElsewhere(req.headers))
      throw new ProblemError(
        403,
        'Not yours to do',
        'Changes are taken from Jactum’s own page only.',
      );
    next();
  };
}

/** An address with its port, as browsers write it: the usual port of a scheme is left out. */
const hostAndPort = (host: string): string => host.toLowerCase().replace(/:(?:80|443)$/, '');

/** Whether a page of another address asks: another port is another page. */
function fromElsewhere(headers: IncomingHttpHeaders): boolean {
  const site = headers['sec-fetch-site'];
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return true;
  const { origin } = headers;
  if (typeof origin !== 'string') return false;
  return (
    !URL.canParse(origin) || hostAndPort(new URL(origin).host) !== hostAndPort(headers.host ?? '')
  );
}
