import type { RequestHandler } from 'express';
import { ProblemError } from './problems.ts';

/** No body that means anything is nested so deep. */
const DEEPEST = 40;
/** No body that means anything holds so many values: the largest site has a tenth of them. */
const MOST_VALUES = 400_000;
/**
 * Characters that nobody writes; line breaks and tabs belong into longer texts, and names refuse
 * them by their schemas.
 */
// oxlint-disable-next-line no-control-regex -- they are what is looked for
const UNWRITTEN = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/;

/** Where a body is nested too deep, holds too much or characters that are not written; null when nowhere. */
function faultIn(
  value: unknown,
  path: string,
  depth: number,
  count: { left: number },
): { path: string; message: string } | null {
  count.left -= 1;
  if (count.left < 0) return { path: '', message: `holds more than ${MOST_VALUES} values` };
  if (typeof value === 'string')
    return UNWRITTEN.test(value)
      ? { path, message: 'holds a character that is not written' }
      : null;
  if (typeof value !== 'object' || value === null) return null;
  if (depth > DEEPEST) return { path, message: `is nested more than ${DEEPEST} deep` };
  for (const [key, inner] of Object.entries(value)) {
    const at = path ? `${path}.${key}` : key;
    const fault = UNWRITTEN.test(key)
      ? { path, message: 'has a field whose name is not written' }
      : faultIn(inner, at, depth + 1, count);
    if (fault) return fault;
  }
  return null;
}

/** Refuses bodies that no schema has to look at. */
export const plainBody: RequestHandler = (req, _res, next) => {
  const fault = faultIn(req.body, '', 0, { left: MOST_VALUES });
  if (fault)
    throw new ProblemError(
      400,
      'Bad input',
      `Nothing was stored: ${fault.path || 'the body'} ${fault.message}.`,
      [fault],
    );
  next();
};
