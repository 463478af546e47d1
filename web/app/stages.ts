import { elementsText } from '../../core/model/elements.ts';
import { stripWords } from '../../core/cure/strip.ts';
import { counted, clockText, textOf, timeOfDay, volume } from '../../core/units/index.ts';
import { localDate } from '../../core/weather/daylight.ts';
import type { PourView } from './pour-context.tsx';

export const STAGES = ['setout', 'check', 'plan', 'pour', 'cure'] as const;
export type Stage = (typeof STAGES)[number];
export const STAGE_NAME: Record<Stage, string> = {
  setout: 'Set out',
  check: 'Check',
  plan: 'Plan',
  pour: 'Pour',
  cure: 'Cure',
};

const WEEKDAY = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
/** A moment as people on site say it: "14:05" on the pour day, "Thu 05:20" on another within the week, with the date further off. */
export function momentText(v: PourView, ms: number): string {
  const { timeZone } = v.record.site;
  const date = localDate(ms, timeZone);
  const minutes = timeOfDay(ms, timeZone);
  if (date === localDate(v.nowMs, timeZone)) return minutes;
  const day = WEEKDAY[new Date(`${date}T12:00:00Z`).getUTCDay()] ?? '';
  if (Math.abs(ms - v.nowMs) < 6 * 86_400_000) return `${day} ${minutes}`;
  const [, m = 1, d = 1] = date.split('-').map(Number);
  return `${day} ${d} ${['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'][m - 1] ?? ''}`;
}

/** The one live figure of each station, and how far it is along (0 to 1). */
export function stageFigure(v: PourView, stage: Stage): { text: string; done: number } {
  const { plan, progress, gate, curing } = v;
  switch (stage) {
    case 'setout': {
      const open = gate.rows.filter((r) => r.kind === 'question').length;
      return {
        text: open
          ? `${counted(open, 'question')} open`
          : elementsText(v.record.site, v.record.pour.elements),
        done: open ? 0.8 : 1,
      };
    }
    case 'check':
      return {
        text: `${gate.read} of ${gate.wanted} read`,
        done: gate.wanted ? gate.read / gate.wanted : 0,
      };
    case 'plan':
      return {
        text: `${textOf(volume(plan.orderedM3, v.units, 1))}, ${counted(plan.loadIds.length, 'load')}`,
        done: v.record.pour.settings.orderM3 === null ? 0.6 : 1,
      };
    case 'pour': {
      const done = plan.route.volumeM3 ? progress.placedM3 / plan.route.volumeM3 : 0;
      if (progress.finishedMs !== null)
        return { text: `${textOf(volume(progress.placedM3, v.units, 1))} placed`, done: 1 };
      const seam = progress.seams[0];
      if (seam)
        return { text: seam.cold ? 'seam cold' : `seam ${Math.floor(seam.minutesLeft)} min`, done };
      return {
        text:
          progress.startedMs === null
            ? `first load ${clockText(v.record.pour.settings.firstLoadMin)}`
            : `${textOf(volume(progress.placedM3, v.units, 1))} placed`,
        done,
      };
    }
    case 'cure': {
      if (v.closed) return { text: 'closed', done: 1 };
      if (!curing) return { text: 'not yet', done: 0 };
      const all = curing.stripped.length >= v.record.pour.elements.length;
      return {
        text: stripWords(curing, (ms) => momentText(v, ms), v.record.pour.elements).short,
        done: all ? 0.9 : Math.min(0.8, curing.strengthMPa / curing.stripMPa / 1.25),
      };
    }
  }
}
