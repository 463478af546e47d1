import { rebarTable, takeoffTable } from '#core/exchange';
import { stateAt } from '#core/log';
import {
  figuresOf,
  type Lane,
  type Learned,
  learnedFrom,
  loadTable,
  logTable,
  mixNamed,
  viewOf,
} from '#core/view';
import { calendarOf, type PlannedPour } from '../exchange/calendar.ts';
import { csvOf } from '../exchange/csv.ts';
import { planDxf } from '../exchange/dxf.ts';
import { notFound } from '../problems.ts';
import type { Reader } from './reader.ts';

/** Strength of concrete that nobody has named, for the laps of its bars, MPa. */
const USUAL_MPA = 25;

/** Lists of a pour as text, by what they are of. */
const CSV = {
  takeoff: async (reader: Reader, pourId: string) => takeoffTable(await reader.drawn(pourId)),
  rebar: async (reader: Reader, pourId: string) => {
    const { site, pour } = await reader.drawn(pourId);
    return rebarTable({ site, pour }, mixNamed(site, pour.mix)?.cylinderMPa ?? USUAL_MPA);
  },
  log: async (reader: Reader, pourId: string) => {
    const { record, state } = await reader.logOf(await reader.pour(pourId));
    return logTable(state, record.site);
  },
  loads: async (reader: Reader, pourId: string) => {
    const { record, state } = await reader.logged(pourId);
    const view = viewOf(record, state, reader.nowMs);
    if (!view) throw notFound(`mix or plant of pour ${pourId}`);
    return loadTable(view, record.site);
  },
};
export type CsvOf = keyof typeof CSV;

/** A list of a pour, with its code for the name of the file. */
export async function csv(
  reader: Reader,
  { pourId, of }: { pourId: string; of: CsvOf },
): Promise<{ code: string; text: string }> {
  const code = await reader.sites.codeOf(pourId);
  return { code, text: csvOf(await CSV[of](reader, pourId)) };
}

/** The plan of a site as a drawing, with the site's name. */
export async function dxf(reader: Reader, siteId: string): Promise<{ name: string; text: string }> {
  const site = await reader.sites.export(siteId);
  return { name: site.name, text: planDxf(site) };
}

/** The calendar of a site's pours by their plans as a list has them, with the site's name. */
export async function calendar(
  reader: Reader,
  { siteId, plans }: { siteId: string; plans: [pourId: string, plan: Lane['plan']][] },
): Promise<{ name: string; text: string }> {
  const site = (await reader.sites.list()).find((s) => s.id === siteId);
  if (!site) throw notFound(`site ${siteId}`);
  const pours: PlannedPour[] = [];
  for (const [id, plan] of plans) pours.push({ record: await reader.sites.pour(id), plan });
  return { name: site.name, text: calendarOf(site.name, pours, reader.nowMs) };
}

/** What the closed pours of a site say. */
export async function learned(reader: Reader, siteId: string): Promise<Learned> {
  const logged = [];
  for (const record of await reader.drawnOf(siteId)) logged.push(await reader.logOf(record));
  return learnedFrom(logged, reader.nowMs);
}

/** The figures of a pour at a moment; at none, now. */
export async function figures(
  reader: Reader,
  { pourId, atMs }: { pourId: string; atMs: number | null },
): Promise<NonNullable<ReturnType<typeof figuresOf>>> {
  const { record, state: whole } = await reader.logged(pourId);
  const nowMs = atMs ?? reader.nowMs;
  const state = atMs === null ? whole : stateAt(whole, nowMs);
  const made = figuresOf(record, state, nowMs, await reader.air(record, state, nowMs));
  if (!made) throw notFound(`mix or plant of pour ${pourId}`);
  return made;
}
