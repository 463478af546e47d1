import { siteFileSchema, type SiteFile } from '../../contract/index.ts';
import { type InputIssue, issuesOf } from '#core/kit';
import { type PourDoc, pourDocSchema } from '#core/model';

/** Lists of a site that was stored before they were known. */
const NO_LISTS = {
  footingTypes: [],
  wallTypes: [],
  nodes: [],
  runs: [],
  pads: [],
  piers: [],
  plates: [],
  anchors: [],
  embeds: [],
  formSystems: [],
  points: [],
  ruleChanges: [],
  planChanges: [],
  mixes: [],
  plants: [],
  crew: [],
  conveyances: [],
  mixers: [],
  wires: [],
};

/** A site as it is stored, with what of it its schema would not take today. */
export interface StoredSite {
  site: SiteFile;
  faults: InputIssue[];
}

/**
 * A stored site as the schema reads it. One that was stored under other limits is handed out as it
 * stands, with what is wrong with it: whatever is stored can be opened, looked at as a list, and
 * put right.
 */
export function readStored(doc: string): StoredSite {
  const raw = { ...(JSON.parse(doc) as SiteFile), pours: [] };
  const parsed = siteFileSchema.safeParse(raw);
  return parsed.success
    ? { site: parsed.data, faults: [] }
    : { site: { ...NO_LISTS, ...raw }, faults: issuesOf(parsed.error, raw).slice(0, 200) };
}

/**
 * A pour as it is stored, with what its schema takes for granted since; one that would not be taken
 * today stands as it is.
 */
export const readStoredPour = (doc: string): PourDoc => asPour(JSON.parse(doc));

/** The same of what is parsed already. */
export function asPour(raw: unknown): PourDoc {
  const parsed = pourDocSchema.safeParse(raw);
  return parsed.success ? parsed.data : (raw as PourDoc);
}

/** As many sites are kept as they were read; a team works on few at a time. */
const MOST_KEPT = 12;

/**
 * Sites as they were read, by their version: reading one anew at every request takes longer than
 * all the rest of it.
 */
export class StoredSites {
  readonly #kept = new Map<string, { version: number; read: StoredSite }>();

  read({ id, version, doc }: { id: string; version: number; doc: string }): StoredSite {
    const kept = this.#kept.get(id);
    if (kept?.version === version) return kept.read;
    const read = readStored(doc);
    this.#kept.delete(id);
    this.#kept.set(id, { version, read });
    const [oldest] = this.#kept.keys();
    if (this.#kept.size > MOST_KEPT && oldest !== undefined) this.#kept.delete(oldest);
    return read;
  }
}
