import type { Quantity } from '#core/units';

/**
 * The rule profiles as data: every value of the house that a site may set for itself, what it is in each profile, and
 * where that comes from. To add one: a line here, and read it with `rules.value(id)` where it bites.
 *
 * `fields` names the inputs of registered calculations that take the value, as `calculation.field`:
 * it is how a figure's working and the workbench know which rule stands behind a number.
 */
interface Entry {
  group:
    | 'Concrete'
    | 'Weather'
    | 'Forms'
    | 'Steel'
    | 'Anchors'
    | 'Set-out'
    | 'Plan'
    | 'Tests'
    | 'How many readings';
  title: string;
  quantity: Quantity | null;
  /** Value and source in the US (ACI) and the metric (EN) profile, in the core's own unit. */
  us: readonly [number, string];
  metric: readonly [number, string];
  /** What makes sense physically; a value outside is refused. */
  least: number;
  most: number;
  fields?: readonly string[];
}

const TRADE = 'trade practice';
const rule = (
  group: Entry['group'],
  title: string,
  quantity: Quantity | null,
  us: Entry['us'],
  metric: Entry['metric'],
  [least, most]: readonly [number, number],
  ...fields: string[]
): Entry => ({ group, title, quantity, us, metric, least, most, fields });
const both = (
  value: number,
  source: string,
): [readonly [number, string], readonly [number, string]] => [
  [value, source],
  [value, source],
];

