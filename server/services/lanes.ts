import { createHash } from 'node:crypto';
import type { LanesAnswer, OutlineAnswer } from '../../contract/index.ts';
import type { Logger } from 'pino';
import type { SiteClock } from '../standins/clock.ts';
import type { ForecastStore } from '../store/forecasts.ts';
import type { HeavyPool } from '../workers/pool.ts';
import type { ListedPour, SiteStore } from '../store/sites.ts';
import type { Lane } from '#core/view';
import { localDate } from '#core/weather';

/** So many are worked out in one go: what is shown first is not long in coming. */
const AT_ONCE = 8;
const LIMIT_MS = 60_000;
/** A list waits so long for what is being worked out, ms: then it goes with what there is. */
const PATIENCE_MS = 500;
/** Who needs all of it waits so many times as long. */
const MOST_TRIES = 60;
/** What hangs on the time is worked out anew after this: of a pour under way, and of any other, ms. */
const FRESH_MS = { underWay: 20_000, other: 600_000 };
/** As many are kept. */
const MOST_KEPT = 4000;
const MOST_OUTLINES = 12;
const DAY_MS = 86_400_000;

interface Kept {
  /** The versions it was worked out of. */
  of: string;
  atMs: number;
  lane: Lane | null;
}

interface Deps {
  sites: SiteStore;
  forecasts: ForecastStore;
  clock: Pick<SiteClock, 'now'>;
  heavy: HeavyPool;
  logger: Logger;
}

const digestOf = (value: unknown): string =>
  createHash('sha256').update(JSON.stringify(value)).digest('base64');

/** Sites as they are seen from above, kept by their version; a team looks at few at a time. */
export class OutlineKeeper {
  readonly #heavy: Deps['heavy'];
  readonly #sites: Deps['sites'];
  readonly #kept = new Map<string, OutlineAnswer>();
  constructor({ heavy, sites }: Pick<Deps, 'heavy' | 'sites'>) {
    this.#heavy = heavy;
    this.#sites = sites;
  }

  /** @throws ProblemError 404 when there is no such site */
  async of(siteId: string): Promise<OutlineAnswer> {
    const version = await this.#sites.versionOf(siteId);
    const known = this.#kept.get(siteId);
    if (known?.version === version) return known;
    const made = await this.#heavy.run('outline', siteId, LIMIT_MS);
    this.#kept.delete(siteId);
    this.#kept.set(siteId, made);
    const [oldest] = this.#kept.keys();
    if (this.#kept.size > MOST_OUTLINES && oldest !== undefined) this.#kept.delete(oldest);
    return made;
  }
}

/** How pours stand, kept as long as nothing of them changes: a list of two hundred asks for what is new alone. */
export class LaneKeeper {
  readonly #deps: Deps;
  readonly #kept = new Map<string, Kept>();
  readonly #working = new Map<string, Promise<void>>();
  constructor(deps: Deps) {
    this.#deps = deps;
  }

  /** The pours of a site as they are known; what is not is being worked out. */
  async of(siteId: string): Promise<LanesAnswer> {
    const listed = await this.#deps.sites.listed(siteId);
    const air = digestOf(await this.#deps.forecasts.of(siteId));
    const keyOf = (p: ListedPour) => `${p.siteVersion} ${p.version} ${p.seq} ${air}`;
    const stale = listed.filter((p) => !p.away && !this.#isFresh(p, keyOf(p)));
    if (stale.length > 0) {
      const patience = new Promise((go) => setTimeout(go, PATIENCE_MS));
      await Promise.race([this.#workOut(siteId, this.#nearestFirst(stale), keyOf), patience]);
    }
    const pours = listed.map((p): LanesAnswer['pours'][number] => {
      const known = this.#kept.get(p.id);
      const lane = known?.of === keyOf(p) ? known.lane : 'wait';
      const { id, version, elements, reason } = p;
      return { id, version, elements, reason, lane: p.away ? null : lane };
    });
    return { more: pours.some((p) => p.lane === 'wait'), pours };
  }

  /** All pours of a site that are in work, each with how it stands: waits until they are worked out. */
  async whole(siteId: string): Promise<[pourId: string, lane: Lane][]> {
    for (let tries = 0; ; tries += 1) {
      const { more, pours } = await this.of(siteId);
      if (!more || tries === MOST_TRIES)
        return pours.flatMap((p) => (p.lane && p.lane !== 'wait' ? [[p.id, p.lane]] : []));
    }
  }

  #isFresh(p: ListedPour, of: string): boolean {
    const known = this.#kept.get(p.id);
    if (known?.of !== of) return false;
    const { startedMs = null, finishedMs = null } = known.lane?.progress ?? {};
    const today = this.#deps.clock.now().getTime();
    const near = p.date !== null && Math.abs(Date.parse(p.date) - today) < 2 * DAY_MS;
    const underWay = finishedMs === null && (startedMs !== null || near);
    const age = Math.abs(today - known.atMs);
    return age < (underWay ? FRESH_MS.underWay : FRESH_MS.other);
  }

  /** The one of today first, then by how far their days are. */
  #nearestFirst(pours: ListedPour[]): ListedPour[] {
    const today = Date.parse(localDate(this.#deps.clock.now().getTime(), 'UTC'));
    const far = (p: ListedPour) =>
      p.date === null ? Infinity : Math.abs(Date.parse(p.date) - today);
    return [...pours].sort((a, b) => far(a) - far(b));
  }

  /** Works out what is asked for; once for everybody who asks at the same time. */
  #workOut(siteId: string, pours: ListedPour[], keyOf: (p: ListedPour) => string): Promise<void> {
    const under = this.#working.get(siteId);
    if (under) return under;
    // What could not be worked out now is asked for again by whoever looks next.
    const going = this.#inTurn(pours, keyOf)
      .catch((e: unknown) => {
        this.#deps.logger.warn(e);
      })
      .finally(() => {
        this.#working.delete(siteId);
      });
    this.#working.set(siteId, going);
    return going;
  }

  async #inTurn(pours: ListedPour[], keyOf: (p: ListedPour) => string): Promise<void> {
    for (let i = 0; i < pours.length; i += AT_ONCE) {
      const some = pours.slice(i, i + AT_ONCE);
      const nowMs = this.#deps.clock.now().getTime();
      const ids = some.map((p) => p.id);
      const made = await this.#deps.heavy.run('lanes', ids, LIMIT_MS, nowMs);
      for (const [k, p] of some.entries()) {
        this.#kept.delete(p.id);
        this.#kept.set(p.id, { of: keyOf(p), atMs: nowMs, lane: made[k] ?? null });
      }
    }
    for (const id of [...this.#kept.keys()].slice(0, Math.max(0, this.#kept.size - MOST_KEPT)))
      this.#kept.delete(id);
  }
}
