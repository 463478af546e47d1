import { type DrawnLap, type Laid, lapCodeOf, lapOf } from '#core/steel';
import { lengthText } from '#core/units';
import { look, spread } from './places.ts';
import type { Draft, ListContext } from './types.ts';

/** A lap, where the run is longer than one bar. The drawing rules; without one it is computed. */
export function lapDraft(
  bar: string,
  lengthM: number,
  type: { mark: string; drawing?: string | undefined; lap?: DrawnLap | undefined },
  { site, mix, rules: r }: ListContext,
  laid: Laid & { upM?: number } = {},
  named: Pick<Draft, 'kind' | 'title'> = { kind: 'lap', title: 'Lap' },
): Draft[] {
  const { upM, ...lies } = laid;
  if (lengthM <= r.stockLengthM && lengthM < 3) return [];
  const lap = lapOf({
    bar,
    fcMPa: mix.cylinderMPa,
    fyMPa: r.barGradeMPa,
    code: lapCodeOf(site.ruleProfile),
    drawn: type.lap,
    ...lies,
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
  const minus = r.lapMinus(lapMm);
  return [
    {
      ...named,
      trade: 'steel',
      wanted: {
        type: 'size',
        what: 'lap',
        wantedMm: lapMm,
        minusMm: minus.minusMm,
        plusMm: null,
      },
      places: spread(lengthM, 1, 'middle', upM === undefined ? [] : [upM]),
      source:
        lap.ruledBy === 'drawing'
          ? `${type.drawing ?? 'schedule'}, ${type.mark}; computed it would be ${lengthText(computedMm, site.units)}`
          : `computed, ${lap.source}`,
      toleranceSource: minus.source,
      advice: 'Slide the bar on or splice a piece in, and read again.',
    },
    ...(lengthM > r.stockLengthM && named.kind === 'lap'
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
