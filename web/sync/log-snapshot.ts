import type { StoredEvent } from '../../contract/index.ts';
import { EMPTY_STATE, type PourState } from '#core/log';
import type { RefusedRow } from './local-db.ts';

/** One pour's log as this device has it. */
export interface LogSnapshot {
  state: PourState;
  seq: number;
  unsent: number;
  /** Who made what waits here besides who is signed in: it is sent when they are. */
  others: string[];
  refused: RefusedRow[];
  /** What the server lacks since it was set back, oldest first. */
  lost: StoredEvent[];
  loaded: boolean;
  /** Whether the server was asked for what is new, with or without an answer. */
  heard: boolean;
  signedOut: boolean;
}

/** By whom an entry is written and when, and of when it is where that was before; times are epoch ms. */
export interface WrittenBy {
  actor: string;
  nowMs: number;
  atMs?: number | undefined;
  supersedes?: string | undefined;
}

/** Before anything of it is read. */
export const EMPTY_LOG: LogSnapshot = {
  state: EMPTY_STATE,
  seq: 0,
  unsent: 0,
  others: [],
  refused: [],
  lost: [],
  loaded: false,
  heard: false,
  signedOut: false,
};
