import fs from 'node:fs';
import net from 'node:net';
import { sleep } from './server.ts';

/** Debian's Chromium, as the end-to-end tests have it. */
export function browserPath(): { executablePath?: string } {
  const found = [
    process.env.CHROMIUM_PATH,
    '/usr/bin/chromium-headless-shell',
    '/usr/bin/chromium',
  ].find((p) => p !== undefined && fs.existsSync(p));
  return found === undefined ? {} : { executablePath: found };
}

/** What a network does with what is sent: takes it, breaks it off, or swallows it. */
export type Mode = 'open' | 'cut' | 'swallow';

/** How a network is when it is there. */
export interface Pace {
  /** Bytes a second, down. */
  bytesPerS: number;
  /** How long the first byte of a connection takes, ms. */
  latencyMs: number;
}

const SLICE_MS = 20;

/** A network between a page and its server, on the loopback: it can be slow, cut, or swallow what is sent. */
export class Network {
  mode: Mode = 'open';
  readonly #sockets = new Set<net.Socket>();
  readonly #server: net.Server;
  #port = 0;

  constructor(target: number, pace: Pace) {
    this.#server = net.createServer((near) => {
      this.#sockets.add(near);
      near.on('error', () => near.destroy());
      near.on('close', () => this.#sockets.delete(near));
      if (this.mode === 'cut') near.destroy();
      if (this.mode === 'open') void this.#through(near, target, pace);
    });
  }

  async listen(): Promise<void> {
    await new Promise<void>((go) => this.#server.listen(0, '127.0.0.1', go));
    this.#port = (this.#server.address() as net.AddressInfo).port;
  }

  get url(): string {
    return `http://127.0.0.1:${this.#port}`;
  }

  /** From now on it is like that; what was under way is cut, or never goes on. */
  become(mode: Mode): void {
    this.mode = mode;
    if (mode === 'cut') for (const s of this.#sockets) s.destroy();
    // Connections that swallowed something never carry anything again.
    if (mode === 'open') for (const s of this.#sockets) s.destroy();
  }

  async #through(near: net.Socket, target: number, { bytesPerS, latencyMs }: Pace): Promise<void> {
    await sleep(latencyMs);
    const far = net.connect(target, '127.0.0.1');
    far.on('error', () => near.destroy());
    near.on('data', (d) => {
      if (this.mode === 'open') far.write(d);
    });
    near.on('close', () => far.destroy());
    far.on('close', () => {
      if (this.mode !== 'swallow') near.end();
    });
    const slice = Math.max(1, Math.floor((bytesPerS * SLICE_MS) / 1000));
    try {
      for await (const chunk of far as AsyncIterable<Buffer>)
        for (let i = 0; i < chunk.length && this.mode === 'open'; i += slice) {
          near.write(chunk.subarray(i, i + slice));
          if (chunk.length > slice) await sleep(SLICE_MS);
        }
    } catch {
      // Whoever asked has gone away, or the network was cut.
    }
  }

  close(): void {
    for (const s of this.#sockets) s.destroy();
    this.#server.close();
  }
}
