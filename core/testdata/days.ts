import type { LogEvent } from '../log/events.ts';
import { replay } from '../log/state.ts';
import { midnightMs } from '../weather/local-date.ts';
import { planOf, type PourRecord, viewOf } from '../view/pour-view.ts';
import { mixSchema } from '../model/mix.ts';
import { entriesFrom, orderBody } from './entries.ts';
import { job, type JobParts } from './jobs.ts';

/** Small made-up days: a job, and how its loads came and were placed, drawn from plain numbers. */

/** A job as a record, with its mix and plant on its site. */
export function recordOf(parts: JobParts): PourRecord {
  const { site, pour, plant } = job(parts);
  const mix = mixSchema.parse({ mark: 'M1', label: 'C30/37', fcMPa: 30, slumpMm: 120 });
  return { site: { ...site, mixes: [mix], plants: [plant] }, pour, duskMin: 1140 };
}

/** How one load of the day went. */
export interface DrawnLoad {
  volumeM3: number;
  lateMin: number;
  tempC: number | null;
  /** Sent back at the gate, after part of it was placed, or placed whole. */
  fate: 'gate' | 'half' | 'placed';
  /** How its concrete goes in: in so many stretches. */
  stretches: number;
  /** More than one front: every other stretch goes into the next face that may be begun. */
  fronts: boolean;
  /** A stop between stretches, min. */
  stopMin: number;
}

export const DAY_MS = midnightMs('2026-10-07', 'Europe/Paris');

/** What was placed from each load, as the test itself keeps it. */
export interface DrawnDay {
  record: PourRecord;
  log: LogEvent[];
  /** Neat m³ from each load, by the moment of its last stop. */
  placed: { atMs: number; loadId: string; neatM3: number }[];
}

/** Concrete of each lift, and how much of it is filled. */
interface Face {
  elementId: string;
  lift: number;
  neatM3: number;
  ratio: number;
}

/** Lays the drawn loads over a pour: ordered the day before, then load by load into what may be begun. */
export function dayOf(record: PourRecord, loads: readonly DrawnLoad[]): DrawnDay {
  const { entry, ms } = entriesFrom(DAY_MS, 'I. Brandvold');
  const plan = planOf(record);
  if (!plan) throw new Error('no plan');
  const { wasteRatio, leftBehindM3 } = record.pour.settings;
  const ordered = loads.map((l, i) => ({
    id: `L${i + 1}`,
    volumeM3: l.volumeM3,
    batchMin: 420 + 40 * i,
  }));
  const log: LogEvent[] = [entry('order', orderBody(ordered, DAY_MS, record.pour), -600)];
  const placed: DrawnDay['placed'] = [];
  const faces: Face[] = [];
  for (const c of plan.cells) {
    const known = faces.find((f) => f.elementId === c.elementId && f.lift === c.lift);
    if (known) known.neatM3 += c.volumeM3;
    else faces.push({ elementId: c.elementId, lift: c.lift, neatM3: c.volumeM3, ratio: 0 });
  }
  let at = 455;
  let hoseM3 = leftBehindM3;
  for (const [i, l] of loads.entries()) {
    const loadId = `L${i + 1}`;
    at = Math.max(at + 2, 455 + 40 * i + l.lateMin);
    const batchedAt = new Date(ms(at - 30)).toISOString();
    log.push(
      entry(
        'load-arrived',
        {
          loadId,
          ticket: `T${i}`,
          volumeM3: l.volumeM3,
          batchedAt,
          ...(l.tempC === null ? {} : { concreteTempC: l.tempC }),
        },
        at,
      ),
    );
    if (l.fate === 'gate') {
      log.push(entry('load-verdict', { loadId, decision: 'reject', reason: 'too stiff' }, at + 3));
      continue;
    }
    let neat = Math.max(0, l.volumeM3 - hoseM3) / (1 + wasteRatio);
    hoseM3 = 0;
    if (l.fate === 'half') neat /= 2;
    for (let k = 0; k < l.stretches; k += 1) {
      const state = replay(log);
      const open = viewOf(record, state, ms(at))?.progress.startable ?? [];
      const next = open[l.fronts ? k % open.length : 0];
      const face = faces.find((f) => f.elementId === next?.elementId && f.lift === next.lift);
      if (!face) break;
      const give = Math.min(neat / l.stretches, (1 - face.ratio) * face.neatM3);
      if (give <= 1e-9) break;
      const { elementId, lift } = face;
      log.push(entry('place-start', { elementId, lift, loadId }, at + 1));
      face.ratio = Math.min(1, face.ratio + give / face.neatM3);
      at += 1 + Math.max(1, give * 4);
      log.push(entry('place-stop', { elementId, lift, filledRatio: face.ratio }, at));
      placed.push({ atMs: Date.parse(log.at(-1)?.at ?? ''), loadId, neatM3: give });
      at += l.stopMin;
    }
    log.push(
      l.fate === 'half'
        ? entry('load-verdict', { loadId, decision: 'reject', reason: 'too stiff' }, at + 1)
        : entry('load-end', { loadId, returnedM3: 0 }, at + 1),
    );
    at += 1;
  }
  return { record, log, placed };
}
