import type { Run, WallType } from '#core/model';
import { lapCodeOf, lapOf } from '#core/steel';
import { piersOn, wallsOn } from '#core/siteplan';
import { look, once, spacesOn } from './places.ts';
import type { Draft, ListContext, Place } from './types.ts';

/** What stands on it later, and the bars that wait for it. */
interface StandsOn {
  id: string;
  bar: string;
  lap?: WallType['lap'];
  place: Place;
  source?: string;
}

/** How far starters stand out: for the lap of what stands on them, and is poured another day. */
function standOut({ id, bar, lap: drawn, place, source }: StandsOn, c: ListContext): Draft[] {
  const { site, mix, pour, rules: r } = c;
  if (pour.elements.includes(id)) return [];
  const lap = lapOf({
    bar,
    fcMPa: mix.cylinderMPa,
    fyMPa: r.barGradeMPa,
    code: lapCodeOf(site.ruleProfile),
    drawn,
  });
  if (!lap) return [];
  const minus = r.lapMinus(lap.lapMm);
  return [
    {
      kind: `starters-${id}`,
      title: `Starters for ${id} stand out`,
      trade: 'steel',
      wanted: {
        type: 'size',
        what: 'lap',
        wantedMm: lap.lapMm,
        minusMm: minus.minusMm,
        plusMm: null,
      },
      places: [place],
      why: 'the shortest of them',
      source: lap.ruledBy === 'drawing' ? (source ?? 'schedule') : `computed, ${lap.source}`,
      toleranceSource: minus.source,
      advice: 'Pull it up and tie it, or put a longer one in: short starters do not lap.',
      danger: 'bars',
    },
  ];
}

const capped: Draft = {
  ...look(
    'verts-capped',
    'Uprights plumb, tied and capped',
    'steel',
    'Upright, tied so that they stay, hooks the right way, every one capped.',
  ),
  danger: 'bars',
};

/** Starters for the walls that will stand on this footing: how far apart, and how far they stand out. */
export function vertDrafts(run: Run, lengthM: number, c: ListContext): Draft[] {
  const { site, rules: r } = c;
  const walls = wallsOn(site, run).flatMap(({ wall, fromM, toM }) => {
    const type = site.wallTypes.find((t) => t.mark === wall.type);
    // A wall without uprights wants none out of its footing.
    return type?.vertical
      ? [{ wall, type, vertical: type.vertical, atM: (fromM + toM) / 2, onM: toM - fromM }]
      : [];
  });
  if (!walls.length) return [];
  return [
    ...walls.flatMap(({ wall, type, vertical, atM, onM }): Draft[] => {
      const place: Place = { atM, across: 'middle' };
      const source = `${type.drawing ?? 'schedule'}, ${type.mark}`;
      const spaces = spacesOn(Math.min(lengthM, onM), vertical.spacingM);
      const { bar } = vertical;
      const out = standOut({ id: wall.id, bar, lap: type.lap, place, source }, c);
      if (spaces === 0) return out;
      return [
        {
          kind: walls.length > 1 ? `verts-${wall.id}` : 'verts',
          danger: 'bars',
          title: `Spacing of uprights for ${wall.id}`,
          trade: 'steel',
          wanted: {
            type: 'spacing',
            specifiedMm: vertical.spacingM * 1000,
            toleranceMm: r.spacingToleranceMm,
            spaces,
          },
          places: [place],
          source,
          toleranceSource: r.spacingSource,
          advice: 'Shift the uprights before the pour; they cannot be moved after.',
        },
        ...out,
      ];
    }),
    capped,
  ];
}

/** Starters for the piers that will stand on a pad: how many, and how far they stand out. */
export const padStarters = (padId: string, c: ListContext): Draft[] =>
  piersOn(c.site, padId).flatMap(({ id, steel }): Draft[] => {
    if (!steel || c.pour.elements.includes(id)) return [];
    const { bar, count } = steel.vertical;
    const [place] = once;
    return [
      {
        kind: `count-starters-${id}`,
        title: `Starters for ${id}`,
        trade: 'steel',
        wanted: { type: 'count', wanted: count },
        places: once,
        advice: 'Put the missing starter in, hooked down, where the pier comes.',
        danger: 'bars',
      },
      ...(place ? standOut({ id, bar, place }, c) : []),
      { ...capped, kind: `verts-capped-${id}` },
    ];
  });
