import { both, rule, TRADE } from './entry.ts';

/** Levels, drains, grade and room to work. */
export const SET_OUT_RULES = {
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
    [0.4572, 'IRC 2021 R317.1, 18 in under joists'],
    [0.45, 'site practice'],
    [0, 3],
    'clearance-verdict.crawlNeedM',
  ),
  aboveGrade: rule(
    'Set-out',
    'Wall top above grade',
    'M',
    [0.2032, 'IRC 2021 R404.1.6 and R317.1, 8 in under framing'],
    [0.15, 'site practice'],
    [0, 2],
    'clearance-verdict.topNeedM',
  ),
  aboveGradeBare: rule(
    'Set-out',
    'The same, nothing framed on it',
    'M',
    [0.1524, 'IRC 2021 R404.1.6, 6 in'],
    [0.15, 'site practice'],
    [0, 2],
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
} as const;
