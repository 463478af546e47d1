import fs from 'node:fs';
import path from 'node:path';
import { Piscina } from 'piscina';
import { ProblemError } from '../problems.ts';
import type { HeavyWork, Job, Outcome } from './heavy-worker.ts';

/** The worker stands beside this file in the sources and in workers/ of the built server. */
const FILES = [
  path.join(import.meta.dirname, 'workers/heavy-worker.js'),
  path.join(import.meta.dirname, 'from-sources.mjs'),
];
const THREADS = 2;
/** So many wait their turn; more are asked to come again. */
const MOST_WAITING = 24;
const MOST_MEMORY_MB = 512;
const RETRY_S = 10;
/** A thread that has nothing to do stays warm so long: the next report does not load everything anew, ms. */
const IDLE_MS = 120_000;

const busy = (): ProblemError =>
  new ProblemError(
    503,
    'Busy',
    'Too much is being worked out at once. Ask again in a few seconds.',
    undefined,
    { retryAfterS: RETRY_S },
  );
const tooLong = (): ProblemError =>
  new ProblemError(503, 'Too long', 'That takes longer than the server allows. Ask for less.');

/** What takes long runs beside the server's own thread: with a limit of time and memory each, and a queue that ends. */
export class HeavyPool {
  readonly #pool: Piscina;
  readonly #of: { dataDir: string; demo: boolean };
  #running = 0;
  /** @param of the store that the threads read */
  constructor(of: { dataDir: string; demo: boolean }) {
    this.#of = of;
    const filename = FILES.find((f) => fs.existsSync(f));
    if (!filename) throw new Error('the worker is not built');
    this.#pool = new Piscina({
      filename,
      minThreads: 0,
      maxThreads: THREADS,
      maxQueue: MOST_WAITING,
      idleTimeout: IDLE_MS,
      resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
    });
  }

  /**
   * Runs a piece of work in a thread. What is not done in time is stopped, and its thread with it.
   * @param nowMs the moment that it is worked out for, epoch ms
   * @throws ProblemError 503 when too much waits, or it takes too long
   */
  async run<K extends keyof HeavyWork>(
    name: K,
    asked: Parameters<HeavyWork[K]>[1],
    limitMs: number,
    nowMs = 0,
  ): Promise<Awaited<ReturnType<HeavyWork[K]>>> {
    if (this.#pool.queueSize >= MOST_WAITING) throw busy();
    const job: Job = { name, asked, where: { ...this.#of, nowMs } };
    const outcome = await this.#inThread(job, AbortSignal.timeout(limitMs));
    if ('done' in outcome) return outcome.done as Awaited<ReturnType<HeavyWork[K]>>;
    const { status, title, message, issues, extra } = outcome.problem;
    throw new ProblemError(status, title, message, issues, extra);
  }

  async #inThread(job: Job, signal: AbortSignal): Promise<Outcome> {
    this.#running += 1;
    try {
      return (await this.#pool.run(job, { name: 'work', signal })) as Outcome;
    } catch (e) {
      if (signal.aborted) throw tooLong();
      if ((e as NodeJS.ErrnoException).code === 'ERR_WORKER_OUT_OF_MEMORY') throw tooLong();
      if (e instanceof Error && /queue is at limit/i.test(e.message)) throw busy();
      throw e;
    } finally {
      this.#running -= 1;
    }
  }

  /** Something is being worked out. */
  get busy(): boolean {
    return this.#running > 0;
  }

  async close(): Promise<void> {
    await this.#pool.close();
  }
}
