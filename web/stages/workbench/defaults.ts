import { mostLifts } from '../../../core/pourplan/lifts.ts';
import { calculationNamed } from '../../../core/register/index.ts';
import { EXAMPLES } from '../../../core/register/examples.ts';
import { fieldsOf, type FieldInfo } from '../../../core/register/fields-of.ts';
import { timeline } from '../../../core/log/state.ts';
import { rulesBehind, sourceText } from '../../../core/rules/rules.ts';
import type { PourView } from '../../app/pour-context.tsx';

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

/** Calculations of the pressure on forms: the method goes by the site's rules. */
const PRESSURES = new Set(['form-pressure', 'max-rate-of-rise']);

/** What this pour says of a field, by its name; undefined where it says nothing. */
function fromPour(v: PourView, id: string, name: string): unknown {
  const s = v.record.pour.settings;
  const { site } = v.record;
  const us = site.ruleProfile === 'us-aci';
  // Forms and braces are asked about walls.
  const walls = v.plan.route.legs.filter(
    (l) => site.runs.find((r) => r.id === l.elementId)?.kind === 'wall',
  );
  const tallest = walls.length ? Math.max(...walls.map((l) => l.heightM)) : undefined;
  const known: Record<string, unknown> = {
    concreteTempC: v.progress.concreteTempC,
    fcMPa: v.mix.fcMPa,
    f28MPa: v.mix.fcMPa,
    cementType: v.mix.cementType,
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
    placementHeightM: tallest === undefined ? undefined : tallest / mostLifts(v.plan.route),
    wallHeightM: tallest,
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
  if (id === 'slump-verdict')
    return {
      targetMm: v.mix.slumpMm,
      kind: us ? v.mix.slumpKind : 'nominal',
      standard: us ? 'astm' : 'en',
    }[name];
  if (PRESSURES.has(id) && ['method', 'element', 'retarder'].includes(name))
    return {
      method: us ? 'aci347' : 'ciria108',
      element: walls.length ? 'wall' : undefined,
      retarder: v.mix.retarderFactor > 1,
    }[name];
  if (id === 'strength-forecast' && name === 'targetMPa') return v.record.pour.stripping.stripMPa;
  if (id === 'strength-forecast' && name === 'tempHistory') return v.curing?.history;
  if (id === 'yield') {
    const begun = v.progress.dischargedM3 > 0;
    return {
      neatTotalM3: v.plan.route.volumeM3,
      neatPlacedM3: begun ? v.progress.placedM3 : 0,
      usedM3: begun ? v.progress.dischargedM3 : 0,
      wasteRatio: s.wasteRatio,
    }[name];
  }
  if (id === 'level-loop' && name === 'benchmarkM') return site.benchmark?.elevationM;
  if (id === 'sampling-plan')
    return {
      volumeM3: v.plan.orderedM3,
      loads: v.plan.loadIds,
      seed: Number(v.record.pour.date?.replaceAll('-', '') ?? 1),
    }[name];
  if (id === 'pour-simulation') return { ...v.plan.simulation, trials: 400 }[name];
  if (id === 'sequence-search' && name === 'choices')
    return {
      startAt: v.record.pour.elements.map((_, i) => i),
      reverse: [false, true],
      lifts: [1, 2, 3, 4],
    };
  if (id === 'pour-state')
    return {
      events: timeline(v.state),
      now: new Date(Math.floor(v.nowMs / 60_000) * 60_000).toISOString(),
      site,
      pour: v.record.pour,
      mix: v.mix,
      plant: v.plant,
    }[name];
  if (id === 'cover-verdict' && name === 'profile') return us ? 'aci117' : 'en13670';
  if (id === 'min-cover' && name === 'profile') return site.ruleProfile;
  if (id === 'evaporation' && name === 'airTempC') return v.weatherNow[0]?.airTempC;
  if (id === 'weather-rules')
    return {
      forecast: v.weatherNow.length
        ? v.weatherNow.map((h) => ({
            timeMin: Math.round(v.minuteOf(Date.parse(h.at))),
            airTempC: Math.round(h.airTempC * 10) / 10,
            windKmH: Math.round(h.windKmH),
            rainMmH: h.rainMmH,
          }))
        : undefined,
    }[name];
  return known[name];
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