export const RULE_CATALOG = {
  loadAge: rule(
    'Concrete',
    'Oldest a load may get',
    'Min',
    [90, 'ASTM C94/C94M-21'],
    [90, 'EN 206, national annexes'],
    [15, 360],
    'load-verdict.limitMin',
    'pour-simulation.maxAgeMin',
  ),
  hottestConcrete: rule(
    'Concrete',
    'Hottest concrete taken',
    'C',
    [35, 'ACI 305.1-14, 95 °F'],
    [30, 'EN 13670 §8.3 note'],
    [15, 50],
    'load-verdict.hottestC',
    'weather-rules.hottestC',
  ),
  coldestConcrete: rule(
    'Concrete',
    'Coldest concrete taken',
    'C',
    ...both(5, 'ACI 306.1; EN 206 §5.2.8'),
    [0, 20],
    'load-verdict.coldestC',
  ),
  pumpLoss: rule(
    'Concrete',
    'Slump a pump eats',
    'Mm',
    ...both(12.7, TRADE),
    [0, 100],
    'slump-verdict.pumpLossMm',
  ),
  waterEffect: rule(
    'Concrete',
    'Slump gained by water',
    'MmPerLPerM3',
    ...both(25.4 / 4.95, TRADE),
    [0.5, 30],
    'water-addition.slumpMmPerLPerM3',
  ),
  waterUntil: rule(
    'Concrete',
    'Water only until this much is out',
    'M3',
    ...both(0.25, 'ASTM C94/C94M-21 §12.7'),
    [0, 3],
    'water-addition.dischargeLimitM3',
  ),
  stiffen: rule(
    'Concrete',
    'A lift has stiffened, at 20 °C (68 °F)',
    'Min',
    ...both(40, TRADE),
    [5, 240],
    'joint-window.stiffenMinAt20C',
    'pour-simulation.stiffenMinAt20C',
  ),
  knit: rule(
    'Concrete',
    'A seam no longer knits, at 20 °C (68 °F)',
    'Min',
    ...both(75, TRADE),
    [10, 480],
    'joint-window.knitMinAt20C',
    'pour-simulation.knitMinAt20C',
  ),
  strengthEnergy: rule(
    'Concrete',
    'Strength against temperature, Q',
    'K',
    ...both(5000, 'ASTM C1074-19 X1'),
    [1000, 9000],
    'strength-forecast.activationK',
    'equivalent-age.activationK',
  ),
  datum: rule(
    'Concrete',
    'Temperature below which nothing matures',
    'C',
    ...both(0, 'ASTM C1074-19'),
    [-15, 10],
    'equivalent-age.datumC',
  ),

  coolingTime: rule(
    'Concrete',
    'Concrete 0.3 m (12 in) thick follows the air within',
    'H',
    ...both(24, 'assumption of the house, in proportion to the least dimension'),
    [4, 96],
  ),
  probeAge: rule(
    'Concrete',
    'A temperature counts as measured for',
    'H',
    ...both(6, 'house default'),
    [0.5, 48],
  ),

  dryingWatch: rule(
    'Weather',
    'Drying to watch',
    'KgM2H',
    ...both(0.5, 'ACI 305R-20'),
    [0.1, 3],
    'evaporation.watchKgM2H',
  ),
  dryingAct: rule(
    'Weather',
    'Drying to act on',
    'KgM2H',
    ...both(1, 'ACI 305R-20'),
    [0.1, 3],
    'evaporation.actKgM2H',
  ),
  rainCaution: rule(
    'Weather',
    'Rain that calls for covers',
    'MmH',
    ...both(0.5, TRADE),
    [0, 20],
    'weather-rules.rainCautionMmH',
  ),
  rainStop: rule(
    'Weather',
    'Rain that stops placing',
    'MmH',
    ...both(2.5, TRADE),
    [0.1, 50],
    'weather-rules.rainStopMmH',
  ),
  boomWind: rule(
    'Weather',
    'Wind that stops a boom',
    'KmH',
    ...both(48, 'pump makers; the machine’s own limit rules'),
    [10, 90],
    'weather-rules.boomLimitKmH',
  ),
  protection: rule(
    'Weather',
    'Protection after placing',
    'H',
    ...both(48, 'ACI 306R-16 table 7.1'),
    [12, 672],
    'weather-rules.protectionH',
  ),

  deflection: rule(
    'Forms',
    'Sheathing bends at most span over',
    null,
    ...both(360, 'ACI 347R-14'),
    [120, 1000],
    'sheathing-span.deflectionRatio',
    'waler-layout.deflectionRatio',
  ),
  firstWaler: rule(
    'Forms',
    'First waler no higher than',
    'M',
    ...both(0.3, TRADE),
    [0.05, 1],
    'waler-layout.firstWalerM',
  ),
  braceLine: rule(
    'Forms',
    'Push along the top of a form',
    'KNM',
    ...both(1.5, 'ACI 347R-14 §4.3.3, 100 lb/ft'),
    [0, 20],
    'brace-load.lineLoadKNM',
  ),
  braceWind: rule(
    'Forms',
    'Wind on a form',
    'KPa',
    ...both(0.72, 'ACI 347R-14 §4.3.3, 15 psf'),
    [0, 5],
    'brace-load.windKPa',
  ),
  braceLeave: rule(
    'Forms',
    'A brace is left alone within',
    'Mm',
    ...both(1.5, TRADE),
    [0, 20],
    'brace-turn.toleranceMm',
  ),
  leanIn: rule(
    'Forms',
    'A wall on push-only braces leans in by',
    'Mm',
    ...both(6.35, TRADE),
    [0, 50],
  ),
  leanMore: rule('Forms', 'and by this much more at most', 'Mm', ...both(6.35, TRADE), [0, 50]),
  straight: rule(
    'Forms',
    'Off the string line',
    'Mm',
    ...both(6.35, 'site practice within ACI 117-10 §4'),
    [0, 50],
    'straightness.toleranceMm',
  ),
  square: rule('Forms', 'Diagonals apart', 'Mm', ...both(12.7, TRADE), [0, 100]),
  plumb: rule(
    'Forms',
    'Out of plumb',
    'Mm',
    [6.35, 'ACI 117-10 §4.1, in 10 ft'],
    [10, 'EN 13670 §10.3'],
    [0, 50],
  ),
  topLevel: rule(
    'Forms',
    'Top off its level',
    'Mm',
    [12.7, 'ACI 117-10 §3.3'],
    [20, 'EN 13670 §10.2'],
    [0, 100],
  ),
  footingNarrow: rule(
    'Forms',
    'Footing narrower by',
    'Mm',
    [12.7, 'ACI 117-10 §3.5, formed'],
    [10, 'EN 13670 §10.4'],
    [0, 100],
  ),
  footingWide: rule(
    'Forms',
    'Footing wider by',
    'Mm',
    [50.8, 'ACI 117-10 §3.5, formed'],
    [50, 'EN 13670 §10.4'],
    [0, 300],
  ),
  footingShallow: rule(
    'Forms',
    'Footing shallower by',
    'Ratio',
    [0.05, 'ACI 117-10 §3.5'],
    [0.05, 'EN 13670 §10.4'],
    [0, 0.2],
  ),
  thinWallMinus: rule(
    'Forms',
    'Thin wall thinner by',
    'Mm',
    [6.35, 'ACI 117-10 §4.5, to 12 in'],
    [10, 'EN 13670 §10.4, to 150 mm'],
    [0, 50],
  ),
  thinWallPlus: rule(
    'Forms',
    'Thin wall thicker by',
    'Mm',
    [9.525, 'ACI 117-10 §4.5, to 12 in'],
    [10, 'EN 13670 §10.4, to 150 mm'],
    [0, 50],
  ),
  thickWallMinus: rule(
    'Forms',
    'Thick wall thinner by',
    'Mm',
    [9.525, 'ACI 117-10 §4.5, over 12 in'],
    [15, 'EN 13670 §10.4, over 150 mm'],
    [0, 50],
  ),
  thickWallPlus: rule(
    'Forms',
    'Thick wall thicker by',
    'Mm',
    [12.7, 'ACI 117-10 §4.5, over 12 in'],
    [15, 'EN 13670 §10.4, over 150 mm'],
    [0, 50],
  ),

  barSpacing: rule(
    'Steel',
    'Bar off its spacing',
    'Mm',
    [76.2, 'ACI 117-10 §2.2.5'],
    [50, 'site practice beside EN 13670 §10.6'],
    [0, 200],
    'spacing-verdict.toleranceMm',
  ),
  barEnd: rule(
    'Steel',
    'First and last bar from the end',
    'Mm',
    ...both(76.2, TRADE),
    [0, 300],
    'spacing-verdict.endMm',
  ),
  lapShort: rule(
    'Steel',
    'Lap shorter by',
    'Mm',
    [25.4, 'ACI 117-10 §2.2.6'],
    [20, 'EN 13670 §10.6'],
    [0, 100],
  ),
  barGrade: rule(
    'Steel',
    'Grade of bars',
    'MPa',
    [413.685, 'ASTM A615, grade 60'],
    [500, 'EN 10080, B500'],
    [250, 700],
    'lap-length.fyMPa',
    'rebar-takeoff.fyMPa',
  ),
  chairEvery: rule(
    'Steel',
    'A chair under the bars every',
    'M',
    [1.2192, 'trade practice, 4 ft'],
    [1.2, TRADE],
    [0.3, 3],
  ),
  benchEvery: rule(
    'Steel',
    'A chair or bench under a top mat every',
    'M',
    [0.9144, 'trade practice, 3 ft'],
    [0.9, TRADE],
    [0.3, 2],
  ),
  benchLoad: rule(
    'Steel',
    'Of a top mat, one chair or bench carries',
    'Kg',
    ...both(40, 'house default; its maker rules'),
    [5, 500],
  ),
  barStock: rule(
    'Steel',
    'Stock length of bars',
    'M',
    [6.096, '20 ft, common stock'],
    [12, 'common stock'],
    [2, 24],
    'rebar-takeoff.stockLengthM',
  ),

  boltSpacing: rule(
    'Anchors',
    'Bolts no further apart than',
    'M',
    ...both(1.8288, 'IRC 2021 R403.1.6'),
    [0.3, 3],
    'anchor-layout.maxSpacingM',
    'anchor-verdict.maxSpacingM',
  ),
  boltEndMost: rule(
    'Anchors',
    'Bolt from the plate’s end, at most',
    'Mm',
    ...both(304.8, 'IRC 2021 R403.1.6'),
    [50, 600],
    'anchor-layout.endMaxMm',
    'anchor-verdict.endMaxMm',
  ),
  boltEmbedment: rule(
    'Anchors',
    'Bolt shallower than drawn by',
    'Mm',
    [0, 'IRC 2021 R403.1.6'],
    [0, 'drawing'],
    [0, 100],
  ),
  boltDeep: rule(
    'Anchors',
    'Bolt in the concrete, at least',
    'Mm',
    ...both(177.8, 'IRC 2021 R403.1.6'),
    [50, 1000],
    'anchor-verdict.leastEmbedmentMm',
  ),
  boltLow: rule(
    'Anchors',
    'Bolt standing out less by',
    'Mm',
    [12.7, 'ACI 117-10 §2.3.2'],
    [5, 'EN 13670 §10.7'],
    [0, 100],
  ),
  boltHigh: rule(
    'Anchors',
    'Bolt standing out more by',
    'Mm',
    [12.7, 'ACI 117-10 §2.3.2'],
    [25, 'EN 13670 §10.7'],
    [0, 100],
    'anchor-verdict.projectionToleranceMm',
  ),

  levelClose: rule(
    'Set-out',
    'A level loop closes within',
    'Mm',
    ...both(3, TRADE),
    [0, 50],
    'level-loop.toleranceMm',
  ),
  levelAgain: rule(
    'Set-out',
    'Form tops are read within, before the first load; 0: not again',
    'H',
    ...both(8, `${TRADE}: on the morning of the pour`),
    [0, 72],
  ),
  drainFall: rule(
    'Set-out',
    'Least fall of a drain',
    'Ratio',
    ...both(0.01, TRADE),
    [0.001, 0.2],
    'drain-pitch.leastPitchRatio',
  ),
  crawl: rule(
    'Set-out',
    'Crawl height',
    'M',
    ...both(0.4572, 'IRC 2021 R408.4, 18 in'),
    [0, 3],
    'clearance-verdict.crawlNeedM',
  ),
  aboveGrade: rule(
    'Set-out',
    'Wall top above grade',
    'M',
    ...both(0.2032, 'IRC 2021 R404.1.6, 8 in'),
    [0, 2],
    'clearance-verdict.topNeedM',
  ),
  workingRoom: rule(
    'Set-out',
    'Room beside the forms',
    'M',
    [0.6096, `${TRADE}, 2 ft`],
    [0.6, TRADE],
    [0, 3],
    'clearance-verdict.roomNeedM',
  ),

  handRate: rule(
    'Plan',
    'Concrete one hand places in an hour',
    'M3PerH',
    ...both(3.6, TRADE),
    [0.2, 30],
  ),
  callLead: rule('Plan', 'Until a called balance is batched', 'Min', ...both(15, TRADE), [0, 240]),
  coldSeamShare: rule(
    'Plan',
    'Mornings on which a seam may go cold',
    'Ratio',
    ...both(0.02, TRADE),
    [0, 1],
    'sequence-search.coldSeamShare',
  ),
  callSd: rule(
    'Plan',
    'How well the balance is known when called',
    'Ratio',
    ...both(0.02, TRADE),
    [0, 0.5],
    'order-quantity.callSdRatio',
  ),
  pumpEdge: rule(
    'Plan',
    'Pump from the edge, over its depth',
    null,
    ...both(1, TRADE),
    [0.2, 5],
    'pump-reach.edgeRatio',
  ),
  wires: rule(
    'Plan',
    'Boom from overhead wires',
    'M',
    ...both(6.096, '29 CFR 1926.1408, 20 ft'),
    [3, 30],
    'pump-reach.wiresLeastM',
  ),

  testEveryM3: rule(
    'Tests',
    'A strength test every',
    'M3',
    [115, 'ACI 318-19 §26.12.2, 150 yd³'],
    [100, 'EN 206 table 17, as commonly applied'],
    [5, 500],
    'sampling-plan.everyM3',
  ),
  testEveryM2: rule(
    'Tests',
    'A strength test every, of face',
    'M2',
    ...both(465, 'ACI 318-19 §26.12.2, 5000 ft²'),
    [20, 2000],
    'sampling-plan.everyM2',
  ),
  testWaiver: rule(
    'Tests',
    'Tests may be waived under',
    'M3',
    ...both(38, 'ACI 318-19 §26.12.2, 50 yd³'),
    [0, 100],
    'sampling-plan.waiverM3',
  ),

  coverEvery: rule(
    'How many readings',
    'Cover read every',
    'M',
    [6.096, 'house default, 20 ft'],
    [6, 'house default'],
    [0.5, 30],
  ),
  coverLeast: rule(
    'How many readings',
    'Cover readings a face, at least',
    'Count',
    ...both(2, 'house default'),
    [1, 20],
  ),
  stretch: rule(
    'How many readings',
    'Runs of one type in a row are read together up to',
    'M',
    ...both(10, 'house default'),
    [0.5, 100],
  ),
  sizeEvery: rule(
    'How many readings',
    'Size and level read every',
    'M',
    [9.144, 'house default, 30 ft'],
    [9, 'house default'],
    [0.5, 50],
  ),
} as const satisfies Record<string, Entry>;

export type RuleId = keyof typeof RULE_CATALOG;
export type RuleEntry = Entry;
export const RULE_IDS = Object.keys(RULE_CATALOG) as [RuleId, ...RuleId[]];
