import { useSearchParams } from 'react-router';

/** What the screen is about: run, check, place, open tab and sheet stand in the address, so a reload or a link keeps them. */
export interface Focus { run: string | null; check: string | null; place: number; sheet: string | null; tab: string | null }

export function useFocus(): Focus & { set: (change: Partial<Record<'run' | 'check' | 'place' | 'sheet' | 'tab', string | number | null>>) => void } {
  const [params, setParams] = useSearchParams();
  const set = (change: Partial<Record<'run' | 'check' | 'place' | 'sheet' | 'tab', string | number | null>>) => {
    setParams((old) => {
      const next = new URLSearchParams(old);
      for (const [k, v] of Object.entries(change)) { if (v === null) next.delete(k); else next.set(k, String(v)); }
      return next;
    }, { replace: true });
  };
  return { run: params.get('run'), check: params.get('check'), place: Number(params.get('place') ?? 0) || 0, sheet: params.get('sheet'), tab: params.get('tab'), set };
}

/** The address of a station of a pour, with what it is to be about. */
export const focusUrl = (pourId: string, stage: string, change: Record<string, string | number | null> = {}): string => {
  const q = new URLSearchParams(Object.entries(change).filter(([, v]) => v !== null).map(([k, v]) => [k, String(v)]));
  return `/pours/${pourId}/${stage}${q.size ? `?${q.toString()}` : ''}`;
};
