import useSWR from 'swr';
import type { Placement, Underlay } from '../../contract/index.ts';
import { getJson, sendJson } from '../sync/api.ts';
import { sayWrong } from '../ui/say.ts';

/** The picture under a site's plan, and how it is placed. */
export function useUnderlay(siteId: string) {
  const { data, mutate } = useSWR<Underlay | null, Error>(`/api/sites/${siteId}/underlay`, getJson);
  const attempt = async (act: () => Promise<Underlay | null>) => {
    try {
      await mutate(await act(), { revalidate: false });
    } catch (e) {
      sayWrong(e instanceof Error ? e.message : 'That did not work.');
    }
  };
  return {
    underlay: data ?? null,
    place: (next: Placement) =>
      attempt(() => sendJson<Underlay>('PUT', `/api/sites/${siteId}/underlay`, placed(next))),
    put: (bytes: Blob) =>
      attempt(async () => {
        const res = await fetch(`/api/sites/${siteId}/underlay`, {
          method: 'POST',
          credentials: 'same-origin',
          headers: { 'Content-Type': 'application/octet-stream' },
          body: bytes,
        });
        const answer = (await res.json()) as Underlay & { detail?: string };
        if (!res.ok) throw new Error(answer.detail ?? 'The drawing was not stored.');
        return answer;
      }),
    remove: () =>
      attempt(async () => {
        await sendJson('DELETE', `/api/sites/${siteId}/underlay`);
        return null;
      }),
  };
}

/** Where it lies, without what it is. */
const placed = ({ xM, yM, mPerPx, turnDeg, shown, onReport }: Placement): Placement => ({
  xM,
  yM,
  mPerPx,
  turnDeg,
  shown,
  onReport,
});
