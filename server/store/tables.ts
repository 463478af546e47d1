import type { Kysely } from 'kysely';

/** Tables as they stand in the file; documents are JSON text checked by contract/ on their way in. */
export interface Tables {
  site: { id: string; name: string; version: number; doc: string };
  pour: { id: string; site_id: string; version: number; doc: string };
  pour_event: {
    id: string;
    pour_id: string;
    seq: number;
    at: string;
    recorded_at: string;
    /** When it was written down, where that was later than it happened. */
    written_at: string | null;
    actor: string;
    device: string;
    kind: string;
    body: string;
    supersedes: string | null;
    prev_hash: string;
    hash: string;
    /** The plan it was made on, where that is kept. */
    plan_hash: string | null;
  };
  /** Plans as they stood when something was signed, begun or closed on them. */
  kept_plan: { hash: string; doc: string };
  /** Pours that were closed before closings named their plan: the one they keep. */
  closed_plan: { pour_id: string; hash: string };
  account: {
    id: string;
    name: string;
    role: string;
    pin_hash: string;
    /** 1 while the foreman has shut the person out. */
    locked: number;
    /** 1 when the person has gone; their name stays with their entries. */
    removed: number;
    /** The name as it looks: nobody else may look like it. */
    name_key: string;
    /** Wrong PINs since the PIN was set, and when the last was. */
    guesses: number;
    wrong_at: string | null;
    seen_at: string | null;
    /** For what they were asked here alone, as JSON. */
    invited: string | null;
  };
  /** The picture under a site's plan; its file lies among the photos. */
  underlay: {
    site_id: string;
    picture: string;
    width: number;
    height: number;
    placement: string;
  };
  session: { token_hash: string; account: string; device: string; expires_at: string };
  /** Wrong PINs in a row at a name, by where they came from; nobody is listened to from there before `wait_until`. */
  pin_try: {
    name_key: string;
    from_key: string;
    wrong: number;
    wait_until: string | null;
    at: string;
  };
  setting: { name: string; value: string };
  photo: {
    id: string;
    pour_id: string;
    width: number;
    height: number;
    bytes: number;
    sha256: string;
    stored_by: string;
    stored_at: string;
  };
}
export type Db = Kysely<Tables>;
