import { mostLifts } from '#core/pourplan';
import { calculationNamed, EXAMPLES, type FieldInfo, fieldsOf } from '#core/register';
import { timeline } from '#core/log';
import { rulesBehind, sourceText } from '#core/rules';
import type { PourView } from '../../app/pour-view.ts';

/** Where a value that stands in the form comes from, when it is not made up. */
type From = { kind: 'pour' } | { kind: 'rule'; text: string };
export interface Start {
  /** What is known: of this pour, of the site's rules, and values that usually stand. Anything else is left empty. */
  input: Record<string, unknown>;
  /** Made-up figures for what is not known, put in only when they are asked for. */
  example: Record<string, unknown>;
  from: Record<string, From>;
}

interface LevelExample {
  benchmarkM: number;
  setups: { backSightM: number; readings: { id: string; rodM: number; planM: number }[] }[];
}

function levelsFrom(benchmarkM: number) {
  const example = EXAMPLES['level-loop'] as LevelExample;
  return example.setups.map((s) => ({
    ...s,
    readings: s.readings.map((r) => ({
      ...r,
      planM: Math.round((r.planM - example.benchmarkM + benchmarkM) * 1000) / 1000,
    })),
  }));
}

/** What a pour says of any calculation, by the name of the field. */
function knownOf(v: PourView, tallestM: number | undefined): Record<string, unknown> {
  const s = v.record.pour.settings;
  const { site } = v.record;
  return {
    concreteTempC: v.progress.concreteTempC,
    fcMPa: v.mix.cylinderMPa,
    fckMPa: v.mix.cylinderMPa,
    f28MPa: v.mix.cylinderMPa,
    cementType: v.mix.cementType,
    cement: v.mix.cement,
    paceRatio: v.mix.strengthPace,
    retarderFactor: v.mix.retarderFactor,
    neatM3: v.plan.route.volumeM3,
    neatTotalM3: v.plan.route.volumeM3,
    wasteRatio: s.wasteRatio,
    sdRatio: s.sdRatio,
    leftBehindM3: s.leftBehindM3,
    stepM3: v.plant.stepM3,
    ...s.costs,
    orderM3: v.plan.orderedM3,
    truckM3: s.truckM3,
    split: s.split,
    minLoadM3: v.plant.minLoadM3,
    placingRateM3PerH: s.placingRateM3PerH,
    travelMin: v.plant.travel.medianMin,
    roundTripMin: v.plant.roundTripMin,
    firstArriveMin: s.firstLoadMin,
    ratedPressureKPa: s.ratingKPa,
    placementHeightM: tallestM === undefined ? undefined : tallestM / mostLifts(v.plan.route),
    wallHeightM: tallestM,
    duskMin: v.record.duskMin,
    site,
    pour: v.record.pour,
    mix: v.mix,
    plant: v.plant,
    latitude: site.latitude,
    longitude: site.longitude,
    timeZone: site.timeZone,
    ...(v.record.pour.date ? { date: v.record.pour.date } : {}),
  };
}

/** What a pour says of some calculations in its own way: by their ids, the fields it answers. */
const SAID: Record<string, (v: PourView) => Record<string, unknown>> = {
  'slump-verdict': (v) => ({
    targetMm: v.mix.slumpMm,
    kind: inUs(v) ? v.mix.slumpKind : 'nominal',
    standard: inUs(v) ? 'astm' : 'en',
  }),
  'form-pressure': pressureOf,
  'max-rate-of-rise': pressureOf,
  'strength-forecast': (v) => ({
    targetMPa: v.record.pour.stripping.stripMPa,
    tempHistory: v.curing?.history,
  }),
  yield: (v) => {
    const begun = v.progress.dischargedM3 > 0;
    return {
      neatTotalM3: v.plan.route.volumeM3,
      neatPlacedM3: begun ? v.progress.placedM3 : 0,
      usedM3: begun ? v.progress.dischargedM3 : 0,
      wasteRatio: v.record.pour.settings.wasteRatio,
    };
  },
  'level-loop': (v) => ({ benchmarkM: v.record.site.benchmark?.elevationM }),
  'sampling-plan': (v) => ({
    volumeM3: v.plan.orderedM3,
    loads: v.plan.loadIds,
    seed: Number(v.record.pour.date?.replaceAll('-', '') ?? 1),
  }),
  'pour-simulation': (v) => ({ ...v.plan.simulation, trials: 400 }),
  'sequence-search': (v) => ({
    choices: {
      startAt: v.record.pour.elements.map((_, i) => i),
      reverse: [false, true],
      lifts: [1, 2, 3, 4],
    },
  }),
  'pour-state': (v) => ({
    events: timeline(v.state),
    now: new Date(Math.floor(v.nowMs / 60_000) * 60_000).toISOString(),
  }),
  'cover-verdict': (v) => ({ profile: inUs(v) ? 'aci117' : 'en13670' }),
  'min-cover': (v) => ({ profile: v.record.site.ruleProfile }),
  evaporation: (v) => ({ airTempC: v.weatherNow[0]?.airTempC }),
  'weather-rules': (v) => ({ forecast: v.weatherNow.length ? forecastOf(v) : undefined }),
};

