import { z } from 'zod';
import { wholeOrNone } from '#core/kit';
import type { Role } from '#core/model';
import type { UnitSystem } from '#core/units';

/** What an entry is read out with: the site's units, and how a calculation is called. */
export interface Words {
  units: UnitSystem;
  calculationTitle: (id: string) => string;
}

/** Who may take an entry back: its author (and the foreman), an inspector where one signed, or nobody at all. */
type TakenBackBy = 'author' | 'signer' | 'nobody';

/**
 * A kind of entry of the log, whole: what it holds, who may write it and take it back, whether the
 * report's day carries it, and how it reads. Bodies hold what was seen, never a verdict the core
 * can compute.
 */
export interface EntryKind<B extends z.ZodType = z.ZodType> {
  /** What it holds, with its limits; every form that writes it is made from this. */
  body: B;
  /** Who may write it beside the foreman, who may write every kind. */
  writers: readonly Exclude<Role, 'foreman' | 'viewer'>[];
  /** Who may take it back; its author and the foreman unless it says otherwise. */
  takenBackBy: TakenBackBy;
  /** It may be written after the pour is closed. */
  afterClosing: boolean;
  /** How the report's list of the day calls it; null where the report tells it elsewhere. */
  inReport: string | null;
  /** The entry in the trade's words, for screen and report alike. */
  text: (body: z.output<B>, words: Words) => string;
}

const PLAIN = {
  writers: [],
  takenBackBy: 'author',
  afterClosing: false,
  inReport: null,
} as const;

/** Makes a kind: without a word about it the foreman alone writes it, and the report does not carry it. */
export const entryKind = <B extends z.ZodType>(
  kind: Pick<EntryKind<B>, 'body' | 'text'> & Partial<EntryKind<B>>,
): EntryKind<B> => ({ ...PLAIN, ...kind });

/** Words somebody typed. */
export const text = (most = 500) =>
  z.string().trim().min(1, 'is empty').max(most, `is longer than ${most} characters`);
/** What something in the plan or the log is called by. */
export const id = () => z.string().min(1, 'is empty').max(120, 'is too long');
/** Which place of a check, from 0. */
export const placeIndex = () => wholeOrNone().lte(500);
/** What a check or a task belongs to, and which of its it is; what it belongs to may be called anything. */
export function partsOfId(id: string): { owner: string; name: string } {
  const end = id.lastIndexOf('/');
  return { owner: id.slice(0, Math.max(0, end)), name: id.slice(end + 1) };
}
/** A check's id as it is spoken: "E1 cover inside". */
export function checkName(checkId: string): string {
  const { owner, name } = partsOfId(checkId);
  return `${owner} ${name.replaceAll('-', ' ')}`.trim();
}
/** A ratio from 0 to 1 as it is spoken. */
export const ofHundred = (ratio: number): string => `${Math.round(ratio * 100)} of 100`;
/** What follows a colon, or nothing. */
export const after = (lead: string, said: string | undefined): string =>
  said ? `${lead}${said}` : '';
