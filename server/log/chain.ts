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