const inUs = (v: PourView): boolean => v.record.site.ruleProfile === 'us-aci';

/** Walls of the pour: forms and braces are asked about them. */
const wallsOf = (v: PourView) =>
  v.plan.route.legs.filter(
    (l) => v.record.site.runs.find((r) => r.id === l.elementId)?.kind === 'wall',
  );

/** The method of the pressure on forms goes by the site's rules. */
function pressureOf(v: PourView): Record<string, unknown> {
  return {
    method: inUs(v) ? 'aci347' : 'ciria108',
    element: wallsOf(v).length ? 'wall' : undefined,
    retarder: v.mix.retarderFactor > 1,
  };
}

const forecastOf = (v: PourView) =>
  v.weatherNow.map((h) => ({
    timeMin: Math.round(v.minuteOf(Date.parse(h.at))),
    airTempC: Math.round(h.airTempC * 10) / 10,
    windKmH: Math.round(h.windKmH),
    rainMmH: h.rainMmH,
  }));

/** What this pour says of a field, by its name; undefined where it says nothing. */
function fromPour(v: PourView, id: string, name: string): unknown {
  const own = SAID[id]?.(v);
  if (own && name in own) return own[name];
  const walls = wallsOf(v);
  const tallestM = walls.length ? Math.max(...walls.map((l) => l.heightM)) : undefined;
  return knownOf(v, tallestM)[name];
}

/** What the form of a calculation begins with: what the site's rules and this pour say, and nothing made up. */
export function startOf(v: PourView, id: string): Start {
  const calc = calculationNamed(id);
  if (!calc) return { input: {}, from: {}, example: {} };
  if (id === 'takeoff') return { input: { ...v.record.site }, from: {}, example: {} };
  const fields = fieldsOf(calc);
  const input: Record<string, unknown> = {};
  const from: Record<string, From> = {};
  for (const f of fields)
    if (input[f.name] === undefined && f.standing !== undefined) input[f.name] = f.standing;
  for (const { rule, field } of rulesBehind(id)) {
    const r = v.rules.ruled(rule);
    input[field] = r.value;
    from[field] = { kind: 'rule', text: `${r.title}: ${sourceText(r, v.units)}` };
  }
  for (const f of fields) {
    const own = fromPour(v, id, f.name);
    if (own === undefined) continue;
    input[f.name] = own;
    if (!from[f.name]) from[f.name] = { kind: 'pour' };
  }
  const example = { ...(EXAMPLES[id] as Record<string, unknown>) };
  // The example's levels hang from its own benchmark: on a site they hang from the site's.
  if (id === 'level-loop' && v.record.site.benchmark)
    example.setups = levelsFrom(v.record.site.benchmark.elevationM);
  for (const name of Object.keys(input)) Reflect.deleteProperty(example, name);
  return { input, from, example };
}

/** Whole sites, pours and logs are not put in by hand: the form takes this pour's own. */
const OWN = new Set(['site', 'pour', 'mix', 'plant', 'events', 'cells', 'loads', 'now']);
export const isOwn = (id: string, f: FieldInfo): boolean =>
  OWN.has(f.name) &&
  ['sequence-search', 'pour-state', 'pour-simulation', 'rebar-takeoff'].includes(id);
