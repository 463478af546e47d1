import { entries, type LogEvent, type PourState } from '#core/log';
import type { SitePlan } from '#core/model';
import { judgeAt, type PlaceState, type PointState } from './judge.ts';

/** Something that failed, from the reading that failed to the one that passed. */
export interface Fix {
  point: PointState;
  place: number;
  now: PlaceState;
  failedAt: string;
  failedBy: string;
  fixes: LogEvent<'fix'>[];
  /** Open until read again and good; waived when somebody took it as it is. */
  state: 'open' | 'fixed' | 'closed' | 'waived';
  /** Minutes since it failed, while it is open. */
  ageMin: number | null;
  photos: LogEvent<'photo'>[];
}

/** What a photo is kept under: `check#place`, a question, or a run. */
export function photoKey(about: LogEvent<'photo'>['body']['about']): string {
  switch (about.type) {
    case 'place':
      return `${about.checkId}#${about.place}`;
    case 'question':
      return about.questionId;
    case 'element':
      return about.elementId;
  }
}

function stateOf(now: PlaceState): Fix['state'] {
  if (now.verdict === 'out') return now.fix ? 'fixed' : 'open';
  return now.verdict === 'waived' ? 'waived' : 'closed';
}

/** Photos by what they show: a place (`check#place`), a question, or a run. */
export function photosOf(state: PourState): Map<string, LogEvent<'photo'>[]> {
  const map = new Map<string, LogEvent<'photo'>[]>();
  for (const e of entries(state, 'photo')) {
    const key = photoKey(e.body.about);
    map.set(key, [...(map.get(key) ?? []), e]);
  }
  return map;
}

/**
 * Everything that failed or was fixed, worst first: open, then fixed and to be read again, then
 * done; oldest first in each.
 */
export function fixList(
  site: SitePlan,
  points: PointState[],
  state: PourState,
  nowMs: number,
): Fix[] {
  const photos = photosOf(state);
  const fixes = new Map<string, LogEvent<'fix'>[]>();
  for (const f of entries(state, 'fix')) {
    const key = `${f.body.checkId}#${f.body.place}`;
    fixes.set(key, [...(fixes.get(key) ?? []), f]);
  }
  const fails = new Map<string, LogEvent<'mark'>[]>();
  for (const m of entries(state, 'mark'))
    if (m.body.result === 'fail') {
      const key = `${m.body.checkId}#${m.body.place}`;
      fails.set(key, [...(fails.get(key) ?? []), m]);
    }
  const rank = { open: 0, fixed: 1, closed: 2, waived: 3 } as const;
  return points
    .flatMap((point) =>
      point.places.flatMap((now): Fix[] => {
        const key = `${point.point.id}#${now.index}`;
        const done = fixes.get(key) ?? [];
        // Out by its neighbours (a gap beside a missing bolt) is out, whatever the reading alone would say.
        const failed = [
          ...(fails.get(key) ?? []),
          ...[...now.earlier, ...(now.reading ? [now.reading] : [])].filter(
            (r) => judgeAt(site, point, now.index, r.body.value).verdict === 'out',
          ),
          ...(now.verdict === 'out' && now.reading ? [now.reading] : []),
        ].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))[0];
        if (!failed) return [];
        return [
          {
            point,
            place: now.index,
            now,
            failedAt: failed.at,
            failedBy: failed.actor,
            fixes: done,
            state: stateOf(now),
            ageMin:
              now.verdict === 'out' ? Math.max(0, (nowMs - Date.parse(failed.at)) / 60_000) : null,
            photos: photos.get(key) ?? [],
          },
        ];
      }),
    )
    .sort(
      (a, b) => rank[a.state] - rank[b.state] || Date.parse(a.failedAt) - Date.parse(b.failedAt),
    );
}
