import { lengthOf, type Run, runOf, type SitePlan, wallHeightM } from '#core/model';

/**
 * Runs of one type that follow each other and share the checks that go by type: what is read of one
 * says as much of the next. The longest of them carries the readings.
 */
export interface Stretch {
  lead: string;
  members: string[];
  /** Together, m: as many readings are wanted as on one run of this length. */
  lengthM: number;
}

const SAME_M = 0.001;
const topOf = (r: Run): number | undefined => r.topM;

/** Whether a run is built as the one before it, and begins where that ends. */
function goesOn(before: Run, run: Run): boolean {
  const meets = [before.from, before.to].some((n) => n === run.from || n === run.to);
  const level =
    Math.abs(before.bottomM - run.bottomM) < SAME_M &&
    Math.abs((topOf(before) ?? 0) - (topOf(run) ?? 0)) < SAME_M;
  return meets && level && before.kind === run.kind && before.type === run.type;
}

/** A wall shorter than it is high is a jog: it takes only what is special to it. */
const isJog = (run: Run, lengthM: number): boolean =>
  run.kind === 'wall' && lengthM < wallHeightM(run);

/**
 * The runs of a pour by stretches of up to `mostM` that are built alike and follow each other in
 * its order; jogs are taken in without being counted. By element; pads and piers are in none.
 */
export function stretchesOf(
  site: SitePlan,
  elements: readonly string[],
  mostM: number,
): Map<string, Stretch> {
  const byElement = new Map<string, Stretch>();
  let open: { runs: Run[]; lengths: number[]; countedM: number } | null = null;
  const close = () => {
    if (!open) return;
    const { runs, lengths } = open;
    const longest = lengths.indexOf(Math.max(...lengths));
    const stretch: Stretch = {
      lead: (runs[longest] as Run).id,
      members: runs.map((r) => r.id),
      lengthM: lengths.reduce((s, m) => s + m, 0),
    };
    for (const r of runs) byElement.set(r.id, stretch);
    open = null;
  };
  for (const id of elements) {
    const run = runOf(site, id);
    if (!run) continue;
    const lengthM = lengthOf(site, run);
    const countsM = isJog(run, lengthM) ? 0 : lengthM;
    const before: Run | undefined = open?.runs.at(-1);
    if (open && before && goesOn(before, run) && open.countedM + countsM <= mostM * (1 + 1e-9)) {
      open.runs.push(run);
      open.lengths.push(lengthM);
      open.countedM += countsM;
    } else {
      close();
      open = { runs: [run], lengths: [lengthM], countedM: countsM };
    }
  }
  close();
  return byElement;
}
