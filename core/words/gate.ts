import { type Gate, type HoldRow, marginText, type PointState, type TypeChange } from '#core/check';
import { type PourState, questionsOf } from '#core/log';
import { HOLD_NAME } from '#core/model';
import { distanceText, quantityText, type UnitSystem } from '#core/units';

/** What the words of a hold are taken from. */
interface Held {
  points: readonly PointState[];
  gate: Gate;
  state: PourState;
  units: UnitSystem;
}

function outText(v: Held, r: HoldRow): string {
  const p = v.points.find((x) => x.point.id === r.ref);
  const place = p?.places[r.place ?? 0];
  const value = place?.reading && !place.mark ? place.reading.body.value : null;
  const margin =
    p && value && place?.judged ? marginText(p.point, value, place.judged, v.units) : null;
  const why = margin ?? place?.mark?.body.reason;
  return `${r.elementId ?? ''} ${p?.point.title.toLowerCase() ?? ''}${why ? `, ${why}` : ''}${place?.fix ? ', fixed, read again' : ''}`;
}

function signText({ gate }: Held, r: HoldRow): string {
  const sign = gate.signs.find((s) => s.hold === r.ref);
  const name = sign ? HOLD_NAME[sign.hold] : '';
  if (sign?.state === 'rejected') return `${name} rejected: ${sign.reason ?? ''}`;
  if (sign?.state === 'reopened') return `${name} open again: ${sign.reason ?? ''}`;
  return `${name}, not signed`;
}

/**
 * A thing that holds the pour, in words.
 * @param changes changes of type by their ids
 */
export function holdText(
  v: Held,
  r: HoldRow,
  changes: ReadonlyMap<string, TypeChange> = new Map(),
): string {
  const at = r.elementId ?? '';
  switch (r.kind) {
    case 'out':
      return outText(v, r);
    case 'unread':
      return `${r.count} reading${r.count > 1 ? 's' : ''} to take`;
    case 'question': {
      const q = questionsOf(v.state).find((e) => e.id === r.ref)?.entry;
      return `Question ${q?.body.number ?? ''}, ${q?.body.elementIds.join(', ') ?? ''}: ${q?.body.to ?? ''}`;
    }
    case 'change': {
      const c = changes.get(r.ref);
      return `${c?.toRun ?? ''} becomes ${c?.toType ?? ''}: ${c?.words[0]?.split(',')[0] ?? 'another type'}`;
    }
    case 'usual':
      return `${r.ref} is of a usual size only: compare it with the drawing`;
    case 'loop':
      return 'The level loop does not close: read it again from the benchmark';
    case 'pressure':
      return `${at}: forms over their rating, ${quantityText(r.amount ?? 0, 'KPa', v.units)} on them as planned`;
    case 'reach':
      return `${at}: ${distanceText(r.amount ?? 0, v.units)} out of the pump’s reach`;
    case 'apart':
      return `${at}: ${distanceText(Math.abs(r.amount ?? 0), v.units)} between its foot and what carries it`;
    case 'sign':
    case 'reject':
      return signText(v, r);
  }
}
