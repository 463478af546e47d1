import { clockMin } from '#core/concrete';
import { mergedBreaks, Normals, type SimulationInput, spreadOf, type Tally } from '#core/pourplan';
import { STANDARD_GRAVITY } from '#core/units';

/**
 * The yardstick: the pour simulation as one would first write it, with an event queue of closures and an object for
 * everything that happens. Same rules, same draws, same answers as core/pourplan/trials.ts; only the speed differs.
 */
interface QueuedEvent {
  at: number;
  rank: number;
  run: () => void;
}

class EventQueue {
  #events: QueuedEvent[] = [];
  #count = 0;
  now = 0;

  add(at: number, run: () => void): void {
    this.#events.push({ at, rank: this.#count, run });
    this.#count += 1;
    this.#events.sort((a, b) => a.at - b.at || a.rank - b.rank);
  }

  runAll(): void {
    for (let e = this.#events.shift(); e; e = this.#events.shift()) {
      this.now = e.at;
      e.run();
    }
  }
}

interface Truck {
  id: string;
  holds: number;
  leaveMin: number;
  arriveMin: number;
  ageAtEnd: number | null;
}
interface Filled {
  start: number;
  end: number;
  full: boolean;
}

function oneMorning(v: SimulationInput, source: Normals) {
  const queue = new EventQueue();
  const rate = v.placingRateM3PerH / 60;
  const trucks: Truck[] = v.loads.map((l) => {
    const draw = (d: { medianMin: number; p90Min: number }) =>
      spreadOf(d) === 0 ? d.medianMin : d.medianMin * Math.exp(spreadOf(d) * source.next());
    const leaveMin = l.batchMin + draw(l.plantDelay);
    return {
      id: l.id,
      holds: l.volumeM3,
      leaveMin,
      arriveMin: leaveMin + draw(l.travel),
      ageAtEnd: null,
    };
  });
  const cells = v.cells.map((c) => ({ ...c, left: c.volumeM3, moved: false }));
  const filled = new Map<string, Filled>();
  const waiting: Truck[] = [];
  const placements: {
    cellId: string;
    loadId: string;
    fromMin: number;
    toMin: number;
    volumeM3: number;
  }[] = [];
  let next = 0;
  let busy = false;
  let ready = v.startMin;
  let crewWait = 0;
  let leftOver = 0;
  let primed = v.leftBehindM3 <= 0;

  const breakAt = (t: number) => v.breaks.find((b) => t >= b.fromMin && t < b.toMin);
  const afterBreaks = (t: number): number => {
    const b = breakAt(t);
    return b ? afterBreaks(b.toMin) : t;
  };
  const breakMinutes = (from: number, to: number) =>
    v.breaks
      .map((b) => Math.max(0, Math.min(b.toMin, to) - Math.max(b.fromMin, from)))
      .reduce((s, x) => s + x, 0);

  /** Places a volume from now on, break by break, then goes on with `then`. */
  const place = (
    volume: number,
    onPiece: (from: number, to: number, m3: number) => void,
    then: () => void,
  ): void => {
    if (volume <= 1e-9) {
      then();
      return;
    }
    const from = afterBreaks(queue.now);
    const stop = v.breaks
      .map((b) => b.fromMin)
      .filter((t) => t > from)
      .reduce((a, b) => Math.min(a, b), Infinity);
    const end = from + volume / rate;
    if (end <= stop) {
      queue.add(end, () => {
        onPiece(from, end, volume);
        then();
      });
      return;
    }
    const part = (stop - from) * rate;
    queue.add(stop, () => {
      if (part > 1e-9) onPiece(from, stop, part);
      place(volume - part, onPiece, then);
    });
  };
  const finish = (truck: Truck): void => {
    leftOver += Math.max(0, truck.holds);
    truck.ageAtEnd = queue.now - truck.leaveMin;
    ready = queue.now + v.changeOverMin;
    busy = false;
    serve();
  };
  const fill = (truck: Truck): void => {
    const cell = cells[next];
    if (!cell || truck.holds <= 1e-9) {
      finish(truck);
      return;
    }
    if (!cell.moved) {
      cell.moved = true;
      queue.add(queue.now + cell.moveMin, () => {
        fill(truck);
      });
      return;
    }
    const volume = Math.min(truck.holds, cell.left);
    place(
      volume,
      (fromMin, toMin, volumeM3) => {
        placements.push({ cellId: cell.id, loadId: truck.id, fromMin, toMin, volumeM3 });
        const f = filled.get(cell.id);
        filled.set(cell.id, { start: f?.start ?? fromMin, end: toMin, full: false });
      },
      () => {
        truck.holds -= volume;
        cell.left -= volume;
        if (cell.left <= 1e-9) {
          const f = filled.get(cell.id);
          if (f) filled.set(cell.id, { ...f, full: true });
          next += 1;
        }
        fill(truck);
      },
    );
  };
  const begin = (truck: Truck): void => {
    if (primed) {
      fill(truck);
      return;
    }
    primed = true;
    place(
      v.leftBehindM3,
      () => undefined,
      () => {
        truck.holds -= v.leftBehindM3;
        fill(truck);
      },
    );
  };
  const serve = (): void => {
    if (busy) return;
    const truck = waiting.shift();
    if (!truck) return;
    if (next >= cells.length) {
      leftOver += truck.holds;
      serve();
      return;
    }
    busy = true;
    const start = afterBreaks(Math.max(truck.arriveMin, ready));
    crewWait += start - ready - breakMinutes(ready, start);
    queue.add(start, () => {
      begin(truck);
    });
  };
  for (const truck of trucks)
    queue.add(truck.arriveMin, () => {
      waiting.push(truck);
      serve();
    });
  queue.runAll();
  const short = cells.slice(next).reduce((s, c) => s + c.left, 0);
  const full = new Map([...filled].filter(([, f]) => f.full));
  return {
    trucks,
    cells,
    full,
    placements,
    crewWait,
    leftOver,
    short,
    finish: placements.at(-1)?.toMin ?? v.startMin,
  };
}

