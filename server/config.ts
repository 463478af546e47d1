import path from 'node:path';

/**
 * How this process was started. Environment: PORT, HOST, HOSTS (names it is asked by, besides its
 * own), DATA_DIR, LOG_LEVEL, SIGN_IN_LIMIT (tries a minute), BACKUPS (daily ones kept; 0 for none),
 * HTTPS_CERT and HTTPS_KEY (files of a certificate of your own), HELP_PORT, TRUST_PROXY (how many
 * proxies stand in front, 1 behind one).
 */
export interface Config {
  port: number;
  host: string;
  /** Further names by which it may be asked: a proxy's, a name in the site's network. */
  hosts: string[];
  dataDir: string;
  demo: boolean;
  keep: boolean;
  logLevel: string;
  /** Serves by https, with certificates of the site's own authority. */
  https: boolean;
  /** Files of a certificate that is given, instead of the site's own. */
  certificate: { cert: string; key: string } | null;
  /** Where the page for new phones stands, on plain http. */
  helpPort: number;
  /** So many proxies in front say who asks, and whether by https: what came before them is hearsay. */
  trustProxy: number;
  signInLimit: number;
  /** Daily backups that are kept; 0 for none. */
  backups: number;
  webDir: string;
  version: string;
}

export function readConfig(
  args: string[],
  env: Record<string, string | undefined> = process.env,
): Config {
  const demo = args.includes('--demo');
  const number = (name: string, fallback: number): number => {
    const text = env[name];
    if (text === undefined || text === '') return fallback;
    const n = Number(text);
    if (!Number.isInteger(n) || n < 0 || n > 65535)
      throw new Error(`${name} must be a whole number; it is “${text}”`);
    return n;
  };
  return {
    port: number('PORT', 4180),
    host: env.HOST ?? '127.0.0.1',
    hosts: (env.HOSTS ?? '').split(/[\s,]+/).filter(Boolean),
    dataDir: path.resolve(env.DATA_DIR ?? (demo ? 'data/demo' : 'data/own')),
    demo,
    keep: args.includes('--keep'),
    logLevel: env.LOG_LEVEL ?? (demo ? 'warn' : 'info'),
    https: args.includes('--https'),
    certificate:
      env.HTTPS_CERT && env.HTTPS_KEY ? { cert: env.HTTPS_CERT, key: env.HTTPS_KEY } : null,
    helpPort: number('HELP_PORT', number('PORT', 4180) + 1),
    trustProxy: number('TRUST_PROXY', 0),
    signInLimit: number('SIGN_IN_LIMIT', 20),
    backups: number('BACKUPS', 14),
    webDir: path.resolve('dist/web'),
    version: '0.1.0',
  };
}
