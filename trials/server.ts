import { spawn, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';

export const sleep = (ms: number): Promise<void> => new Promise((go) => setTimeout(go, ms));

async function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = net.createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as net.AddressInfo;
      probe.close(() => {
        resolve(port);
      });
    });
  });
}

export type Role = 'foreman' | 'crew' | 'inspector' | 'viewer';
const PEOPLE: Record<Role, { name: string; pin: string }> = {
  foreman: { name: 'I. Brandvold', pin: '2468' },
  crew: { name: 'T. Oakes', pin: '1357' },
  inspector: { name: 'R. Halloran', pin: '8642' },
  viewer: { name: 'C. Dufresne', pin: '9753' },
};

/** The built server with the demo's data, in a folder of its own, on the loopback: what a trial works on. */
export class TrialServer {
  readonly dataDir = fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-trial-'));
  readonly port: number;
  #child: ChildProcess | null = null;
  constructor(port: number) {
    this.port = port;
  }

  static async made(): Promise<TrialServer> {
    const server = new TrialServer(await freePort());
    fs.writeFileSync(path.join(server.dataDir, '.jactum-demo'), '');
    await server.start(false);
    return server;
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }
  get pid(): number {
    return this.#child?.pid ?? 0;
  }

  async start(keep = true): Promise<void> {
    this.#child = spawn(
      process.execPath,
      ['dist/server/main.js', '--demo', ...(keep ? ['--keep'] : [])],
      {
        env: {
          ...process.env,
          PORT: String(this.port),
          DATA_DIR: this.dataDir,
          LOG_LEVEL: 'silent',
          SIGN_IN_LIMIT: '60000',
        },
        stdio: ['ignore', 'ignore', 'inherit'],
      },
    );
    // Whatever becomes of the trial, its server does not stay behind.
    process.once('exit', () => this.#child?.kill('SIGKILL'));
    for (let tries = 0; tries < 400; tries += 1) {
      try {
        if ((await fetch(`${this.url}/api/health`)).ok) return;
      } catch {
        /* not up yet */
      }
      await sleep(25);
    }
    throw new Error('the server did not start');
  }

  async stop(signal: NodeJS.Signals = 'SIGTERM'): Promise<void> {
    const child = this.#child;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise((r) => child.once('exit', r));
    child.kill(signal);
    await gone;
  }

  async end(): Promise<void> {
    await this.stop('SIGKILL');
    fs.rmSync(this.dataDir, { recursive: true, force: true });
  }

  /** Signs in; answers the cookie. */
  async signIn(role: Role): Promise<string> {
    const res = await fetch(`${this.url}/api/session`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(PEOPLE[role]),
    });
    if (!res.ok) throw new Error(`${role} cannot sign in: ${res.status}`);
    return (res.headers.get('set-cookie') ?? '').split(';')[0] ?? '';
  }

  call(cookie: string, method: string, route: string, body?: unknown): Promise<Response> {
    return fetch(`${this.url}${route}`, {
      method,
      headers: { cookie, ...(body === undefined ? {} : { 'Content-Type': 'application/json' }) },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  }

  async pourId(cookie: string, code: string): Promise<string> {
    const list = (await (await this.call(cookie, 'GET', '/api/pours')).json()) as {
      id: string;
      code: string;
    }[];
    return list.find((p) => p.code === code)?.id ?? '';
  }
}

/** A note that can be told from all others. */
export const noteOf = (id: string, text: string) => ({
  id,
  at: '2026-09-23T11:41:00.000Z',
  kind: 'note',
  body: { text },
});

/** Prints a figure with what it has to be, and remembers whether it is. */
export class Verdicts {
  #bad = 0;
  say(what: string, figure: string | number, ok = true): void {
    console.log(`${ok ? '  ' : '! '}${what}: ${figure}`);
    if (!ok) this.#bad += 1;
  }
  end(): void {
    console.log(this.#bad === 0 ? 'all as it has to be' : `${this.#bad} not as it has to be`);
    process.exitCode = this.#bad === 0 ? 0 : 1;
  }
}