type Morning = ReturnType<typeof oneMorning>;

function hasColdSeam(m: Morning, knitMin: number): boolean {
  const gaps = m.cells.flatMap((c) => {
    const me = m.full.get(c.id);
    if (!me) return [];
    const low = c.below === undefined ? undefined : m.full.get(c.below);
    const beside = c.beside.map((b) => m.full.get(b)).filter((f) => f !== undefined);
    return [
      ...(low ? [Math.max(me.start - low.start, me.end - low.end)] : []),
      ...beside.map((f) => Math.max(0, Math.max(me.start, f.start) - Math.min(me.end, f.end))),
    ];
  });
  return gaps.some((g) => g > knitMin + 1e-9 * knitMin);
}

function isOverRating(v: SimulationInput, m: Morning, stiffenMin: number): boolean {
  const byId = new Map(v.cells.map((c) => [c.id, c]));
  return m.cells.some((c) => {
    const me = m.full.get(c.id);
    if (!me) return false;
    let head = c.heightM;
    for (let low = c.below; low !== undefined; low = byId.get(low)?.below) {
      const under = m.full.get(low);
      if (!under || me.end - under.end >= stiffenMin) break;
      head += byId.get(low)?.heightM ?? 0;
    }
    return (v.densityKgM3 * STANDARD_GRAVITY * head) / 1000 > v.ratingKPa * (1 + 1e-9);
  });
}

/** Runs the yardstick and counts as the fast loop does. */
export function tallyByEvents(pour: SimulationInput, trials: number, seed: number): Tally {
  const v = { ...pour, breaks: mergedBreaks(pour.breaks) };
  const source = new Normals(seed);
  const stiffenMin = clockMin(v.stiffenMinAt20C * v.retarderFactor, v.tempC);
  const knitMin = clockMin(v.knitMinAt20C * v.retarderFactor, v.tempC);
  const t: Tally = {
    trials,
    coldSeam: 0,
    overAge: 0,
    short: 0,
    afterDusk: 0,
    overRating: 0,
    crewWaitSum: 0,
    finishSum: 0,
    shortSum: 0,
    leftOverSum: 0,
  };
  for (let i = 0; i < trials; i += 1) {
    const m = oneMorning(v, source);
    if (hasColdSeam(m, knitMin)) t.coldSeam += 1;
    if (m.trucks.some((k) => k.ageAtEnd !== null && k.ageAtEnd > v.maxAgeMin * (1 + 1e-9)))
      t.overAge += 1;
    if (m.short > 0) t.short += 1;
    if (m.finish > v.duskMin) t.afterDusk += 1;
    if (isOverRating(v, m, stiffenMin)) t.overRating += 1;
    t.crewWaitSum += m.crewWait;
    t.finishSum += m.finish;
    t.shortSum += m.short;
    t.leftOverSum += m.leftOver;
  }
  return t;
}
