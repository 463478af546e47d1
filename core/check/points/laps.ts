import { type DrawnLap, lapCodeOf, lapOf } from '#core/steel';
import { lengthText } from '#core/units';
import { look, spread } from './places.ts';
import type { Draft, ListContext } from './types.ts';

/** A lap, where the run is longer than one bar. The drawing rules; without one it is computed. */
export function lapDraft(
  bar: string,
  lengthM: number,
  type: { mark: string; drawing?: string | undefined; lap?: DrawnLap | undefined },
  { site, mix, rules: r }: ListContext,
  upM?: number,
  laid: { levelInWall?: boolean } = {},
): Draft[] {
  if (lengthM <= r.stockLengthM && lengthM < 3) return [];
  const lap = lapOf({
    bar,
    fcMPa: mix.cylinderMPa,
    fyMPa: r.barGradeMPa,
    code: lapCodeOf(site.ruleProfile),
    drawn: type.lap,
    ...laid,
  });
  if (!lap)
    return [
      look(
        'splice',
        'Mechanical splices',
        'steel',
        'These bars may not be lapped: couplers of the right kind, screwed or swaged as their maker says, staggered.',
      ),
    ];
  const { lapMm, computedMm } = lap;
  return [
    {
      kind: 'lap',
      title: 'Lap',
      trade: 'steel',
      wanted: {
        type: 'size',
        what: 'lap',
        wantedMm: lapMm,
        minusMm: r.lapMinus.minusMm,
        plusMm: null,
      },
      places: spread(lengthM, 1, 'middle', upM === undefined ? [] : [upM]),
      source:
        lap.ruledBy === 'drawing'
          ? `${type.drawing ?? 'schedule'}, ${type.mark}; computed it would be ${lengthText(computedMm, site.units)}`
          : `computed, ${lap.source}`,
      toleranceSource: r.lapMinus.source,
      advice: 'Slide the bar on or splice a piece in, and read again.',
    },
    ...(lengthM > r.stockLengthM
      ? [
          look(
            'stagger',
            'Laps staggered',
            'steel',
            'Laps of neighbouring bars lie apart by a lap at least, none at a corner or in an opening.',
          ),
        ]
      : []),
  ];
}
