/**
 * What a pour comes to at a moment: `npm run -s figures -- --site FILE --pour CODE [--log FILE.jsonl]
 * [--at ISO] [--forecast FILE]`. One JSON, the same that the server answers. Lines of the log may be
 * bare, `{at, kind, body}`; they get names by their place.
 */
import fs from 'node:fs';
import { readSiteFile } from '../contract/site-import.ts';
import type { AirHour } from '#core/cure';
import { EVENT_KINDS, kindOf, type LogEvent, replay } from '#core/log';
import {
  airBeforeOf,
  dayBefore,
  figuresOf,
  type PourRecord,
  withPlannedConcrete,
} from '#core/view';
import { daylight } from '#core/weather';

/** Bad input: said in one line, with the path of each fault. */
class Wrong extends Error {
  readonly issues: { path: string; message: string }[];
  constructor(message: string, issues: { path: string; message: string }[] = []) {
    super(message);
    this.issues = issues;
  }
}
const wrong = (message: string, path: string, says: string): Wrong =>
  new Wrong(message, [{ path, message: says }]);

const NAMES = ['site', 'pour', 'log', 'at', 'forecast'] as const;
type Named = Partial<Record<(typeof NAMES)[number], string>>;

function readArguments(list: readonly string[]): Named {
  const named: Named = {};
  for (let i = 0; i < list.length; i += 2) {
    const name = NAMES.find((n) => `--${n}` === list[i]);
    const value = list[i + 1];
    if (!name) throw wrong(`${list[i] ?? ''} is not known here`, list[i] ?? '', 'is not known');
    if (value === undefined) throw wrong(`--${name} wants a value`, name, 'is missing');
    named[name] = value;
  }
  return named;
}

function readText(path: string, what: string): string {
  try {
    return fs.readFileSync(path, 'utf8');
  } catch {
    throw wrong(`${path} cannot be read`, what, 'cannot be read');
  }
}
function readJson(text: string, what: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw wrong(`${what} is not JSON`, what, 'is not JSON');
  }
}

const isObject = (v: unknown): v is Record<string, unknown> =>
  typeof v === 'object' && v !== null && !Array.isArray(v);

/** One line of a log as an entry, checked by its kind. */
function entryOf(raw: unknown, i: number): LogEvent {
  const at = isObject(raw) ? raw.at : undefined;
  const kind = isObject(raw) ? EVENT_KINDS.find((k) => k === raw.kind) : undefined;
  if (!isObject(raw) || !kind)
    throw wrong(`line ${i + 1} of the log is no entry`, `log.${i}.kind`, 'is not a kind of entry');
  if (typeof at !== 'string' || Number.isNaN(Date.parse(at)))
    throw wrong(
      `line ${i + 1} of the log has no time`,
      `log.${i}.at`,
      'must be a time with its zone',
    );
  const parsed = kindOf(kind).body.safeParse(raw.body);
  if (!parsed.success) {
    const issues = parsed.error.issues.map((x) => ({
      path: ['log', i, 'body', ...x.path].map(String).join('.'),
      message: x.message,
    }));
    throw new Wrong(
      `line ${i + 1} of the log: ${issues[0]?.path ?? ''} ${issues[0]?.message ?? ''}`,
      issues,
    );
  }
  const text = (v: unknown, other: string) => (typeof v === 'string' ? v : other);
  return {
    id: text(raw.id, `line-${String(i + 1).padStart(6, '0')}`),
    at,
    actor: text(raw.actor, ''),
    kind,
    body: parsed.data,
    supersedes: typeof raw.supersedes === 'string' ? raw.supersedes : null,
  } as LogEvent;
}

const logOf = (text: string): LogEvent[] =>
  text
    .split('\n')
    .filter((l) => l.trim() !== '')
    .map((l, i) => ({ raw: readJson(l, `line ${i + 1} of the log`), i }))
    // The line that closes an exported log is no entry.
    .filter(({ raw }) => !(isObject(raw) && raw.kind === undefined && raw.body === undefined))
    .map(({ raw, i }) => entryOf(raw, i));

/** Hours of a forecast: a list, or what the site's own forecast is put as. */
function forecastOf(raw: unknown): AirHour[] {
  const list = isObject(raw) ? raw.hours : raw;
  if (!Array.isArray(list))
    throw wrong('the forecast is no list of hours', 'forecast', 'must be a list');
  return list.map((h: unknown, i) => {
    if (!isObject(h) || typeof h.at !== 'string' || typeof h.airTempC !== 'number')
      throw wrong(`hour ${i + 1} of the forecast`, `forecast.${i}`, 'must have at and airTempC');
    return { at: h.at, airTempC: h.airTempC };
  });
}

function recordOf(named: Named, nowMs: number, air: readonly AirHour[]): PourRecord {
  if (named.site === undefined || named.pour === undefined)
    throw wrong('name a site file and a pour: --site FILE --pour CODE', 'site', 'is missing');
  const { file, issues } = readSiteFile(readJson(readText(named.site, 'site'), 'site'));
  if (!file)
    throw new Wrong(`the site file: ${issues[0]?.path ?? ''} ${issues[0]?.message ?? ''}`, issues);
  const pour = file.pours.find((p) => p.code === named.pour);
  if (!pour) throw wrong(`the site has no pour ${named.pour}`, 'pour', 'is not in the site file');
  const { timeZone, latitude, longitude } = file;
  const dusk = pour.date ? daylight(pour.date, timeZone, latitude, longitude).duskMin : null;
  const airBeforeC = airBeforeOf(air, dayBefore(file, pour, nowMs));
  return withPlannedConcrete({ site: file, pour, duskMin: dusk ?? 24 * 60, airBeforeC });
}

function main(): void {
  const named = readArguments(process.argv.slice(2));
  const nowMs = named.at === undefined ? Date.now() : Date.parse(named.at);
  if (Number.isNaN(nowMs))
    throw wrong(`${named.at ?? ''} is no time`, 'at', 'must be a time with its zone');
  const air =
    named.forecast === undefined
      ? []
      : forecastOf(readJson(readText(named.forecast, 'forecast'), 'forecast'));
  const record = recordOf(named, nowMs, air);
  const log = named.log === undefined ? [] : logOf(readText(named.log, 'log'));
  // What is entered after that moment is not there yet.
  const state = replay(log.filter((e) => Date.parse(e.at) <= nowMs));
  const figures = figuresOf(record, state, nowMs, air);
  if (!figures)
    throw wrong(
      'the pour names a mix or a plant that its site does not have',
      'pour',
      'cannot be worked out',
    );
  process.stdout.write(`${JSON.stringify(figures)}\n`);
}

try {
  main();
} catch (e) {
  if (!(e instanceof Wrong)) throw e;
  console.error(JSON.stringify({ error: { message: e.message, issues: e.issues } }));
  process.exitCode = 2;
}
