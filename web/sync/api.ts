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
/** No answer at all: no signal, or the server is away. */
export class NoSignal extends Error {
  constructor() {
    super('No signal. What you enter is kept here and sent when there is.');
  }
}

async function call<Out>(path: string, init?: RequestInit): Promise<Out> {
  let res: Response;
  try {
    res = await fetch(path, { credentials: 'same-origin', ...init });
  } catch {
    throw new NoSignal();
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
export const getJson = <Out>(path: string): Promise<Out> => call<Out>(path);
/** Browsers let no more than 64 kB outlive their page, all requests together; a part of it leaves room, characters. */
const MOST_KEPT_ALIVE = 10_000;

export const sendJson = <Out>(
  method: 'POST' | 'PUT' | 'DELETE',
  path: string,
  body?: unknown,
): Promise<Out> => {
  if (changesThePast(path)) return Promise.reject(new Error(AS_IT_WAS));
  const text = body === undefined ? undefined : JSON.stringify(body);
  return call<Out>(path, {
    method,
    headers: { 'Content-Type': 'application/json' },
    // Who leaves the page a moment after a press does not take it back: what is on its way arrives.
    keepalive: (text?.length ?? 0) < MOST_KEPT_ALIVE,
    ...(text === undefined ? {} : { body: text }),
  });
};
