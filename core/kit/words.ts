import { clockText, moneyText, quantityOfField, quantityText, type UnitSystem } from '#core/units';
import { QUANTITY_OF_UNIT, sentenceIn } from './sentence.ts';
import type { Step } from './calculation.ts';

/** Fields whose name does not say in plain words what they are. */
const LABELS: Record<string, string> = {
  fcMPa: 'f′c',
  fyMPa: 'grade of bars',
  f28MPa: 'strength at 28 days',
  s12M: 'side 1 to 2',
  s23M: 'side 2 to 3',
  s34M: 'side 3 to 4',
  s41M: 'side 4 to 1',
  d13M: 'diagonal 1 to 3',
  d24M: 'diagonal 2 to 4',
  tempHistory: 'temperatures',
  wcRatio: 'w/c',
  maxWcRatio: 'highest w/c',
  newWc: 'w/c with it',
  orderM3: 'order',
  neatM3: 'neat',
  sdRatio: 'deviation, of neat',
  wasteRatio: 'waste',
  ok: 'good',
  bagLb: 'bag',
  stiffenMinAt20C: 'stiff at 20 °C',
  knitMinAt20C: 'knits at 20 °C until',
  activationK: 'Q',
  firstArriveMin: 'first load here',
  duskMin: 'dusk',
  sunriseMin: 'sunrise',
  sunsetMin: 'sunset',
  batchMin: 'batched',
  nowMin: 'now',
  timeMin: 'time',
  placeFromMin: 'placing from',
  placeToMin: 'placing to',
  startMin: 'start',
  finishMin: 'finish',
  arriveMin: 'here',
  fromMin: 'from',
  toMin: 'to',
  atM: 'at',
  worstMm: 'worst',
  count: 'in all',
  maxPressureKPa: 'highest pressure',
  governedBy: 'ruled by',
  endMinMm: 'bolt from the end, at least',
  rateMPerH: 'rate of rise',
  hydrostaticKPa: 'full head',
  headM: 'reached this far down',
  concreteTempC: 'concrete',
  airTempC: 'air',
  windKmH: 'wind',
  rateM3PerH: 'rate',
  leastMm: 'least',
  meanMm: 'mean',
  rackM: 'out of square by',
  differenceM: 'diagonals differ by',
  hiM: 'height of instrument',
  id: 'name',
  rodM: 'rod',
  planM: 'level drawn',
  benchmarkM: 'benchmark',
  closingRodM: 'closing reading',
  sdM3: 'deviation',
  meanM3: 'needed',
  shortProbability: 'chance to run short',
  rateKgM2H: 'drying',
  overMm: 'over',
  endM: 'end',
  lowMm: 'low',
  highMm: 'high',
  single: 'one bolt will do',
  at: 'read at',
  kind: 'kind',
  callSdRatio: 'balance known to',
  atMm: 'at',
  usePerNeat: 'concrete for each drawn',
  stillM3: 'still needed',
  hereM3: 'usable here',
  onOrderM3: 'on order',
  missingM3: 'missing',
  heldBackM3: 'left in hose and hopper',
  fbdMPa: 'bond',
  basicMm: 'basic length',
  alpha6: 'α6',
};
/** Fields that hold minutes after midnight, and so are said as a time of day. */
const CLOCK = new Set([
  'firstArriveMin',
  'duskMin',
  'sunriseMin',
  'sunsetMin',
  'batchMin',
  'nowMin',
  'timeMin',
  'placeFromMin',
  'placeToMin',
  'startMin',
  'finishMin',
  'arriveMin',
  'firstLoadMin',
]);
/** In these a stretch of minutes runs from midnight too. */
const DAY_STRETCH = new Set(['pour-simulation', 'weather-rules', 'sequence-search']);
const STRETCH = new Set(['fromMin', 'toMin', 'endMin', 'finishP50Min', 'finishP90Min']);
export const isClock = (name: string, calculationId: string): boolean =>
  (CLOCK.has(name) && calculationId !== 'joint-window') ||
  (STRETCH.has(name) && DAY_STRETCH.has(calculationId));

/** What a field is called in plain words, without its unit. */
export function labelOf(name: string): string {
  const known = LABELS[name];
  if (known) return known;
  const quantity = quantityOfField(name);
  const bare = quantity && name.endsWith(quantity) ? name.slice(0, -quantity.length) : name;
  return bare
    .replace(/temp$/i, 'Temperature')
    .replace(/([a-z0-9])([A-Z])/g, '$1 $2')
    .replace(/([A-Z])([A-Z][a-z])/g, '$1 $2')
    .toLowerCase()
    .trim();
}

