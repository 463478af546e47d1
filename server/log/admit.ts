import type { Invitation, NewEvent, StoredEvent } from '../../contract/index.ts';
import { HOLD_NAME, type Role } from '#core/model';
import { refuseBreak, refuseStrip } from '#core/cure';
import {
  type LogEvent,
  mayStandFor,
  mayTakeBack,
  mayWrite,
  refuseClosed,
  refuseTime,
  refuseWritten,
  replay,
} from '#core/log';
import { ProblemError } from '../problems.ts';

/** Whose entries are looked at. */
export interface Writer {
  role: Role;
  name: string;
  invited?: Invitation;
}

/** What is asked of the log before entries are taken into it. */
export interface KnownLog {
  /** Entries of this pour by their ids; ids that are not in it are left out. */
  byId(ids: string[]): Promise<StoredEvent[]>;
  /** Entries of some kinds, and what corrects one of them. */
  ofKinds(kinds: NewEvent['kind'][]): Promise<StoredEvent[]>;
}

const holdOf = (e: Pick<LogEvent, 'kind' | 'body'>) =>
  e.kind === 'sign' ? (e.body as LogEvent<'sign'>['body']).hold : null;
const refuse = (status: 400 | 403, detail: string, path: string, message: string): never => {
  throw new ProblemError(status, status === 403 ? 'Not yours to do' : 'Bad input', detail, [
    { path, message },
  ]);
};

function checkKind({ role, invited }: Writer, e: NewEvent, i: number): void {
  const hold = holdOf(e);
  const own = invited?.hold;
  if (hold && own && own !== hold)
    refuse(
      403,
      `You were asked here for the ${HOLD_NAME[own].toLowerCase()} alone.`,
      `events.${i}.body.hold`,
      'is not what you were asked here for',
    );
  if (mayWrite(role, e.kind, hold)) return;
  const detail =
    hold && mayWrite(role, e.kind, null)
      ? `The ${HOLD_NAME[hold].toLowerCase()} is not a ${role}'s to sign.`
      : `A ${role} may not log “${e.kind}”.`;
  refuse(403, detail, `events.${i}.kind`, 'is not for your role');
}

/** A correction is judged by what it corrects, which is in the log already or earlier in the batch. */
async function checkCorrections(
  who: Writer,
  events: NewEvent[],
  log: Pick<KnownLog, 'byId'>,
  pinGiven: boolean,
): Promise<void> {
  const ids = events.flatMap((e) => (e.supersedes ? [e.supersedes] : []));
  if (ids.length === 0) return;
  const stored = new Map((await log.byId(ids)).map((e) => [e.id, e]));
  events.forEach((e, i) => {
    if (!e.supersedes) return;
    const path = `events.${i}.supersedes`;
    const own = events.slice(0, i).find((x) => x.id === e.supersedes);
    const target = stored.get(e.supersedes) ?? (own && { ...own, actor: who.name });
    if (!target) {
      refuse(
        400,
        'The entry to be corrected is not in this log.',
        path,
        'is no earlier entry of this pour',
      );
      return;
    }
    if (!mayStandFor(e.kind, target.kind))
      refuse(
        400,
        `A ${e.kind} does not correct a ${target.kind}: take it back, and enter it anew.`,
        path,
        `is a ${target.kind}`,
      );
    const hold = holdOf(target);
    const asked = who.invited?.hold;
    if (asked && hold !== null && hold !== asked)
      refuse(
        403,
        `You were asked here for the ${HOLD_NAME[asked].toLowerCase()} alone.`,
        path,
        'is not what you were asked here for',
      );
    if (e.kind === 'supersede' && target.kind === 'sign' && !pinGiven)
      refuse(403, 'A sign-off is taken back with a PIN, on the Check.', path, 'is a sign-off');
    if (!mayTakeBack(who, { kind: target.kind, actor: target.actor, hold }))
      refuse(
        403,
        hold !== null && hold !== 'own'
          ? 'An inspector’s sign-off is taken back by an inspector.'
          : `Only ${target.actor} or the foreman takes back that ${target.kind}, each by their own rights.`,
        path,
        'is not yours to take back',
      );
  });
}

/** Kinds that what can have happened hangs on, by what is asked about. */
const CLOSING: NewEvent['kind'][] = ['close', 'reopen'];
const PLACING: NewEvent['kind'][] = ['place-start'];

/**
 * What cannot have happened is refused: a cylinder older than the concrete, a time that is none, an
 * entry after the closing.
 */
async function checkPossible(
  events: NewEvent[],
  log: Pick<KnownLog, 'ofKinds'>,
  nowMs: number,
): Promise<void> {
  const placing = events.some((e) => e.kind === 'break-test' || e.kind === 'strip');
  const before = replay(await log.ofKinds([...CLOSING, ...(placing ? PLACING : [])]));
  const state = replay(events as LogEvent[], before);
  const closes = events.some((e) => e.kind === 'close' || e.kind === 'reopen');
  events.forEach((e, i) => {
    const atMs = Date.parse(e.at);
    const refuseAt = (why: string | null, field: string) => {
      if (why !== null) refuse(400, why, `events.${i}.${field}`, 'cannot be');
    };
    refuseAt(refuseTime(e.kind, atMs, nowMs), 'at');
    refuseAt(refuseWritten(e), 'writtenAt');
    const until = closes ? replay(events.slice(0, i) as LogEvent[], before) : before;
    refuseAt(refuseClosed(until, e), 'kind');
    if (e.kind === 'break-test') refuseAt(refuseBreak(state, e.body.ageDays, atMs), 'body.ageDays');
    if (e.kind === 'strip')
      refuseAt(refuseStrip(state, e.body.elementIds, atMs), 'body.elementIds');
  });
}

/** Refuses the whole batch, in words, when one of its entries is not this person's to write or cannot have happened. */
export async function admit(
  who: Writer,
  events: NewEvent[],
  log: KnownLog,
  nowMs: number,
  { pinGiven = false } = {},
): Promise<void> {
  events.forEach((e, i) => {
    checkKind(who, e, i);
  });
  await checkCorrections(who, events, log, pinGiven);
  await checkPossible(events, log, nowMs);
}
