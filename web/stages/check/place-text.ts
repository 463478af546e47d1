import type { PointState } from '#core/check';
import { wallHeightM } from '#core/model';
import { distanceText } from '#core/units';
import type { usePour } from '../../app/pour-context.tsx';

function heightWords(upM: number | undefined, heightM: number): string {
  if (upM === undefined || heightM === 0) return '';
  if (upM < heightM * 0.34) return ', low';
  return upM > heightM * 0.66 ? ', high' : ', half way up';
}

/** Where along the run and how high, in words. */
export function placeText(v: ReturnType<typeof usePour>, s: PointState, place: number): string {
  const p = s.point.places[place];
  const run = v.record.site.runs.find((r) => r.id === s.point.elementId);
  const of =
    s.point.places.length > 1 ? `${place + 1} of ${s.point.places.length}` : 'anywhere on it';
  if (!p || p.atM === null || !run) return p?.label ?? of;
  const [left, right] =
    run.kind === 'wall' ? [', inside', ', outside'] : [', left side', ', right side'];
  const side = { left, right, middle: '' }[p.across ?? 'middle'];
  const high = run.kind === 'wall' ? heightWords(p.upM, wallHeightM(run)) : '';
  return `${p.label ? `${p.label}, ` : ''}${distanceText(p.atM, v.units)} from ${run.from}${side}${p.label ? '' : high}`;
}
