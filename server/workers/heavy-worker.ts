import { attempt, type InputIssue } from '#core/kit';
import { calculationNamed } from '#core/register';
import { makeDayBackup } from '../backup/backup.ts';
import type { StoreCheck } from '../backup/verify.ts';
import { ProblemError } from '../problems.ts';
import { lanes, outline } from '../jobs/lanes.ts';
import { card, report } from '../jobs/papers.ts';
import { calendar, csv, dxf, figures, learned } from '../jobs/lists.ts';
import { type Reader, readerAt, type Where } from '../jobs/reader.ts';

/** Work that reads the store. */
const READING = {
  report,
  card,
  csv,
  dxf,
  calendar,
  learned,
  figures,
  lanes,
  outline,
};

/** Work that does not. */
const PLAIN = {
  /** The backup of a day into a file. */
  backup: ({ dataDir }: Where, file: string): Promise<StoreCheck> => makeDayBackup(dataDir, file),
  /** What is wrong with the input of a calculation that is to be kept; nothing when it can be worked out. */
  calculationIssues: (_where: Where, { id, input }: { id: string; input: unknown }) => {
    const calc = calculationNamed(id);
    const issues: InputIssue[] = calc ? (attempt(calc, input).bad?.issues ?? []) : [];
    return issues;
  },
};

/** What takes long, away from the server's own thread. */
export type HeavyWork = typeof READING & typeof PLAIN;

/** A piece of work, and the store it reads. */
export interface Job {
  name: keyof HeavyWork;
  asked: unknown;
  where: Where;
}
/** What came of it; a client's fault crosses the threads as plain data. */
export type Outcome = { done: unknown } | { problem: Omit<ProblemError, 'name' | 'stack'> };

export async function work({ name, asked, where }: Job): Promise<Outcome> {
  try {
    const reading = READING as Partial<Record<string, (of: Reader, asked: never) => unknown>>;
    const plain = PLAIN as Partial<Record<string, (of: Where, asked: never) => unknown>>;
    const done = await (reading[name]?.(readerAt(where), asked as never) ??
      plain[name]?.(where, asked as never));
    return { done };
  } catch (e) {
    if (!(e instanceof ProblemError)) throw e;
    const { status, title, message, issues, extra } = e;
    return { problem: { status, title, message, issues, extra } };
  }
}