const CHOICES: Record<string, string> = {
  aci347: 'ACI 347',
  ciria108: 'CIRIA 108',
  hydrostatic: 'full head',
  aci117: 'ACI 117',
  en13670: 'EN 13670',
  astm: 'ASTM',
  en: 'EN 206',
  'us-aci': 'US, ACI',
  coldMinimum: 'least in cold weather',
  sentBack: 'sent back',
  'metric-en': 'metric, EN',
  rateLimit: 'its fastest rate',
  epoxyClose: 'epoxy, close',
  highBlend: 'high blend',
};
/** A choice as it is said: "callBalance" becomes "call balance". */
export const choiceText = (choice: string | number): string =>
  CHOICES[choice] ??
  (/^[a-z]+[A-Z]/.test(String(choice))
    ? String(choice)
        .replace(/([A-Z])/g, ' $1')
        .toLowerCase()
    : String(choice));

function valueText(name: string, value: unknown, calculationId: string, units: UnitSystem): string {
  if (value === null || value === undefined) return 'none';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return sentenceIn(choiceText(value), units);
  if (typeof value !== 'number') return JSON.stringify(value);
  if (isClock(name, calculationId)) return clockText(value);
  return quantityText(value, quantityOfField(name), units);
}

/** A line of a result: a single value, or a table of a list. */
export interface ResultRow {
  name: string;
  label: string;
  text: string | null;
  table: { head: string[]; rows: string[][] } | null;
}

/**
 * A result in words and in the site's units, field by field; groups are told with their own name
 * before, and lend their unit to what is in them.
 */
export function resultRows(
  calculationId: string,
  result: unknown,
  units: UnitSystem,
  prefix = '',
  kind: string | null = null,
): ResultRow[] {
  if (typeof result !== 'object' || result === null) return [];
  return Object.entries(result).flatMap(([name, value]): ResultRow[] => {
    const label = `${prefix}${labelOf(name)}`;
    const row = (text: string): ResultRow[] => [{ name, label, text, table: null }];
    if (!Array.isArray(value))
      return typeof value === 'object' && value !== null
        ? resultRows(calculationId, value, units, `${label}, `, quantityOfField(name) ? name : null)
        : row(valueText(kind ?? name, value, calculationId, units));
    if (value.length === 0) return row('none');
    if (typeof value[0] !== 'object' || value[0] === null)
      return row(value.map((x) => valueText(name, x, calculationId, units)).join(', '));
    const keys = Object.keys(value[0] as object).filter(
      (k) =>
        !(value as Record<string, unknown>[]).every(
          (r) => typeof r[k] === 'object' && r[k] !== null && !Array.isArray(r[k]),
        ),
    );
    const inWords = (k: string, x: unknown): string =>
      typeof x === 'object' && x !== null && !Array.isArray(x)
        ? Object.entries(x)
            .map(([name, y]) =>
              name === 'id' ? String(y) : `${labelOf(name)} ${inWords(name, y)}`,
            )
            .join(', ')
        : valueText(k, x, calculationId, units);
    const cell = (k: string, x: unknown): string =>
      Array.isArray(x)
        ? x.map((y) => inWords(k, y)).join(typeof x[0] === 'object' ? '; ' : ', ')
        : inWords(k, x);
    return [
      {
        name,
        label,
        text: null,
        table: {
          head: keys.map(labelOf),
          rows: (value as Record<string, unknown>[]).map((r) => keys.map((k) => cell(k, r[k]))),
        },
      },
    ];
  });
}

/** The value of a line of working in the site's units; what has no such unit stands as it is. */
export function stepText(s: Step, units: UnitSystem, currency?: string): string {
  if (s.value === null) return 'none';
  if (typeof s.value !== 'number') return choiceText(String(s.value));
  if (s.unit === 'min after midnight') return clockText(s.value);
  if (s.unit === 'money') return moneyText(s.value, currency);
  const quantity = s.unit === 'm above datum' ? 'Level' : QUANTITY_OF_UNIT.get(s.unit);
  if (quantity) return quantityText(s.value, quantity, units);
  return `${String(Number(s.value.toPrecision(6))).replace('-', '−')}${s.unit ? ` ${s.unit}` : ''}`;
}
