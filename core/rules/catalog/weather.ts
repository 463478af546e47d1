import { both, rule, TRADE } from './entry.ts';

/** What the weather asks of a pour and of fresh concrete. */
export const WEATHER_RULES = {
  dryingWatch: rule(
    'Weather',
    'Drying to watch',
    'KgM2H',
    [0.5, 'ACI 305R-20'],
    [0.5, 'site practice'],
    [0.1, 3],
    'evaporation.watchKgM2H',
  ),
  dryingAct: rule(
    'Weather',
    'Drying to act on',
    'KgM2H',
    [1, 'ACI 305R-20'],
    [1, 'site practice'],
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
    'Protection after placing in the cold',
    'H',
    [72, 'ACI 306R-16 table 7.1, to be confirmed'],
    [72, 'planned so; it ends at 5 MPa, EN 13670 §8.5'],
    [12, 672],
    'weather-rules.protectionH',
  ),
  protectionSheltered: rule(
    'Weather',
    'The same, where nothing loads or exposes it',
    'H',
    [48, 'ACI 306R-16 table 7.1, to be confirmed'],
    [48, 'planned so; it ends at 5 MPa, EN 13670 §8.5'],
    [12, 672],
  ),
} as const;
