import type { z } from 'zod';
import type { EntryKind } from './entry-kind.ts';
import { ENTRY_KINDS } from './kinds/index.ts';

/** Every kind of entry by its name; what a kind is stands in its own file, in `kinds/`. */
export type EventKind = keyof typeof ENTRY_KINDS;
export const EVENT_KINDS = Object.keys(ENTRY_KINDS) as [EventKind, ...EventKind[]];
export type EventBody<K extends EventKind> = z.output<(typeof ENTRY_KINDS)[K]['body']>;
/** An entry as the reducer sees it: what, when it happened, by whom, and what it corrects. */
export type LogEvent<K extends EventKind = EventKind> = {
  [P in K]: {
    id: string;
    at: string;
    actor: string;
    kind: P;
    body: EventBody<P>;
    supersedes?: string | null;
    /** When it was written down, where that was later than it happened; null or missing where it was then. */
    writtenAt?: string | null;
    /** When the server took it; missing while it has not. */
    recordedAt?: string;
    /** On what it was written, with how far its clock was off where that was much. */
    device?: string;
    /** What the device's clock said, where it ran ahead and is not believed. */
    saidAt?: string;
  };
}[K];

/** The record of a kind, for whoever takes kinds as they come. */
export const kindOf = (kind: EventKind): EntryKind => ENTRY_KINDS[kind];
