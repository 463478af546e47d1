import type { Conveyance, CrewMember, FormSystem, Job, PourSettings } from '#core/model';
import type { Route } from './route.ts';

/** Jobs that wear people out: they change hands as often as this, min. */
const ROTATE_MIN = 30;
const HEAVY: ReadonlySet<Job> = new Set<Job>(['hose', 'vibrator', 'barrow']);
/** Jobs that get concrete into the form. */
const PLACING: ReadonlySet<Job> = new Set<Job>(['hose', 'vibrator', 'strike-off', 'barrow']);
/** Walls higher than this want someone who watches the forms, m. */
const WATCHED_M = 1.2;

/** A job this pour needs, and why. */
export interface Need {
  job: Job;
  why: string;
}

const CONVEYED: Record<Conveyance['kind'], Need[]> = {
  boom: [{ job: 'hose', why: 'the hose of the boom' }],
  line: [
    { job: 'hose', why: 'the end of the line' },
    { job: 'hose', why: 'moving the line' },
  ],
  skip: [{ job: 'hose', why: 'opening the skip' }],
  chute: [{ job: 'truck', why: 'the chute' }],
  loader: [{ job: 'barrow', why: 'raking from the bucket' }],
  barrow: [
    { job: 'barrow', why: 'the first barrow' },
    { job: 'barrow', why: 'the second barrow' },
  ],
};

/**
 * Which jobs a pour needs, from how it is conveyed, what it fills and the form system.
 * @param mixed on the site: no truck comes, and somebody feeds the drum
 */
export function jobsNeeded(
  route: Route,
  conveyance: Conveyance | undefined,
  forms: FormSystem | undefined,
  mixed = false,
): Need[] {
  const walls = route.legs.filter((l) => l.wall);
  const flat = route.legs.some((l) => !l.wall);
  const straight = mixed ? CONVEYED.barrow : CONVEYED.chute;
  const by =
    conveyance && !(mixed && conveyance.kind === 'chute') ? CONVEYED[conveyance.kind] : straight;
  const vibrates = forms === undefined || forms.consolidation !== 'hammer';
  const needs: Need[] = [{ job: 'foreman', why: 'runs the pour and the log' }, ...by];
  if (vibrates) needs.push({ job: 'vibrator', why: 'works it in as it is placed' });
  needs.push({ job: 'strike-off', why: flat ? 'to the line' : 'the top of the walls' });
  if (flat) needs.push({ job: 'finisher', why: 'flat faces' });
  if (mixed) needs.push({ job: 'barrow', why: 'feeds the mixer' });
  else if (conveyance?.kind !== 'chute') needs.push({ job: 'truck', why: 'backs the trucks in' });
  if (walls.some((l) => l.heightM > WATCHED_M))
    needs.push({ job: 'watch', why: 'ties, braces and seams of the forms' });
  needs.push({ job: 'tester', why: 'slump, air and cylinders' });
  return needs;
}

/** Jobs of a pour that wear people out: they change hands through the day. */
export const heavyJobs = (needs: readonly Need[]): Job[] => [
  ...new Set(needs.map((n) => n.job).filter((j) => HEAVY.has(j))),
];

/** A job with who does it; nobody where there is none left who may. */
export interface Filled extends Need {
  name: string | null;
  /** Told by the foreman, not put in by the core. */
  told: boolean;
}

/** Jobs that one person can do beside another. */
const BESIDE: ReadonlySet<Job> = new Set<Job>(['foreman', 'tester', 'truck', 'watch']);

/**
 * Fills the jobs: what the foreman told stands; the rest goes to those who may do it, each one job
 * that fills the hands and any number of those that can be done beside it. As many are filled as
 * can be: someone who may do two makes room for one who may do one.
 */
export function fillJobs(
  needs: Need[],
  crew: readonly CrewMember[],
  told: PourSettings['crew'],
): Filled[] {
  const rest = [...told];
  const filled: Filled[] = needs.map((n) => {
    const k = rest.findIndex((t) => t.job === n.job && crew.some((c) => c.name === t.name));
    const [own] = k >= 0 ? rest.splice(k, 1) : [];
    return { ...n, name: own?.name ?? null, told: own !== undefined };
  });
  const full = (f: Need) => !BESIDE.has(f.job);
  const busy = new Set(filled.filter((f) => full(f) && f.name !== null).map((f) => f.name));
  const open = filled.filter((f) => full(f) && f.name === null);
  const holder = new Map<string, Filled>();
  /** Finds a hand for a job, moving those already placed along where that makes room. */
  const place = (f: Filled, seen: Set<string>): boolean => {
    for (const c of crew) {
      if (!c.jobs.includes(f.job) || busy.has(c.name) || seen.has(c.name)) continue;
      seen.add(c.name);
      const other = holder.get(c.name);
      if (other === undefined || place(other, seen)) {
        holder.set(c.name, f);
        return true;
      }
    }
    return false;
  };
  for (const f of open) place(f, new Set());
  for (const [name, f] of holder) f.name = name;
  // What can be done beside goes to who has nothing else in hand, else to who may.
  const taken = new Set(filled.map((f) => f.name));
  for (const f of filled) {
    if (f.name !== null || full(f)) continue;
    const may = crew.filter((c) => c.jobs.includes(f.job));
    const who = may.find((c) => !taken.has(c.name)) ?? may[0];
    f.name = who?.name ?? null;
    taken.add(f.name);
  }
  return filled;
}

/** Hands on the pour: who has a job, and who is there to relieve those that place. */
export function handsOf(filled: readonly Filled[], crew: readonly CrewMember[]): number {
  const names = new Set(filled.flatMap((f) => f.name ?? []));
  for (const c of crew) if (c.jobs.some((j) => PLACING.has(j))) names.add(c.name);
  return names.size;
}

/** Who has a heavy job in which half hour: those who may take turns. */
export interface Turn {
  fromMin: number;
  job: Job;
  name: string;
}

/** Turns at the heavy jobs from start to finish; a job that only one may do has none. */
export function turnsOf(
  filled: readonly Filled[],
  crew: readonly CrewMember[],
  fromMin: number,
  toMin: number,
): Turn[] {
  const heavy = filled.filter((f) => HEAVY.has(f.job) && f.name !== null);
  const placing = filled.filter((f) => PLACING.has(f.job) && f.name !== null);
  return heavy.flatMap((f) => {
    const may = [
      f.name as string,
      ...placing
        .map((p) => p.name as string)
        .filter((n) => n !== f.name && crew.find((c) => c.name === n)?.jobs.includes(f.job)),
    ];
    if (may.length < 2) return [];
    const turns = Math.max(1, Math.ceil((toMin - fromMin) / ROTATE_MIN));
    return Array.from({ length: Math.min(turns, 24) }, (_, i) => ({
      fromMin: fromMin + i * ROTATE_MIN,
      job: f.job,
      name: may[i % may.length] as string,
    }));
  });
}
