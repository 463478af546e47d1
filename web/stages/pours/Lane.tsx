import { scaleLinear } from 'd3';
import { useEffect, useMemo, useSyncExternalStore } from 'react';
import type { PourAnswer } from '../../../contract/index.ts';
import { gateOf } from '../../../core/check/gate.ts';
import { judgeAll } from '../../../core/check/judge.ts';
import { pointsOf } from '../../../core/check/points.ts';
import { curingOf } from '../../../core/cure/curing.ts';
import { planPour } from '../../../core/pourplan/plan.ts';
import { loadsOf } from '../../../core/pourlog/loads.ts';
import { progressOf } from '../../../core/pourlog/progress.ts';
import { isClosed } from '../../../core/pourlog/state.ts';
import { clockText, strength, textOf, volume } from '../../../core/units/index.ts';
import { logStore } from '../../sync/log-store.ts';
import { Mark } from '../../ui/Mark.tsx';

/** What a lane needs of a pour, from the same core as its stages. */
function useLane(record: PourAnswer, nowMs: number) {
  const store = useMemo(() => logStore(record.id), [record.id]);
  const log = useSyncExternalStore(store.watch, store.snapshot);
  useEffect(() => { void store.pull().catch(() => undefined); }, [store]);
  return useMemo(() => {
    const { site, pour } = record;
    const mix = site.mixes.find((m) => m.mark === pour.mix);
    const plant = site.plants.find((p) => p.id === pour.plant);
    if (!mix || !plant) return null;
    const points = judgeAll(site, pour.elements.flatMap((e) => pointsOf(site, e, mix)), log.state);
    const plan = planPour(site, pour, mix, plant, record.duskMin, 1);
    const loads = loadsOf(log.state, plan.loadIds, mix, site.ruleProfile, nowMs);
    const progress = progressOf(pour, mix, plan.route, plan.orderedM3, log.state, loads, nowMs);
    return { mix, plan, gate: gateOf(pour, points, log.state, record.siteVersion), progress, curing: curingOf(pour, mix, log.state, progress.finishedMs, nowMs), closed: isClosed(log.state) };
  }, [record, log, nowMs]);
}

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const W = 600;
const H = 58;

/** The lane's own stretch of the strip: days before narrow, today wide, days after narrow. */
export function LaneStrip({ record, nowMs, dayMs }: { record: PourAnswer; nowMs: number; dayMs: number | null }) {
  const lane = useLane(record, nowMs);
  const todayMs = Math.floor((nowMs - (dayMs ?? 0)) / DAY) * DAY + (dayMs ?? 0);
  const x = scaleLinear([todayMs - 14 * DAY, todayMs + 5 * HOUR, todayMs + 20 * HOUR, todayMs + 15 * DAY], [0, 130, 430, W]).clamp(true);
  if (!lane) return null;
  const start = dayMs === null ? null : lane.progress.startedMs ?? dayMs + record.pour.settings.firstLoadMin * 60_000;
  const end = dayMs === null ? null : lane.progress.finishedMs ?? dayMs + lane.plan.timetable.finishMin * 60_000;
  const c = lane.curing;
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="block h-[58px] w-full" preserveAspectRatio="none" aria-hidden="true">
      <rect x={x(todayMs + 5 * HOUR)} width={x(todayMs + 20 * HOUR) - x(todayMs + 5 * HOUR)} height={H} fill="var(--sheet)" />
      <path d={`M0 ${H - 6}H${W}`} stroke="var(--hair)" vectorEffect="non-scaling-stroke" />
      {c && <path d={`M${c.curve.map((p) => `${x(c.startMs + p.timeH * HOUR)} ${H - 6 - (p.strengthMPa / lane.mix.fcMPa) * (H - 16)}`).join('L')}`} fill="none" stroke="var(--fresh)" strokeWidth="2" strokeDasharray="6 4" vectorEffect="non-scaling-stroke" />}
      {start !== null && end !== null && <rect x={x(start)} y="10" width={Math.max(5, x(end) - x(start))} height={H - 16} fill={lane.progress.startedMs === null ? 'var(--fresh-2)' : 'var(--fresh)'} stroke="var(--fresh)" strokeWidth="2" vectorEffect="non-scaling-stroke" />}
      <path d={`M${x(nowMs)} 0V${H}`} stroke="var(--chalk)" strokeWidth="3" vectorEffect="non-scaling-stroke" />
    </svg>
  );
}

/** In words, what holds each pour, or how it stands. */
export function LaneStatus({ record, nowMs }: { record: PourAnswer; nowMs: number }) {
  const lane = useLane(record, nowMs);
  if (!lane) return null;
  const units = record.site.units;
  const { gate, curing, progress, plan, closed } = lane;
  const date = record.pour.date;
  const when = date ? `${date.slice(8)}.${date.slice(5, 7)}., ${clockText(record.pour.settings.firstLoadMin)}` : 'no date yet';
  const amount = `${textOf(volume(plan.orderedM3, units, 1))} in ${plan.loadIds.length} load${plan.loadIds.length > 1 ? 's' : ''}`;
  if (curing) return <p className="leading-5"><b className="head flex items-center gap-2 text-[20px] leading-6 text-good-t"><Mark verdict="good" />{closed ? 'Closed' : curing.mayStrip ? 'Forms may come off' : 'Curing'}</b>{textOf(strength(curing.strengthMPa, units))} by temperature</p>;
  if (progress.startedMs !== null) return <p className="leading-5"><b className="head flex items-center gap-2 text-[20px] leading-6"><Mark verdict="tight" />Pouring</b>{textOf(volume(progress.placedM3, units, 1))} placed</p>;
  const n = gate.rows.length;
  const untouched = gate.read === 0;
  const label = gate.ready ? 'Nothing holds it' : untouched ? 'Nothing read yet' : `${n} thing${n > 1 ? 's' : ''} hold${n > 1 ? '' : 's'} it`;
  const tone = gate.ready ? 'text-good-t' : untouched ? '' : gate.counts.out ? 'text-chalk-t' : 'text-ochre-t';
  return <p className="leading-5"><b className={`head flex items-center gap-2 text-[20px] leading-6 ${tone}`}><Mark verdict={gate.ready ? 'good' : untouched ? 'unread' : gate.counts.out ? 'out' : 'held'} />{label}</b>{!untouched && !gate.ready && `${gate.counts.out} out, ${gate.counts.held} question, ${gate.counts.unread} to read. `}{when}, {amount}</p>;
}
