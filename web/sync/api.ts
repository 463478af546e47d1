import type { Problem } from '../../contract/index.ts';
import { AS_IT_WAS, changesThePast } from './past.ts';

/** An answer the server gave that is not a yes: its problem document. */
export class ApiProblem extends Error {
  readonly problem: Problem;
  constructor(problem: Problem) {
    super(problem.detail);
    this.problem = problem;
  }
}

/** Answers after which the same thing may be taken another time. */
const NOT_YET = [401, 408, 429];
/** Whether the server will not take this, now or later. */
export const isRefusal = (e: unknown): e is ApiProblem =>
  e instanceof ApiProblem &&
  e.problem.status >= 400 &&
  e.problem.status < 500 &&
  !NOT_YET.includes(e.problem.status);
/**
 * No answer at all: no signal, or the server is away. Entries of the log are kept by their own store
 * and never end here; everything else says that it was not done.
 */
export class NoSignal extends Error {
  constructor(message = 'No signal: it was not done. Do it again when there is.') {
    super(message);
  }
}
/** Nothing came back in time: what was sent may have arrived all the same. */
export class NoAnswer extends NoSignal {
  constructor() {
    super('No answer: whether it was done is not known. Look when there is signal.');
  }
}

/** A network that swallows what is sent is none: so long an answer is waited for, ms. */
const READ_LIMIT_MS = 15_000;
const WRITE_LIMIT_MS = 20_000;
/** And a ms more for so many characters: 10 kB a second is a poor signal, and one. */
const CHARACTERS_A_MS = 10;

/** What fails at once was never sent; what was under way for longer may have arrived before it broke off, ms. */
const AT_ONCE_MS = 150;

async function call<Out>(path: string, limitMs: number, init?: RequestInit): Promise<Out> {
  let res: Response;
  const signal = AbortSignal.timeout(limitMs);
  const fromMs = performance.now();
  try {
    res = await fetch(path, { credentials: 'same-origin', signal, ...init });
  } catch {
    const underWay = navigator.onLine && performance.now() - fromMs > AT_ONCE_MS;
    throw init && (signal.aborted || underWay) ? new NoAnswer() : new NoSignal();
  }
  if (res.status === 204) return undefined as Out;
  if (res.ok) return (await res.json()) as Out;
  const text = await res.text();
  let problem: Problem = {
    type: 'about:blank',
    title: 'Something broke',
    status: res.status,
    detail: `The server answered ${res.status}.`,
  };
  try {
    problem = JSON.parse(text) as Problem;
  } catch {
    /* a proxy's page, not ours: keep the plain words */
  }
  throw new ApiProblem(problem);
}

/** Reads from the server; without signal the service worker answers with what was last read there (vite.config.ts). */
export const getJson = <Out>(path: string): Promise<Out> => call<Out>(path, READ_LIMIT_MS);
/** Browsers let no more than 64 kB outlive their page, all requests together; a part of it leaves room, characters. */
const MOST_KEPT_ALIVE = 10_000;

export const sendJson = <Out>(
  method: 'POST' | 'PUT' | 'DELETE',
  path: string,
  body?: unknown,
): Promise<Out> => {
  if (changesThePast(path)) return Promise.reject(new Error(AS_IT_WAS));
  const text = body === undefined ? undefined : JSON.stringify(body);
  return call<Out>(path, WRITE_LIMIT_MS + Math.ceil((text?.length ?? 0) / CHARACTERS_A_MS), {
    method,
    headers: { 'Content-Type': 'application/json' },
    // Who leaves the page a moment after a press does not take it back: what is on its way arrives.
    keepalive: (text?.length ?? 0) < MOST_KEPT_ALIVE,
    ...(text === undefined ? {} : { body: text }),
  });
};
