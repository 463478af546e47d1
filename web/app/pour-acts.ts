import { limitWords, sentenceIn } from '#core/kit';
import { say, sayWrong } from '../ui/say.ts';
import type { KeyedMutator } from 'swr';
import type { PourAnswer, SiteVersion } from '../../contract/api.ts';
import type { Resources } from '../../contract/planning.ts';
import { type EventKind, kindOf, type LogEvent, timeline } from '#core/log';
import type { PourSettings } from '#core/model';
import type { RuleId } from '#core/rules';
import { ApiProblem, sendJson } from '../sync/api.ts';
import { stampNow, stepClock } from '../sync/clock.ts';
import type { LogStore } from '../sync/log-store.ts';
import { AS_IT_WAS } from '../sync/past.ts';
import { Told } from '../sync/told.ts';
import type { PourView } from './pour-view.ts';

/** A stray key takes none of these back. */
const GUARDED: ReadonlySet<EventKind> = new Set<EventKind>(['sign', 'override', 'close', 'reopen']);

interface Acting {
  record: PourAnswer;
  store: LogStore;
  /** Whose entries they are. */
  actor: string;
  mutate: KeyedMutator<PourAnswer>;
  /** The screen shows the pour as it was: nothing is written into the past. */
  past: boolean;
  /** Why nothing is entered on the pour as it stands: archived, or called off. */
  shut: string | null;
  /** The pour is closed: it stands on the plan it was closed on, and nothing is planned from it. */
  closed: boolean;
}

const wentWrong = (e: unknown): string => (e instanceof Error ? e.message : 'That did not work.');

/** The same written again within this is the same press: a double one, or of a shaking hand, ms. */
const SAME_PRESS_MS = 700;
/** What was written a moment ago, by its pour and all it says. */
const written = new Map<string, { atMs: number; done: Promise<string> }>();

/** Writes once what is pressed twice before the first press can be seen to have done anything. */
function once(what: string, write: () => Promise<string>): Promise<string> {
  const nowMs = performance.now();
  for (const [known, { atMs }] of written) if (nowMs - atMs >= SAME_PRESS_MS) written.delete(known);
  const before = written.get(what);
  if (before) return before.done;
  const done = write();
  written.set(what, { atMs: nowMs, done });
  // What was not kept may be pressed again at once.
  done.catch(() => {
    written.delete(what);
  });
  return done;
}

/**
 * Writes an entry; what is wrong with it, or that it could not be kept, is told, and the figure
 * stays where it stands.
 */
function writer({ record, store, actor }: Acting): PourView['write'] {
  const { units } = record.site;
  const write: PourView['write'] = async (kind, body, options = {}) => {
    const wrong = kindOf(kind).body.safeParse(body, { error: limitWords(units) }).error?.issues[0];
    if (wrong) {
      const said = `Not logged: what was entered ${sentenceIn(wrong.message, units)}. It still stands here: change it and log it again.`;
      sayWrong(said, 20_000);
      throw new Told(said);
    }
    try {
      return await store.record(
        kind,
        body,
        {
          actor,
          nowMs: stampNow(),
          atMs: options.atMs,
          supersedes: options.supersedes,
        },
        () => {
          options.kept?.();
          stepClock();
        },
      );
    } catch (e) {
      sayWrong(
        'This device could not keep that entry, so it is not logged. Make room on it, or use another device, and enter it again.',
        20_000,
      );
      throw new Told('not kept', { cause: e });
    }
  };
  return (kind, body, options = {}) =>
    once(JSON.stringify([record.id, kind, body, options.supersedes, options.atMs]), () =>
      write(kind, body, options),
    );
}

/** Takes back what this person entered last. */
async function takeBackLast({ store, actor }: Acting, write: PourView['write']): Promise<void> {
  // What was entered a moment ago may not be drawn yet: it is the last all the same.
  const last = timeline(store.snapshot().state)
    .filter((e: LogEvent) => e.actor === actor && e.kind !== 'supersede')
    .at(-1);
  if (!last) {
    say('There is no entry of yours to take back.');
    return;
  }
  if (GUARDED.has(last.kind)) {
    say(
      last.kind === 'sign'
        ? 'Your last entry is a sign-off: it is taken back on Check, with your PIN.'
        : `Your last entry is ${last.kind === 'override' ? 'an override' : 'a closing'}: it is not taken back by a key.`,
    );
    return;
  }
  await write('supersede', {}, { supersedes: last.id });
  say(`Taken back: your last ${last.kind.replace('-', ' ')}. It stays in the log.`);
}

