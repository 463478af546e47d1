import { limitWords } from '#core/kit';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { z } from 'zod';
import type { Problem } from '../contract/index.ts';
import { type InputIssue, issuesOf } from '#core/kit';

/** A client's fault: answered as application/problem+json with a message a foreman understands. */
export class ProblemError extends Error {
  readonly status: number;
  readonly title: string;
  readonly issues: InputIssue[] | undefined;
  readonly extra: Record<string, unknown>;
  constructor(
    status: number,
    title: string,
    detail: string,
    issues?: InputIssue[],
    extra: Record<string, unknown> = {},
  ) {
    super(detail);
    this.status = status;
    this.title = title;
    this.issues = issues;
    this.extra = extra;
  }
}

export const notFound = (what: string): ProblemError =>
  new ProblemError(404, 'Not found', `There is no ${what}.`);

/** As many faults are told of at once. */
const MOST_ISSUES = 200;

/** Parses with a contract schema, or answers 400 with the path of each bad field. */
export function parse<S extends z.ZodType>(schema: S, value: unknown, what: string): z.output<S> {
  const parsed = schema.safeParse(value, { error: limitWords('metric') });
  if (parsed.success) return parsed.data;
  throw notStored(what, issuesOf(parsed.error, value));
}

/** Nothing was stored, and why: the first fault in the sentence, all of them by their paths. */
export function notStored(what: string, issues: InputIssue[]): ProblemError {
  const [first] = issues;
  const more = issues.length > 1 ? `, and ${issues.length - 1} more` : '';
  const why = first
    ? `${first.path === '' ? 'it' : first.path} ${first.message}${more}`
    : 'it cannot be read';
  return new ProblemError(
    400,
    'Bad input',
    `${what} was not stored: ${why}.`,
    issues.slice(0, MOST_ISSUES),
  );
}

export const unknownRoute: RequestHandler = (req) => {
  throw notFound(`address ${req.method} ${req.path}`);
};

interface HttpLike {
  status?: number;
  type?: string;
  message?: string;
}

/** What is wrong with a request that could not be read at all. */
function unreadable(http: HttpLike): string {
  if (http.type === 'entity.parse.failed') return `The body is not JSON: ${http.message ?? ''}`;
  if (http.type === 'entity.too.large') return 'The body is larger than this address takes.';
  return 'The request cannot be read.';
}

/** How SQLite and the file system say that the disk is full. */
const FULL = new Set(['SQLITE_FULL', 'ENOSPC', 'EDQUOT']);

/** The last handler: problems as they are, body-parser's complaints as 4xx, anything else as a bare 500. */
export const problemHandler: ErrorRequestHandler = (error: unknown, req, res, next) => {
  if (res.headersSent) {
    next(error);
    return;
  }
  const send = (p: Problem, extra: Record<string, unknown> = {}) => {
    if (typeof extra.retryAfterS === 'number') res.set('Retry-After', String(extra.retryAfterS));
    res
      .status(p.status)
      .type('application/problem+json')
      .send(JSON.stringify({ ...p, ...extra }));
  };
  if (error instanceof ProblemError) {
    send(
      {
        type: 'about:blank',
        title: error.title,
        status: error.status,
        detail: error.message,
        ...(error.issues ? { issues: error.issues } : {}),
      },
      error.extra,
    );
    return;
  }
  const http = (typeof error === 'object' && error !== null ? error : {}) as HttpLike;
  if (http.status !== undefined && http.status >= 400 && http.status < 500) {
    const detail = unreadable(http);
    send({
      type: 'about:blank',
      title: 'Bad input',
      status: http.status,
      detail,
      issues: [{ path: '', message: detail }],
    });
    return;
  }
  if (FULL.has((error as NodeJS.ErrnoException | null)?.code ?? '')) {
    req.log.error(error);
    send({
      type: 'about:blank',
      title: 'No room',
      status: 507,
      detail:
        'The disk of the server is full: nothing was stored, and what was before is there. It goes on when there is room.',
    });
    return;
  }
  req.log.error(error);
  send({
    type: 'about:blank',
    title: 'Something broke',
    status: 500,
    detail: 'The server could not finish this. Nothing was stored; try again.',
  });
};
