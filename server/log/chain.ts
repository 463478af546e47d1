import { createHash } from 'node:crypto';
import { configure } from 'safe-stable-stringify';

/** A row of the log as it is hashed and exported: everything but the hash itself, and then the hash. */
export interface ChainRow {
  id: string;
  pourId: string;
  seq: number;
  at: string;
  recordedAt: string;
  actor: string;
  device: string;
  /** Only with an entry that was written later than it happened. */
  writtenAt?: string | null;
  /** Only with an entry that says on which plan it was made. */
  planHash?: string | null;
  kind: string;
  body: unknown;
  supersedes: string | null;
  prevHash: string;
  hash: string;
}

/** What stands before the first row of every log. */
export const CHAIN_START = '0'.repeat(64);

const stable = configure({ deterministic: true, bigint: false, circularValue: Error });
/** JSON with its keys sorted, so that the same row is the same text everywhere. */
export const canonicalJson = (value: unknown): string => stable(value) ?? 'null';

/** SHA-256 over the canonical JSON of the row (without its hash, with the hash before it). */
export function hashOf(row: Omit<ChainRow, 'hash'>): string {
  const { id, pourId, seq, at, recordedAt, actor, device, kind, body, supersedes, prevHash } = row;
  const { writtenAt, planHash } = row;
  return createHash('sha256')
    .update(
      canonicalJson({
        id,
        pourId,
        seq,
        at,
        recordedAt,
        actor,
        device,
        kind,
        body,
        supersedes,
        prevHash,
        ...(writtenAt ? { writtenAt } : {}),
        ...(planHash ? { planHash } : {}),
      }),
    )
    .digest('hex');
}

export type Verified =
  { ok: true; rows: number; lastHash: string } | { ok: false; line: number; message: string };

/** Walks an exported log line by line; names the first line that does not fit. */
export function verifyLines(lines: string[]): Verified {
  let prevHash = CHAIN_START;
  let seq = 0;
  for (const [i, text] of lines.entries()) {
    const line = i + 1;
    let row: ChainRow;
    try {
      row = JSON.parse(text) as ChainRow;
    } catch {
      return { ok: false, line, message: 'is not JSON' };
    }
    if (typeof row !== 'object' || row === null)
      return { ok: false, line, message: 'is not a log entry' };
    if (row.seq !== seq + 1)
      return {
        ok: false,
        line,
        message: `has number ${String(row.seq)} where ${seq + 1} should stand: an entry is missing or moved`,
      };
    if (row.prevHash !== prevHash)
      return { ok: false, line, message: 'does not follow the entry before it' };
    if (hashOf(row) !== row.hash)
      return {
        ok: false,
        line,
        message: `was changed after it was written (${row.kind}, ${row.at})`,
      };
    prevHash = row.hash;
    seq = row.seq;
  }
  return { ok: true, rows: seq, lastHash: prevHash };
}

/** The last line of an exported log: without it a log that was cut short would verify like a whole one. */
interface ClosingLine {
  end: 'jactum.log/1';
  /** Entries in the file, and in the server's log when it was written. */
  entries: number;
  serverEntries: number;
  lastHash: string;
}

/** A plan that entries of the log were made on, by its hash. */
interface PlanLine {
  plan: string;
  doc: unknown;
}

/** An exported log: a line an entry, a line for each plan they were made on, and the line that closes it. */
export function exportLines(
  rows: readonly ChainRow[],
  serverEntries: number,
  plans: readonly (readonly [hash: string, doc: unknown])[] = [],
): string[] {
  const closing: ClosingLine = {
    end: 'jactum.log/1',
    entries: rows.length,
    serverEntries,
    lastHash: rows.at(-1)?.hash ?? CHAIN_START,
  };
  return [
    ...rows.map((r) => JSON.stringify(r)),
    ...plans.map(([plan, doc]) => JSON.stringify({ plan, doc } satisfies PlanLine)),
    JSON.stringify(closing),
  ];
}

const FIELDS = new Set([
  'id',
  'pourId',
  'seq',
  'at',
  'recordedAt',
  'writtenAt',
  'planHash',
  'actor',
  'device',
  'kind',
  'body',
  'supersedes',
  'prevHash',
  'hash',
]);

/** What is wrong with the plans of an exported log, by their line; null when each is there as it was. */
function verifyPlans(
  entries: readonly string[],
  lines: readonly string[],
): { line: number; message: string } | null {
  const named = new Set(
    entries.flatMap((text) => (JSON.parse(text) as Partial<ChainRow>).planHash ?? []),
  );
  for (const [i, text] of lines.entries()) {
    let line: Partial<PlanLine>;
    try {
      line = JSON.parse(text) as Partial<PlanLine>;
    } catch {
      return { line: i + 1, message: 'is not JSON' };
    }
    const hash = line.plan ?? '';
    if (createHash('sha256').update(canonicalJson(line.doc)).digest('hex') !== hash)
      return { line: i + 1, message: 'is a plan that was changed after it was kept' };
    if (!named.delete(hash)) return { line: i + 1, message: 'is a plan that no entry was made on' };
  }
  const [missing] = named;
  return missing === undefined
    ? null
    : { line: lines.length + 1, message: `lacks the plan ${missing.slice(0, 12)} above it` };
}

/** Verifies an exported log whole: every line of the chain, nothing added to one, and the closing line that fits it. */
export function verifyExport(lines: string[]): Verified {
  const last = lines.length;
  const fail = (line: number, message: string): Verified => ({ ok: false, line, message });
  if (last === 0) return fail(1, 'is missing: the file is empty');
  let closing: Partial<ClosingLine> | null;
  try {
    closing = JSON.parse(lines[last - 1] as string) as Partial<ClosingLine> | null;
  } catch {
    return fail(last, 'is not JSON');
  }
  if (closing?.end !== 'jactum.log/1')
    return fail(last + 1, 'is missing: the log has no closing line, it was cut short');
  const above = lines.slice(0, -1);
  const begun = above.findIndex((l) => l.startsWith('{"plan":'));
  const entries = begun < 0 ? above : above.slice(0, begun);
  const checked = verifyLines(entries);
  if (!checked.ok) return checked;
  for (const [i, text] of entries.entries()) {
    const strange = Object.keys(JSON.parse(text) as object).find((k) => !FIELDS.has(k));
    if (strange !== undefined) return fail(i + 1, `holds ${strange}, which no entry has`);
  }
  const plans = verifyPlans(entries, above.slice(entries.length));
  if (plans) return fail(entries.length + plans.line, plans.message);
  if (closing.entries !== checked.rows || closing.serverEntries !== checked.rows)
    return fail(
      last,
      `says ${String(closing.entries)} entries, ${String(closing.serverEntries)} on the server; ${checked.rows} stand above it`,
    );
  if (closing.lastHash !== checked.lastHash)
    return fail(last, 'does not close this log: its last hash is another');
  return checked;
}
