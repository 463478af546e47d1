import { useMemo } from 'react';
import useSWR from 'swr';
import type { OutlineAnswer } from '../../../contract/index.ts';
import { getJson } from '../../sync/api.ts';

type Part = OutlineAnswer['parts'][number];

/** A site in the size of a stamp: all of it as one line, and each part of it by itself. */
export interface Stamp {
  height: number;
  all: string;
  parts: Map<string, string>;
}

const WIDTH = 120;
const MOST = { x: 116, y: 72 };
const MARGIN = 2;

function stampOf(parts: readonly Part[]): Stamp | null {
  if (parts.length === 0) return null;
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const { ring } of parts)
    for (const [x, y] of ring) {
      [x0, x1] = [Math.min(x0, x), Math.max(x1, x)];
      [y0, y1] = [Math.min(y0, y), Math.max(y1, y)];
    }
  const k = Math.min(MOST.x / (x1 - x0 || 1), MOST.y / (y1 - y0 || 1));
  const at = ([x, y]: [number, number]) =>
    `${(MARGIN + (x - x0) * k).toFixed(1)} ${(MARGIN + (y1 - y) * k).toFixed(1)}`;
  const drawn = parts.map((p): [string, string] => [p.id, `M${p.ring.map(at).join('L')}Z`]);
  return {
    height: Math.max(20, (y1 - y0) * k + 2 * MARGIN),
    all: drawn.map(([, d]) => d).join(''),
    parts: new Map(drawn),
  };
}

/** The stamp of a site; null until it is here, or where nothing is drawn. */
export function useStamp(siteId: string, version: number): Stamp | null {
  // The version stands in the address: what was drawn of an earlier one is not shown for it.
  const { data } = useSWR<OutlineAnswer, Error>(
    `/api/sites/${siteId}/outline?version=${version}`,
    getJson,
    { revalidateOnFocus: false, revalidateIfStale: false, keepPreviousData: true },
  );
  return useMemo(() => (data ? stampOf(data.parts) : null), [data]);
}

/** The whole site, once for all lanes that show it. */
export function StampGround({ stamp }: { stamp: Stamp | null }) {
  if (!stamp) return null;
  return (
    <svg width="0" height="0" className="absolute" aria-hidden="true">
      <defs>
        <path
          id="site-from-above"
          d={stamp.all}
          fill="none"
          stroke="var(--line)"
          strokeWidth="1"
          strokeDasharray="2 3"
        />
      </defs>
    </svg>
  );
}

/** Which part of the site a pour is. */
export function KeyPlan({ stamp, elements }: { stamp: Stamp | null; elements: readonly string[] }) {
  if (!stamp) return <span />;
  return (
    <svg
      width={WIDTH}
      height={stamp.height}
      aria-hidden="true"
      className="justify-self-end md:justify-self-start"
    >
      <use href="#site-from-above" />
      <path
        d={elements.map((id) => stamp.parts.get(id) ?? '').join('')}
        fill="var(--ink)"
        stroke="var(--ink)"
        strokeWidth="1"
      />
    </svg>
  );
}
