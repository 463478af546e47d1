import type { PourAnswer, WeatherHour } from '../../contract/api.ts';
import type { Resources } from '../../contract/planning.ts';
import type { Walk } from '#core/check';
import type { Curing } from '#core/cure';
import type { EventBody, EventKind, PourState } from '#core/log';
import type { PourSettings } from '#core/model';
import type { RuleId } from '#core/rules';
import type { UnitSystem } from '#core/units';
import type { useSiteClock } from '../sync/clock.ts';
import type { LogStore } from '../sync/log-store.ts';
import type { PourView as PourFigures } from '#core/view';

/** Everything the stages draw: the pour as the core has it, and what the page does with it. */
export interface PourView extends PourFigures {
  record: PourAnswer;
  units: UnitSystem;
  nowMs: number;
  /** Minutes after local midnight of the pour day. */
  minuteOf: (ms: number) => number;
  state: PourState;
  store: LogStore;
  curing: Curing | null;
  weather: WeatherHour[];
  /** The forecast round the present hour, whatever day the pour is on. */
  weatherNow: WeatherHour[];
  /** When the weather service was last heard, by this device's clock, ms; null while it was not. */
  weatherHeardMs: number | null;
  write: <K extends EventKind>(
    kind: K,
    body: EventBody<K>,
    options?: { supersedes?: string; atMs?: number; kept?: () => void },
  ) => Promise<string>;
  undoLast: () => Promise<void>;
  /** Reads the pour's record anew: something else than this page has changed it. */
  reread: () => Promise<void>;
  /**
   * Keeps a change of the plan, and another day for it where one is given; answers the version it
   * made, null where it was not taken.
   */
  saveSettings: (change: Partial<PourSettings>, date?: string | null) => Promise<number | null>;
  /** Changes a rule of the site (null: back to its profile); answers whether it was taken. */
  saveRule: (rule: RuleId, value: number | null, reason: string) => Promise<boolean>;
  /**
   * Puts other lists of what there is to plan with in the place of those that stand; throws what
   * the server would not take.
   */
  saveResources: (lists: Resources) => Promise<void>;
  /** Which way round the checks are walked on this device. */
  walk: Walk;
  clock: ReturnType<typeof useSiteClock>;
  /** The past moment the pour is looked at, when nothing can be changed; null for now. */
  past: number | null;
  /** Why nothing is entered on it as it stands: archived, or called off; null when something may be. */
  shut: string | null;
  elementName: (id: string) => string;
}
