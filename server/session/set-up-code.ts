import type { Request } from 'express';
import { randomInt, timingSafeEqual } from 'node:crypto';

/** The code that the console prints while there is no account yet. */
export const newSetUpCode = (): string => String(randomInt(0, 100_000_000)).padStart(8, '0');

const LOOPBACK = new Set(['127.0.0.1', '::1', '::ffff:127.0.0.1']);

/** Whether the request is made on this machine itself, and not handed on by something in front of it. */
export const fromThisMachine = (req: Request): boolean =>
  LOOPBACK.has(req.socket.remoteAddress ?? '') &&
  req.headers['x-forwarded-for'] === undefined &&
  req.headers.forwarded === undefined;

export function isSetUpCode(given: string, code: string): boolean {
  const [a, b] = [Buffer.from(given.replace(/\D/g, '')), Buffer.from(code)];
  return a.length === b.length && timingSafeEqual(a, b);
}
