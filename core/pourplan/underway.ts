import type { ForecastInput } from './forecast-model.ts';
import type { Placement, SimulationInput, Timetable } from './simulation-model.ts';
import { breakMinutes, NOTHING_M3, place } from './breaks.ts';
import type { Todo, Underway } from './timetable.ts';
import { EPS, type Filling } from './timetable-seams.ts';

type Load = SimulationInput['loads'][number];
type LoadNow = ForecastInput['loadsNow'][number];

/** A pour that has begun: as a simulation of what is still to come, and where it stands. */
export interface Going {
  simulation: SimulationInput;
  underway: Underway;
}

const leaveOf = (l: Load): number => l.batchMin + l.plantDelay.medianMin;
const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0);

/** What has been placed in each cell: how much, from when and until when. */
function fillingsOf(v: ForecastInput): { filled: Map<string, Filling>; m3: Map<string, number> } {
  const filled = new Map<string, Filling>();
  const m3 = new Map<string, number>();
  for (const p of v.placed) {
    const was = filled.get(p.cellId);
    filled.set(p.cellId, {
      start: was?.start ?? p.fromMin,
      end: Math.max(was?.end ?? p.toMin, p.toMin),
      full: false,
    });
    m3.set(p.cellId, (m3.get(p.cellId) ?? 0) + p.volumeM3);
  }
  return { filled, m3 };
}

/** What is still to fill: the cell under way first, then the rest as they are listed. */
function todoOf(
  v: ForecastInput,
  filled: Map<string, Filling>,
  m3: Map<string, number>,
  underFirst: boolean,
): Todo[] {
  const last = v.placed.at(-1);
  const todo = v.cells.flatMap((cell): Todo[] => {
    const leftM3 = (cell.volumeM3 - (m3.get(cell.id) ?? 0)) * v.yieldRatio;
    const f = filled.get(cell.id);
    if (f && leftM3 <= NOTHING_M3 + cell.volumeM3 * EPS) {
      f.full = true;
      return [];
    }
    return [{ cell, leftM3, moved: f !== undefined }];
  });
  const under = last && underFirst ? todo.findIndex((d) => d.cell.id === last.cellId) : 0;
  if (under > 0) todo.unshift(...todo.splice(under, 1));
  return todo;
}

/** What fills hoses and pump: how much of it is still to come, and when it was or would be done. */
function hoseOf(v: ForecastInput, startMin: number | null, rate: number, placedAny: boolean) {
  if (startMin === null) return { behindM3: v.leftBehindM3, doneMin: 0 };
  if (placedAny || v.leftBehindM3 <= 0) return { behindM3: 0, doneMin: startMin };
  const worked = v.nowMin - startMin - breakMinutes(startMin, v.nowMin, v.breaks);
  const left = v.leftBehindM3 - worked * rate;
  return left > NOTHING_M3
    ? { behindM3: left, doneMin: v.nowMin }
    : { behindM3: 0, doneMin: place(startMin, v.leftBehindM3, rate, v.breaks, () => undefined) };
}

/** How long the crew stood before each load that has begun, breaks left out, min; and when it is ready for the next. */
function standingOf(v: ForecastInput, begun: readonly LoadNow[]) {
  let readyMin = v.startMin;
  let crewWaitMin = 0;
  for (const l of begun) {
    const start = l.startMin as number;
    crewWaitMin += Math.max(0, start - readyMin - breakMinutes(readyMin, start, v.breaks));
    if (l.endMin !== null) readyMin = l.endMin + v.changeOverMin;
  }
  return { readyMin, crewWaitMin };
}

function rowOf(v: ForecastInput, load: Load, now: LoadNow): Timetable['loads'][number] {
  const { startMin } = now;
  const arriveMin = now.arriveMin ?? v.nowMin;
  const endMin = now.endMin ?? (startMin === null ? null : v.nowMin);
  const age = endMin === null ? null : endMin - leaveOf(load);
  return {
    id: load.id,
    arriveMin,
    startMin,
    endMin,
    waitMin: startMin === null ? null : startMin - arriveMin,
    ageAtEndMin: age,
    overAge: age !== null && age > v.maxAgeMin * (1 + EPS),
  };
}

