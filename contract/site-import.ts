import { limitWords } from '#core/kit';
import { formSystemOf } from '#core/formwork';
import { type InputIssue, issuesOf } from '#core/kit';
import { checkSiteFile, siteFileSchema, siteFileShape, type SiteFile } from './site-file.ts';

/**
 * A site file as it was brought in: the file when it can be taken, everything that is wrong with
 * it, and what was not known.
 */
export interface BroughtIn {
  file: SiteFile | null;
  issues: InputIssue[];
  /** Fields that this program does not know and leaves out. */
  warnings: InputIssue[];
}

type Json = Record<string, unknown>;
const isObject = (v: unknown): v is Json =>
  typeof v === 'object' && v !== null && !Array.isArray(v);
const pathOf = (path: readonly (string | number)[]): string => path.join('.');

/** Fields of what was read that are not in what was made of it. */
function unknownFields(raw: unknown, kept: unknown, path: (string | number)[] = []): InputIssue[] {
  if (Array.isArray(raw) && Array.isArray(kept))
    return raw.flatMap((x, i) => unknownFields(x, kept[i], [...path, i]));
  if (!isObject(raw) || !isObject(kept)) return [];
  return Object.entries(raw).flatMap(([key, value]) => {
    if (key in kept) return unknownFields(value, kept[key], [...path, key]);
    if (value === undefined) return [];
    return [{ path: pathOf([...path, key]), message: 'is not known here and was left out' }];
  });
}

const LISTS = Object.entries(siteFileShape.shape).flatMap(([name, field]) => {
  const inner = (field as { unwrap?: () => unknown }).unwrap?.();
  const element = (inner as { element?: { safeParse: (v: unknown) => { success: boolean } } })
    ?.element;
  return element ? [{ name, element }] : [];
});

/**
 * What takes more than one field to see, found in the parts that can be read by themselves: a file
 * with a wrong figure in one place is told of everything else as well, and not one fault an
 * attempt.
 */
function faultsBetween(raw: Json): InputIssue[] {
  const places = new Map<string, number[]>();
  const readable: Json = { ...raw };
  for (const { name, element } of LISTS) {
    const list = raw[name];
    if (!Array.isArray(list)) {
      delete readable[name];
      continue;
    }
    const good = list
      .map((x, i) => ({ x: x as unknown, i }))
      .filter(({ x }) => element.safeParse(x).success);
    places.set(
      name,
      good.map(({ i }) => i),
    );
    readable[name] = good.map(({ x }) => x);
  }
  const shaped = siteFileShape.safeParse({ ...FALLBACK, ...readable });
  const file = shaped.success
    ? shaped.data
    : siteFileShape.safeParse({ ...readable, ...FALLBACK }).data;
  // A list over its limit is told of by its shape: there is nothing to hold its parts against.
  if (!file) return [];
  const dropped = new Set(
    LISTS.filter(({ name }) => (places.get(name)?.length ?? 0) < listLength(raw[name])).map(
      (l) => l.name,
    ),
  );
  const issues: InputIssue[] = [];
  checkSiteFile(file, {
    addIssue: ({ path, message }) => {
      const [list, index, ...rest] = path;
      const at = typeof list === 'string' ? places.get(list) : undefined;
      const there =
        at && typeof index === 'number' ? [list as string, at[index] ?? index, ...rest] : path;
      // What names something that could not be read is not wrong by itself.
      if (
        NAMED_IN.some(([words, lists]) => words.test(message) && lists.some((l) => dropped.has(l)))
      )
        return;
      issues.push({ path: pathOf(there), message });
    },
  });
  return [...issues, ...pourFaults(file, (i) => places.get('pours')?.[i] ?? i)];
}
/** Where what a message says is not there would have to be. */
const NAMED_IN: [RegExp, string[]][] = [
  [/not in nodes/, ['nodes']],
  [/not a footing type/, ['footingTypes']],
  [/not a wall type/, ['wallTypes']],
  [/not a run, pad or pier/, ['runs', 'pads', 'piers']],
  [/not in mixes/, ['mixes']],
  [/not in plants/, ['plants']],
  [/not in formSystems/, ['formSystems']],
];
const listLength = (v: unknown): number => (Array.isArray(v) ? v.length : 0);
/** Heads for a file whose own cannot be read: they are told of by themselves. */
const FALLBACK = {
  format: 'jactum.site/1',
  name: 'site',
  units: 'metric',
  latitude: 0,
  longitude: 0,
  timeZone: 'UTC',
  ruleProfile: 'metric-en',
} as const;

/** Ratings are written rounded from pounds a square foot: this much apart is the same. */
const ROUNDED = 1e-4;

/** What only a file that comes in is held to: pours among each other and against their forms. */
function pourFaults(file: SiteFile, place: (i: number) => number): InputIssue[] {
  const issues: InputIssue[] = [];
  const takenOn = new Map<string, string>();
  file.pours.forEach((pour, i) => {
    const say = (path: (string | number)[], message: string) => {
      issues.push({ path: pathOf(['pours', place(i), ...path]), message });
    };
    const forms = formSystemOf({ site: file, pour });
    if (pour.forms !== undefined && !forms)
      say(['forms'], `names ${pour.forms}, which is not in formSystems`);
    if (forms && pour.settings.ratingKPa > forms.ratingKPa * (1 + ROUNDED))
      say(
        ['settings', 'ratingKPa'],
        `is ${pour.settings.ratingKPa} kPa; its forms, ${forms.mark}, hold ${forms.ratingKPa}`,
      );
    const own = new Set<string>();
    pour.elements.forEach((e, k) => {
      if (own.has(e)) say(['elements', k], `${e} is twice in ${pour.code}`);
      own.add(e);
      if (pour.date === null) return;
      const key = `${pour.date} ${e}`;
      const other = takenOn.get(key);
      if (other !== undefined && other !== pour.code)
        say(['elements', k], `${e} is poured on ${pour.date} in ${other} already`);
      takenOn.set(key, pour.code);
    });
    for (const id of Object.keys(pour.settings.liftsByElement))
      if (!own.has(id))
        say(['settings', 'liftsByElement', id], `is not an element of ${pour.code}`);
  });
  return issues;
}

/**
 * Reads a site file that comes in: every fault at once, each by its path; what is not known is told
 * of and left out.
 */
export function readSiteFile(raw: unknown): BroughtIn {
  const parsed = siteFileSchema.safeParse(raw, { error: limitWords('metric') });
  const shape = parsed.success ? [] : issuesOf(parsed.error, raw);
  const between = isObject(raw) ? faultsBetween(raw) : [];
  const seen = new Set<string>();
  const issues = [...shape, ...between].filter((i) => {
    const key = `${i.path} ${i.message}`;
    const told = seen.has(key);
    seen.add(key);
    return !told;
  });
  return {
    file: parsed.success && issues.length === 0 ? parsed.data : null,
    issues,
    warnings: parsed.success ? unknownFields(raw, parsed.data) : [],
  };
}
