import { resultRows } from '#core/kit';
import type { UnitSystem } from '#core/units';

/** The result's first figure to act on, and what stands beside it: field names of the output, most wanted first. */
const HEADLINES: Record<string, [figure: string, ...beside: string[]]> = {
  takeoff: ['concreteM3', 'formM2'],
  'trench-fill': ['gravelM3', 'fabricM2', 'pipeM'],
  'drain-pitch': ['meanPitchRatio', 'ok'],
  'clearance-verdict': ['ok'],
  'level-loop': ['misclosureMm', 'ok'],
  squareness: ['rackM', 'differenceM'],
  straightness: ['worstMm', 'worstAtM', 'bowMm'],
  bar: ['diameterMm', 'areaMm2', 'massKgM'],
  'min-cover': ['minCoverMm'],
  'cover-verdict': ['verdict', 'leastMm', 'allowedLeastMm'],
  'spacing-verdict': ['verdict', 'meanMm', 'requiredBars'],
  'lap-length-en': ['lapMm', 'fbdMPa'],
  'local-rise': ['riseMPerH', 'heightM', 'minutes'],
  'day-balance': ['missingM3', 'stillM3', 'hereM3', 'onOrderM3'],
  'fresh-temperature': ['tempC', 'rule'],
  'lap-length': ['lapMm', 'leastMm', 'ruledBy'],
  hook: ['legMm', 'bendDiameterMm'],
  'rebar-takeoff': ['massKg'],
  'vert-layout': ['count', 'spacingM'],
  'anchor-layout': ['count'],
  'anchor-verdict': ['ok', 'worstGapM'],
  'dimension-verdict': ['verdict', 'marginMm'],
  'form-pressure': ['maxPressureKPa', 'governedBy', 'headM'],
  'max-rate-of-rise': ['rateMPerH', 'limitedBy'],
  'tie-load': ['loadKN', 'ratio', 'ok'],
  'sheathing-span': ['maxSpacingM', 'governedBy', 'ok'],
  'waler-layout': ['walers#', 'solved'],
  'brace-load': ['braceAxialKN', 'upliftKN'],
  'brace-turn': ['turns', 'direction', 'possible'],
  'order-quantity': ['orderM3', 'cost', 'cheaper'],
  'truck-plan': ['trucks', 'spacingMin'],
  'bag-count': ['bags', 'trips', 'massKg'],
  'site-mix': ['cementBags', 'batches'],
  'pump-reach': ['ok', 'furthestM'],
  'placing-rate': ['rateM3PerH', 'limitedBy'],
  'slump-verdict': ['verdict', 'lowMm', 'highMm'],
  'water-addition': ['addL', 'newWc', 'reason'],
  'load-verdict': ['verdict', 'minutesLeft'],
  'joint-window': ['knitMin', 'stiffenMin'],
  'equivalent-age': ['equivalentAgeH', 'maturityCH'],
  'strength-forecast': ['strengthMPa', 'reachedAtH'],
  'sampling-plan': ['tests', 'loads'],
  'strength-acceptance': ['ok', 'lowestMeanMPa'],
  evaporation: ['rateKgM2H', 'level'],
  'start-window': ['goodStarts'],
  'learned-yield': ['wasteRatio', 'sdRatio'],
  'learned-delay': ['medianMin', 'p90Min'],
  'weather-rules': ['verdict', 'lowestC'],
  daylight: ['duskMin', 'sunriseMin', 'sunsetMin'],
  'pour-simulation': ['finishMin', 'crewWaitMin'],
  'sequence-search': ['cost', 'examined'],
  'pour-state': ['placedM3', 'toFillM3', 'balanceM3'],
  yield: ['totalM3', 'restRatio'],
};
/** What stands for a verdict that is not good. */
const BAD = new Set(['no', 'short', 'off', 'few', 'low', 'high', 'reject', 'act']);
const VERDICTS = new Set(['ok', 'verdict', 'solved', 'possible', 'level']);
const GOOD_WORD: Record<string, [string, string]> = {
  ok: ['good', 'not good'],
  solved: ['solved', 'no layout holds'],
  possible: ['possible', 'not possible'],
};

export interface Headline {
  figure: string;
  words: string;
  bad: boolean;
}

export function headlineOf(id: string, result: unknown, units: UnitSystem): Headline | null {
  const all = resultRows(id, result, units);
  const rows = all.filter((r) => r.text !== null);
  const names = HEADLINES[id] ?? [rows[0]?.name ?? ''];
  const said = (name: string): string | null => {
    if (name.endsWith('#')) {
      const t = all.find((r) => r.name === name.slice(0, -1));
      return t ? `${t.table?.rows.length ?? 0} ${t.label}` : null;
    }
    const row = rows.find((r) => r.name === name);
    if (row?.text == null) return null;
    if (name === 'rateMPerH' && row.text === 'none') return 'no limit';
    const pair = GOOD_WORD[name];
    return pair ? pair[row.text === 'yes' ? 0 : 1] : row.text;
  };
  const [first, ...beside] = names;
  const figure = said(first);
  if (figure === null) return null;
  const raw = rows.filter((r) => names.includes(r.name) && VERDICTS.has(r.name));
  const words = beside
    .flatMap((name) => {
      const text = said(name);
      const row = rows.find((r) => r.name === name);
      return text === null || text === 'none'
        ? []
        : [VERDICTS.has(name) ? text : `${row?.label ?? ''} ${text}`];
    })
    .join(', ');
  const alone = VERDICTS.has(first) ? '' : (rows.find((r) => r.name === first)?.label ?? '');
  return {
    figure,
    words: [alone, words].filter(Boolean).join('; '),
    bad: raw.some((r) => BAD.has(r.text ?? '')),
  };
}
