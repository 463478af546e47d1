import { limitWords } from '#core/kit';
import { type PourDoc, pourSettingsSchema, type Role, ROLES } from '#core/model';
import { z } from 'zod';
import { EVENT_KINDS, type EventKind, kindOf, type LogEvent } from '#core/log';
import { calculationNamed } from '#core/register';
import { RULE_CATALOG, RULE_IDS, type RuleEntry } from '#core/rules';
import { drawnSchema } from '#core/siteplan';
import type { Lane } from '#core/view';
import type { SiteFile } from './site-file.ts';

/** Bodies and answers of the API; the routes parse with these and the page is typed by them. */
export { ROLES, type Role };

/** Ids of entries are one case: the same entry is the same however it is written. */
const entryId = () => z.uuid({ error: 'must be a UUID' }).transform((id) => id.toLowerCase());

const envelope = z.object({
  id: entryId(),
  at: z.iso.datetime({
    offset: true,
    error: 'must be a time with its zone, as 2026-09-23T06:40:00Z',
  }),
  /** When it was written down, where that was later than it happened. */
  writtenAt: z.iso
    .datetime({ offset: true, error: 'must be a time with its zone, as 2026-09-23T06:40:00Z' })
    .nullish(),
  kind: z.enum(EVENT_KINDS, { error: `must be one of ${EVENT_KINDS.join(', ')}` }),
  body: z.unknown(),
  supersedes: z
    .uuid({ error: 'must be the UUID of an earlier entry' })
    .transform((id) => id.toLowerCase())
    .nullish(),
});

/** What is wrong with a kept calculation before it is run. The example of a whole log is too much to keep. */
function workedIssues(body: { calculation: string; input: unknown }): {
  path: string[];
  message: string;
}[] {
  if (!calculationNamed(body.calculation))
    return [{ path: ['calculation'], message: 'is not in the register' }];
  return JSON.stringify(body.input).length > 20_000
    ? [{ path: ['input'], message: 'is longer than 20 000 characters' }]
    : [];
}

/** One entry with its body checked by kind; the path of a bad field runs through `body`. */
export const newEventSchema = envelope.transform((e, ctx) => {
  const parsed = kindOf(e.kind).body.safeParse(e.body, { error: limitWords('metric') });
  if (parsed.success && e.kind === 'worked') {
    const issues = workedIssues(parsed.data as { calculation: string; input: unknown });
    for (const i of issues)
      ctx.addIssue({ code: 'custom', path: ['body', ...i.path], message: i.message });
    if (issues.length) return z.NEVER;
  }
  if (parsed.success)
    return {
      id: e.id,
      at: e.at,
      kind: e.kind,
      body: parsed.data,
      supersedes: e.supersedes ?? null,
      writtenAt: e.writtenAt ?? null,
    } as NewEvent;
  for (const issue of parsed.error.issues)
    ctx.addIssue({
      code: 'custom',
      path: ['body', ...issue.path.map((p) => (typeof p === 'symbol' ? String(p) : p))],
      message: issue.message,
    });
  return z.NEVER;
});
export type NewEvent = { [K in EventKind]: Omit<LogEvent<K>, 'actor'> }[EventKind];

export const postEventsBody = z.object({
  /** Whose entries they are: they are taken under their own session alone. */
  by: z.string().max(80).optional(),
  /** What the device's own clock says as it sends: how far it is off is kept with its entries. */
  sentAt: z.iso.datetime({ offset: true, error: 'must be a time with its zone' }).optional(),
  events: z
    .array(newEventSchema)
    .min(1, 'must hold at least one entry')
    .max(500, 'must hold at most 500 entries'),
});
/** A sign-off taken back, by who may, with their PIN. */
export const takeBackSignBody = z.object({
  id: entryId().optional(),
  name: z.string().trim().min(1, 'is empty').max(80),
  pin: z.string().min(4, 'has at least 4 digits').max(64),
  at: z.iso.datetime({ offset: true, error: 'must be a time with its zone' }),
  entry: z.uuid({ error: 'must be the UUID of the sign-off' }),
  reason: z.string().trim().max(500, 'is longer than 500 characters').optional(),
});
export const handedSignBody = z.object({
  id: entryId().optional(),
  name: z.string().trim().min(1, 'is empty').max(80),
  pin: z.string().min(4, 'has at least 4 digits').max(64),
  at: z.iso.datetime({ offset: true, error: 'must be a time with its zone' }),
  body: z.unknown(),
});
export const eventsQuery = z.object({
  after: z.coerce
    .number({ error: 'must be a number' })
    .int('must be a whole number')
    .gte(0, 'must not be below 0')
    .default(0),
});

/** The moment that figures are asked for; left out, now. */
export const figuresQuery = z.object({
  at: z.iso.datetime({ offset: true, error: 'must be a time with its zone' }).optional(),
});