/**
 * The plan of each pour as the server answered it last, and what is on its way there: one change
 * goes after the other.
 */
const answered = new Map<string, PourAnswer>();
const onTheWay = new Map<string, Promise<unknown>>();

/** What is the newest of the plan that this page knows. */
function newestOf(record: PourAnswer): PourAnswer {
  const known = answered.get(record.id);
  return known && known.version > record.version ? known : record;
}

async function sendSettings(
  { record, mutate }: Acting,
  change: Partial<PourSettings>,
  date: string | null | undefined,
): Promise<number | null> {
  const base = newestOf(record);
  try {
    const now = await sendJson<PourAnswer>('PUT', `/api/pours/${record.id}/settings`, {
      version: base.version,
      settings: { ...base.pour.settings, ...change },
      ...(date === undefined ? {} : { date }),
    });
    answered.set(record.id, now);
    await mutate(now, { revalidate: false });
    // Read once more: what is kept for a reload without signal is what was read.
    void mutate();
    return now.version;
  } catch (e) {
    sayWrong(wentWrong(e));
    if (e instanceof ApiProblem && e.problem.status === 409) {
      answered.delete(record.id);
      await mutate();
    }
    return null;
  }
}

/**
 * Keeps a change of the plan, after those that are on their way; answers the version it made, or
 * null where it was not taken.
 */
function saveSettings(
  acting: Acting,
  change: Partial<PourSettings>,
  date?: string | null,
): Promise<number | null> {
  const { id } = acting.record;
  const before = onTheWay.get(id) ?? Promise.resolve();
  const sent = before.then(() => sendSettings(acting, change, date));
  onTheWay.set(id, sent);
  return sent;
}

async function saveRule(
  { record, mutate }: Acting,
  rule: RuleId,
  value: number | null,
  reason: string,
): Promise<boolean> {
  let taken = false;
  try {
    await sendJson<SiteVersion>('PUT', `/api/sites/${record.siteId}/rules`, {
      version: record.siteVersion,
      rule,
      value,
      ...(reason ? { reason } : {}),
    });
    taken = true;
  } catch (e) {
    sayWrong(wentWrong(e));
  }
  await mutate();
  return taken;
}

async function saveResources({ record, mutate }: Acting, lists: Resources): Promise<void> {
  try {
    await sendJson<SiteVersion>('PUT', `/api/sites/${record.siteId}/resources`, {
      version: record.siteVersion,
      ...lists,
    });
  } finally {
    await mutate();
  }
}

/** Nothing is done to a pour as it was, or to one that is out of the way: what is tried says so. */
function nothing(why: string) {
  const said = (): Promise<never> => {
    sayWrong(why);
    return Promise.reject(new Told(why));
  };
  return {
    write: said,
    undoLast: said,
    reread: said,
    saveSettings: said,
    saveRule: said,
    saveResources: said,
  };
}

const settledText = ({ pour }: PourAnswer): string =>
  `${pour.code} is closed: what is planned is changed on the site’s own screen.`;

/** What of the plan is changed from a pour. */
const plansOf = (acting: Acting) => ({
  saveSettings: (change: Partial<PourSettings>, date?: string | null) =>
    saveSettings(acting, change, date),
  saveRule: (rule: RuleId, value: number | null, reason: string) =>
    saveRule(acting, rule, value, reason),
  saveResources: (lists: Resources) => saveResources(acting, lists),
});

/** What can be done to a pour from any of its screens. */
export function pourActs(
  acting: Acting,
): Pick<PourView, 'write' | 'undoLast' | 'reread' | 'saveSettings' | 'saveRule' | 'saveResources'> {
  if (acting.past) return nothing(AS_IT_WAS);
  if (acting.shut !== null) return nothing(acting.shut);
  const write = writer(acting);
  return {
    ...(acting.closed ? nothing(settledText(acting.record)) : plansOf(acting)),
    write,
    undoLast: () => takeBackLast(acting, write),
    reread: async () => {
      answered.delete(acting.record.id);
      await acting.mutate();
    },
  };
}
