import type { PourAnswer, WeatherHour } from '../../contract/api.ts';
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
  write: <K extends EventKind>(
    kind: K,
    body: EventBody<K>,
    options?: { supersedes?: string; atMs?: number; kept?: () => void },
  ) => Promise<string>;
  undoLast: () => Promise<void>;
  saveSettings: (change: Partial<PourSettings>) => Promise<void>;
  /** Changes a rule of the site (null: back to its profile); answers whether it was taken. */
  saveRule: (rule: RuleId, value: number | null, reason: string) => Promise<boolean>;
  /** Which way round the checks are walked on this device. */
  walk: Walk;
  clock: ReturnType<typeof useSiteClock>;
  elementName: (id: string) => string;
}
