import {
  elementIds,
  type Hold,
  type MixRecord,
  type Plant,
  type PourDoc,
  pourDocSchema,
  type SitePlan,
  wallRuns,
} from '#core/model';
import { counted, M3_PER_YD3 } from '#core/units';
import { USUAL_COSTS } from './usual.ts';

/** What a site has to make a pour with. */
export interface Stocked extends SitePlan {
  mixes: readonly MixRecord[];
  plants: readonly Plant[];
  conveyances: readonly { id: string }[];
}

/** A first load is told for eight in the morning until somebody says otherwise, minutes after midnight. */
const FIRST_LOAD_MIN = 8 * 60;
/** More concrete than the forms hold, of footings in the ground and of walls in forms (site practice). */
const WASTE = { footing: 0.05, wall: 0.03 };
/** What a hand crew places off the chute or a pump, m³/h. */
const PLACING = {
  'us-aci': { footing: 24 * M3_PER_YD3, wall: 18 * M3_PER_YD3 },
  'metric-en': { footing: 18, wall: 14 },
};
/** Forms come off at this strength, never before so many hours; the engineer's figure is to be typed over it. */
const STRIP = {
  'us-aci': { stripMPa: 6.894757, floorH: 24 },
  'metric-en': { stripMPa: 5, floorH: 24 },
};

/** The first code of the site that no pour has: P1, P2… */
export function freeCode(codes: Iterable<string>): string {
  const taken = new Set(codes);
  for (let i = 1; ; i += 1) if (!taken.has(`P${i}`)) return `P${i}`;
}

/** What some elements would be called as a pour: "Footings", "Walls", "2 pads and walls". */
export function offeredTitle(site: SitePlan, ids: readonly string[]): string {
  const own = new Set(ids);
  const runs = site.runs.filter((r) => own.has(r.id));
  const several = (kind: string, one: string, many: string) => {
    const n = runs.filter((r) => r.kind === kind).length;
    if (n === 0) return [];
    return [n === 1 ? one : many];
  };
  const stands = (list: readonly { id: string }[], noun: string) => {
    const n = list.filter((x) => own.has(x.id)).length;
    return n === 0 ? [] : [counted(n, noun)];
  };
  const parts = [
    ...several('footing', 'footing', 'footings'),
    ...several('gradeBeam', 'beam', 'beams'),
    ...several('wall', 'wall', 'walls'),
    ...stands(site.pads, 'pad'),
    ...stands(site.piers, 'pier'),
  ];
  const said =
    parts.length > 1
      ? `${parts.slice(0, -1).join(', ')} and ${parts.at(-1) ?? ''}`
      : (parts[0] ?? '');
  return said === '' ? 'Pour' : said.charAt(0).toUpperCase() + said.slice(1);
}

/** Which elements of a site no pour has yet. */
export function unpoured(
  site: SitePlan,
  pours: readonly Pick<PourDoc, 'elements' | 'cancelled'>[],
): string[] {
  const had = new Set(pours.filter((p) => !p.cancelled).flatMap((p) => p.elements));
  return elementIds(site).filter((id) => !had.has(id));
}

/** What is chosen for a new pour; what is left out is offered. */
export interface PourChoice {
  elements: readonly string[];
  code?: string;
  title?: string;
  date?: string | null;
  mix?: string;
  plant?: string;
  forms?: string;
  holds?: readonly Hold[];
  /** A pour whose settings, hold points and call-offs it takes over. */
  like?: PourDoc;
}

/**
 * A pour of some elements of a site, with what the site has and what is usual for the rest: its
 * code and title are offered, the mix is the first the site lists for footings and the last for
 * walls.
 * @throws RangeError when the site has no mix or no plant, or nothing is chosen
 */
export function newPour(site: Stocked, codes: Iterable<string>, choice: PourChoice): PourDoc {
  const { elements, like } = choice;
  const walls = wallRuns(site.runs).some((r) => elements.includes(r.id));
  const mix =
    named(site.mixes, (m) => m.mark, choice.mix ?? like?.mix) ??
    (walls ? site.mixes.at(-1) : site.mixes[0]);
  const plant = named(site.plants, (p) => p.id, choice.plant ?? like?.plant) ?? site.plants[0];
  if (!mix || !plant) throw new RangeError('newPour: the site has no mix or no plant');
  if (elements.length === 0) throw new RangeError('newPour: nothing is chosen');
  const forms = choice.forms ?? like?.forms ?? (walls ? site.formSystems[0]?.mark : undefined);
  return pourDocSchema.parse({
    code: choice.code ?? freeCode(codes),
    title: choice.title ?? offeredTitle(site, elements),
    date: choice.date ?? null,
    elements: [...elements],
    mix: mix.mark,
    plant: plant.id,
    ...(forms === undefined ? {} : { forms }),
    ...(choice.holds || like ? { holds: [...(choice.holds ?? like?.holds ?? [])] } : {}),
    callOff: like?.callOff ?? [],
    settings: settingsFor(site, { mix, plant, forms, walls, like }),
    stripping: like?.stripping ?? { ...STRIP[site.ruleProfile], expectedTempC: 15 },
  });
}

const named = <T>(
  list: readonly T[],
  nameOf: (x: T) => string,
  name: string | undefined,
): T | undefined => list.find((x) => nameOf(x) === name);

interface Chosen {
  mix: MixRecord;
  plant: Plant;
  forms: string | undefined;
  walls: boolean;
  like: PourDoc | undefined;
}

function settingsFor(site: Stocked, { mix, plant, forms, walls, like }: Chosen) {
  const rating = site.formSystems.find((f) => f.mark === forms)?.ratingKPa;
  const usual = USUAL_COSTS[site.ruleProfile];
  if (like)
    return {
      ...like.settings,
      // The way round, its legs and where the pump stands are that pour's own.
      startAt: 0,
      reverse: false,
      sequence: [],
      turned: [],
      bulkheads: [],
      liftsByElement: {},
      liftTopsByElement: {},
      setUp: null,
      orderM3: null,
      leftOver: null,
      ratingKPa: rating ?? like.settings.ratingKPa,
    };
  const kind = walls ? 'wall' : 'footing';
  const perM3 = mix.pricePerM3 ?? usual.perM3;
  return {
    firstLoadMin: FIRST_LOAD_MIN,
    placingRateM3PerH: PLACING[site.ruleProfile][kind],
    wasteRatio: WASTE[kind],
    sdRatio: 0.03,
    truckM3: Math.max(...plant.trucksM3),
    conveyance: site.conveyances[0]?.id ?? null,
    costs: {
      costPerM3: perM3,
      disposalPerM3: usual.disposalPerM3,
      shortFixed: usual.shortFixed,
      shortPerM3: perM3,
      callFee: usual.callFee,
    },
    concreteTempC: 20,
    concreteTempSaid: false,
    ratingKPa: rating ?? 30,
  };
}
