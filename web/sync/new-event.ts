import { v7 as uuid } from 'uuid';
import { type EventBody, type EventKind, type LogEvent, timesOf } from '#core/log';
import type { WrittenBy } from './log-snapshot.ts';

/** An entry as it is made on this device. */
export const newEvent = <K extends EventKind>(
  kind: K,
  body: EventBody<K>,
  by: WrittenBy,
): LogEvent =>
  ({
    id: uuid(),
    ...timesOf(by.atMs ?? by.nowMs, by.nowMs),
    actor: by.actor,
    kind,
    body,
    supersedes: by.supersedes ?? null,
  }) as unknown as LogEvent;
