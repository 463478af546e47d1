import type { OutlineAnswer } from '../../contract/index.ts';
import { outlinesOf } from '#core/takeoff';
import { type Lane, laneOf } from '#core/view';
import { notFound, ProblemError } from '../problems.ts';
import type { Reader } from './reader.ts';

async function lane(reader: Reader, pourId: string): Promise<Lane | null> {
  const record = await reader.pour(pourId);
  if (record.faults?.length) return null;
  const { state } = await reader.logOf(record);
  return laneOf(record, state, reader.nowMs, await reader.air(record, state));
}

/**
 * Pours as a list shows them; null for one whose site cannot be drawn, that names what it lacks, or
 * that was taken away meanwhile.
 */
export async function lanes(reader: Reader, pourIds: readonly string[]): Promise<(Lane | null)[]> {
  const made: (Lane | null)[] = [];
  for (const id of pourIds)
    made.push(
      await lane(reader, id).catch((e: unknown) => {
        if (e instanceof ProblemError) return null;
        throw e;
      }),
    );
  return made;
}

/** A drawing of the whole site in the size of a stamp is not finer than this, m. */
const FINE_M = 0.05;
const fine = (m: number): number => Math.round(m / FINE_M) * FINE_M;

/** What a site looks like from above: a ring for each of its parts. */
export async function outline(reader: Reader, siteId: string): Promise<OutlineAnswer> {
  const found = (await reader.sites.list()).find((s) => s.id === siteId);
  if (!found) throw notFound(`site ${siteId}`);
  const site = await reader.sites.drawn(siteId);
  return {
    version: found.version,
    parts: (site ? outlinesOf(site) : []).map((o) => ({
      id: o.id,
      ring: o.ring.map((p) => [fine(p.x), fine(p.y)]),
    })),
  };
}
