import type { PourDoc } from '#core/model';

/** What of its log a change of a pour hangs on. */
export interface Logged {
  /** Placing has begun, and nobody took that back. */
  started: boolean;
  /** It is closed, and was not opened again. */
  closed: boolean;
}

/** Why a pour cannot be changed so, and at which field. */
export interface PourRefusal {
  path: string;
  message: string;
  detail: string;
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Fields that stay as they are from the first concrete on, with what each is called. */
const FIXED = [
  ['code', 'code'],
  ['date', 'date'],
  ['mix', 'mix'],
  ['elements', 'runs, pads and piers'],
  ['holds', 'hold points'],
  ['cancelled', 'standing'],
] as const;

/**
 * Why a pour may not become another; null when it may. What is archived is brought back before
 * anything else of it is changed; what is closed is opened again first; what is being poured keeps
 * its code, date, mix, runs and hold points, and is not called off any more.
 */
export function pourChangeRefusal(was: PourDoc, next: PourDoc, logged: Logged): PourRefusal | null {
  const { archived: _was, ...before } = was;
  const { archived: _is, ...after } = next;
  if (was.archived && !same(before, after))
    return {
      path: 'pour.archived',
      message: 'has to be brought back first',
      detail: `${was.code} is archived: bring it back first`,
    };
  if (logged.closed && !same(before, after))
    return {
      path: 'pour',
      message: 'has to be opened again first',
      detail: `${was.code} is closed: open it again first, on Cure`,
    };
  if (!logged.started) return null;
  const fixed = FIXED.find(([field]) => !same(was[field], next[field]));
  return fixed
    ? {
        path: `pour.${fixed[0]}`,
        message: 'cannot change once concrete flows',
        detail: `${was.code} has been started: its ${fixed[1]} cannot change any more`,
      }
    : null;
}
