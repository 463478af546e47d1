import { latest, type LogEvent, type PourState } from '#core/log';
import type { PourDoc, SitePlan } from '#core/model';
import { lengthText } from '#core/units';

/** Something to be done on pour day while the top is still fresh: bolts and dowels pushed in by their layout. */
export interface PourTask {
  /** "N/wet-bolt": the run, and what is set. */
  id: string;
  elementId: string;
  /** "6 bolts 5/8 in". */
  title: string;
  /** The anchors by name, as drawn along the run. */
  anchors: string[];
  entry: LogEvent<'task'> | null;
  state: 'open' | 'done' | 'notDone';
}

const NAME = { bolt: 'bolt', holdDown: 'hold-down', dowel: 'dowel' } as const;

/** The tasks of a pour, in the order of its elements, each as it was last said to stand. */
export function pourTasks(
  site: SitePlan,
  pour: Pick<PourDoc, 'elements'>,
  state: PourState,
): PourTask[] {
  return pour.elements.flatMap((elementId) =>
    (['bolt', 'holdDown', 'dowel'] as const).flatMap((kind): PourTask[] => {
      const own = site.anchors
        .filter((a) => a.elementId === elementId && a.kind === kind && a.wetSet)
        .sort((a, b) => a.atM - b.atM);
      if (own.length === 0) return [];
      const id = `${elementId}/wet-${kind}`;
      const sizes = [...new Set(own.map((a) => lengthText(a.diameterMm, site.units)))];
      const entry = latest(state, 'task', (e) => e.body.taskId === id) ?? null;
      return [
        {
          id,
          elementId,
          title: `${own.length} ${NAME[kind]}${own.length === 1 ? '' : 's'} ${sizes.join(' and ')}`,
          anchors: own.map((a) => a.id),
          entry,
          state: entry?.body.result ?? 'open',
        },
      ];
    }),
  );
}
