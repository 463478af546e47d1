import { M3_PER_YD3, type UnitSystem } from '#core/units';
import { instantOf, numberOf } from './line.ts';

/** A load as its ticket has it: what it is, when it was batched, and when it was here. */
export interface Ticket {
  /** Which line of the file it stands on, from 1. */
  line: number;
  /** Which load of the order it is; null where the line does not say. */
  loadId: string | null;
  ticket: string;
  volumeM3: number;
  batchedMs: number;
  hereMs: number;
  concreteTempC: number | null;
}
interface TicketsRead {
  tickets: Ticket[];
  /** What is wrong with which line, counted from 1. */
  problems: { line: number; message: string }[];
}

const CLOCK = /^\d{1,2}:\d{2}$/;
const fahrenheit = (f: number): number => (f - 32) / 1.8;
/** More than this no truck carries, m³. */
const MOST_M3 = 20;
const DAY_MS = 24 * 3_600_000;

/** "L3" of "3", "L3" or "load 3"; null of nothing. */
function loadOf(text: string | undefined): string | null {
  const n = /(\d+)\s*$/.exec(text ?? '')?.[1];
  return n === undefined ? null : `L${Number(n)}`;
}

function ticketOf(
  row: readonly string[],
  line: number,
  site: { timeZone: string; date: string; units: UnitSystem },
): Ticket | string {
  const [load, ticket = '', volume, batched = '', here = '', temp] = row;
  const at = (text: string) =>
    instantOf(CLOCK.test(text.trim()) ? `${site.date} ${text.trim()}` : text, site.timeZone);
  const [m3, t] = [numberOf(volume), numberOf(temp)];
  const [batchedMs, hereMs] = [at(batched), at(here)];
  if (ticket.trim() === '' || ticket.length > 40) return 'has no ticket number';
  if (m3 === undefined || Number.isNaN(m3) || m3 <= 0) return 'has no volume';
  const volumeM3 = site.units === 'us' ? m3 * M3_PER_YD3 : m3;
  if (volumeM3 > MOST_M3) return 'holds more than a truck';
  if (batchedMs === null) return 'does not say when it was batched';
  if (hereMs === null) return 'does not say when it was here';
  if (hereMs < batchedMs) return 'was here before it was batched';
  if (hereMs - batchedMs > DAY_MS) return 'was a day on the road';
  if (Number.isNaN(t)) return 'holds words where its temperature belongs';
  const inC = site.units === 'us' && t !== undefined ? fahrenheit(t) : t;
  return {
    line,
    loadId: loadOf(load),
    ticket: ticket.trim(),
    volumeM3,
    batchedMs,
    hereMs,
    concreteTempC: inC ?? null,
  };
}

/**
 * Reads tickets from the lines of a table: load, ticket, volume, batched, here, and the concrete's
 * temperature where it was read; in the units of the site, times as 07:42 on the day of the pour or
 * with their date. A first line of words is a head.
 */
export function readTickets(
  rows: readonly string[][],
  site: { timeZone: string; date: string; units: UnitSystem },
): TicketsRead {
  const out: TicketsRead = { tickets: [], problems: [] };
  const seen = new Set<string>();
  rows.forEach((row, i) => {
    if (row.every((c) => c.trim() === '')) return;
    const read = ticketOf(row, i + 1, site);
    if (typeof read === 'string') {
      // A head names its columns: it holds no time at all.
      if (i > 0 || /\d:\d\d/.test(row.join(' '))) out.problems.push({ line: i + 1, message: read });
    } else if (seen.has(read.ticket))
      out.problems.push({ line: i + 1, message: `repeats ticket ${read.ticket}` });
    else {
      seen.add(read.ticket);
      out.tickets.push(read);
    }
  });
  return out;
}