/** A load that can still give something, as it stands. */
function givingOf(
  v: ForecastInput,
  load: Load,
  now: LoadNow | undefined,
  own: readonly Placement[],
  hose: { behindM3: number; doneMin: number; firstId: string | undefined },
): { load: Load; state: Underway['loads'][number] } {
  const arriveMin = now?.arriveMin ?? null;
  if (arriveMin === null)
    return {
      load,
      state: { holdsM3: load.volumeM3, startMin: null, resumeMin: 0, coming: true },
    };
  const leave = leaveOf(load);
  const none = (medianMin: number) => ({ medianMin, p90Min: medianMin });
  const here = {
    ...load,
    plantDelay: none(load.plantDelay.medianMin),
    travel: none(arriveMin - leave),
  };
  const startMin = now?.startMin ?? null;
  // What the hose took of the first load is no longer in it; what it still takes is.
  const hoseTook = load.id === hose.firstId ? v.leftBehindM3 - hose.behindM3 : 0;
  const gone = startMin === null ? 0 : hoseTook + sum(own.map((p) => p.volumeM3));
  return {
    load: here,
    state: {
      holdsM3: Math.max(0, load.volumeM3 - gone),
      startMin,
      resumeMin: own.at(-1)?.toMin ?? (load.id === hose.firstId ? hose.doneMin : (startMin ?? 0)),
      coming: false,
    },
  };
}

/** Loads as they stand; one of which something is placed has begun, whatever else is said of it. */
function loadsNowOf(v: ForecastInput): LoadNow[] {
  const first = new Map<string, number>();
  for (const p of v.placed) if (!first.has(p.loadId)) first.set(p.loadId, p.fromMin);
  const said = new Map(v.loadsNow.map((l) => [l.id, l]));
  const ids = [...new Set([...said.keys(), ...first.keys()])];
  return ids.map((id) => {
    const own = said.get(id) ?? {
      id,
      arriveMin: null,
      startMin: null,
      endMin: null,
      sentBack: false,
    };
    const startMin = own.startMin ?? first.get(id) ?? null;
    return { ...own, startMin, arriveMin: own.arriveMin ?? startMin };
  });
}

/**
 * Where a pour stands now, as the beginning of what is still to come.
 * @param underFirst the cell under way goes on first; false leaves it for when its turn comes in the list
 */
export function goingOf(v: ForecastInput, underFirst = true): Going {
  const placingRateM3PerH = v.rateM3PerH ?? v.placingRateM3PerH;
  const rate = placingRateM3PerH / 60;
  const loadsNow = loadsNowOf(v);
  const byId = new Map(loadsNow.map((l) => [l.id, l]));
  const { filled, m3 } = fillingsOf(v);
  const todo = todoOf(v, filled, m3, underFirst);
  const open = new Set(todo.map((d) => d.cell.id));
  const begun = loadsNow
    .filter((l) => l.startMin !== null)
    .sort((a, b) => (a.startMin as number) - (b.startMin as number));
  const firstId = begun[0]?.id;
  const hose = {
    ...hoseOf(v, begun[0]?.startMin ?? null, rate, v.placed.length > 0),
    firstId,
  };
  const ofLoad = (id: string) => v.placed.filter((p) => p.loadId === id);
  const isOver = (l: LoadNow | undefined) => l !== undefined && (l.sentBack || l.endMin !== null);
  const giving = v.loads
    .filter((l) => !isOver(byId.get(l.id)))
    .map((l) => givingOf(v, l, byId.get(l.id), ofLoad(l.id), hose));
  const rows = (list: readonly LoadNow[]) =>
    list.flatMap((l) => {
      const load = v.loads.find((x) => x.id === l.id);
      return load ? [rowOf(v, load, l)] : [];
    });
  const done = begun.filter((l) => isOver(l));
  const leftInDone = sum(
    done.map((l) => {
      const volume = v.loads.find((x) => x.id === l.id)?.volumeM3 ?? 0;
      const took = l.id === firstId ? v.leftBehindM3 - hose.behindM3 : 0;
      return Math.max(0, volume - took - sum(ofLoad(l.id).map((p) => p.volumeM3)));
    }),
  );
  return {
    simulation: {
      ...v,
      placingRateM3PerH,
      cells: [...v.cells.filter((c) => !open.has(c.id)), ...todo.map((d) => d.cell)],
      loads: giving.map((g) => g.load),
    },
    underway: {
      serving: {
        placements: [...v.placed],
        filled,
        loads: rows(done),
        todo,
        next: 0,
        ...standingOf(v, begun),
        // What a load held that came before the last cell was full went into the pour.
        leftOverM3: todo.length === 0 ? leftInDone : 0,
        behindM3: hose.behindM3,
        notBeforeMin: v.nowMin,
      },
      loads: giving.map((g) => g.state),
      sentBack: rows(loadsNow.filter((l) => l.sentBack && l.startMin === null)),
    },
  };
}