/** An entry as stored and sent: with its place in the chain. */
export type StoredEvent = LogEvent & {
  pourId: string;
  seq: number;
  recordedAt: string;
  device: string;
  /** The plan it was made on, by its hash, where that is kept. */
  planHash?: string;
  prevHash: string;
  hash: string;
};
export interface PostEventsAnswer {
  stored: { id: string; seq: number; hash: string }[];
  known: { id: string; seq: number; hash: string }[];
}

export interface PourAnswer {
  id: string;
  siteId: string;
  version: number;
  pour: PourDoc;
  site: SiteFile;
  siteVersion: number;
  /** A closed pour stands on the plan it was closed on: the version that the site has now, where it is a later one. */
  planNow?: number;
  duskMin: number;
  /** Mean of the air over the day before the first load, °C; null where no forecast says it. */
  airBeforeC: number | null;
  /** What of the stored site cannot be drawn as it stands, by its path; left out when all of it can. */
  faults?: { path: string; message: string }[];
}
/** A site from above, in the size of a stamp: a ring of x and y in metres for each of its parts. */
export interface OutlineAnswer {
  version: number;
  parts: { id: string; ring: [number, number][] }[];
}

/** The pours of a site as a list shows them. */
export interface LanesAnswer {
  /** Some are being worked out: ask again in a moment. */
  more: boolean;
  pours: {
    id: string;
    version: number;
    /** What it is poured of. */
    elements: string[];
    /** Why it was called off, where it was. */
    reason: string | null;
    /** How it stands: `wait` while that is being worked out, null where it cannot be. */
    lane: Lane | 'wait' | null;
  }[];
}

/** How the server's disk and its backups stand. */
export interface UpkeepAnswer {
  freeMb: number;
  /** There is little room left. */
  low: boolean;
  /** The day of the newest backup; null where there is none. */
  lastBackup: string | null;
  /** Why none could be made when it was tried last; null when it could. */
  problem: string | null;
}

export interface PourSummary {
  id: string;
  siteId: string;
  code: string;
  title: string;
  date: string | null;
  /** Called off for good, with its reason. */
  cancelled: boolean;
  archived: boolean;
}
export interface SiteSummary {
  id: string;
  name: string;
  units: 'us' | 'metric';
  timeZone: string;
  version: number;
  archived: boolean;
  madeUp: boolean;
}

export const putSettingsBody = z.object({
  version: z.number({ error: 'must be the version you read' }).int(),
  settings: pourSettingsSchema,
  /** Another day for the pour; left out, it stays on its own. */
  date: z.iso.date('must be a date as 2026-09-23').nullable().optional(),
});

/** A site's own value for a rule of its profile; null goes back to the profile's. */
export const putRuleBody = z
  .object({
    version: z.number({ error: 'must be the version you read' }).int(),
    rule: z.enum(RULE_IDS, { error: 'is not a rule of the profile' }),
    value: z.number({ error: 'must be a number' }).nullable(),
    reason: z.string().trim().max(500).optional(),
  })
  .superRefine((b, ctx) => {
    const e: RuleEntry = RULE_CATALOG[b.rule];
    if (b.value !== null && (b.value < e.least || b.value > e.most))
      ctx.addIssue({
        code: 'custom',
        path: ['value'],
        message: `is outside ${e.least} to ${e.most}`,
      });
  });
/** The drawn plan of a site, over the version that was read. */
export const putPlanBody = z.object({
  version: z.number({ error: 'must be the version you read' }).int(),
  plan: drawnSchema,
});

/** What the demo's laser reads on a rod held on a point, m. */
export interface LaserAnswer {
  rodM: number;
}

/** A photo as it stands on the server. */
export interface PhotoAnswer {
  id: string;
  width: number;
  height: number;
  bytes: number;
}

export interface SiteVersion {
  version: number;
}

/** How another device gets here: the address to type, the page that explains it, and whether it can come at all. */
export interface ConnectAnswer {
  secure: boolean;
  address: string;
  help: string | null;
  open: boolean;
}

export const clockBody = z.object({
  advanceMin: z
    .number({ error: 'must be a number of minutes' })
    .gt(0, 'must be above 0')
    .lte(60 * 24 * 40, 'must be 40 days or less'),
});
/** The site clock: add `offsetMs` to this machine's clock. `settable` in the demo. */
export interface ClockAnswer {
  now: string;
  settable: boolean;
}

export interface WeatherHour {
  at: string;
  airTempC: number;
  humidity: number;
  windKmH: number;
  rainMmH: number;
  sky: 'clear' | 'cloud' | 'rain' | 'snow' | 'fog';
}
/** Whether the chain of a log holds: over how many entries, or where it does not. */
export type VerifyAnswer =
  { ok: true; rows: number; lastHash: string } | { ok: false; line: number; message: string };

/** What the probe in the concrete reads. */
export interface ProbeAnswer {
  tempC: number;
  where: string;
}

export interface WeatherAnswer {
  /** `given`: typed or brought in on this site, it rules over any service. */
  source: 'simulated' | 'given' | 'none';
  hours: WeatherHour[];
}

export interface Problem {
  type: string;
  title: string;
  status: number;
  detail: string;
  issues?: { path: string; message: string }[];
}
