import { useCallback, useMemo } from 'react';
import { useLocation, useNavigate } from 'react-router';

/**
 * What the screen is about: run, check, place, open tab, sheet and view stand in the address, so a
 * reload or a link keeps them.
 */
export interface Focus {
  run: string | null;
  check: string | null;
  place: number;
  sheet: string | null;
  tab: string | null;
  view: string | null;
}

type Change = Partial<Record<keyof Focus, string | number | null>>;
type SetFocus = (change: Change) => void;

/**
 * Says what the screen is to be about; always the same function, so that what only sets it need not
 * be drawn anew when it moves.
 */
export function useSetFocus(): SetFocus {
  const navigate = useNavigate();
  return useCallback(
    (change: Change) => {
      const next = new URLSearchParams(window.location.search);
      for (const [k, v] of Object.entries(change)) {
        if (v === null) next.delete(k);
        else next.set(k, String(v));
      }
      void navigate({ search: next.toString() }, { replace: true });
    },
    [navigate],
  );
}

const focusOf = (search: string): Focus => {
  const params = new URLSearchParams(search);
  return {
    run: params.get('run'),
    check: params.get('check'),
    place: Number(params.get('place') ?? 0) || 0,
    sheet: params.get('sheet'),
    tab: params.get('tab'),
    view: params.get('view'),
  };
};
export function useFocus(): Focus & { set: SetFocus } {
  const { search } = useLocation();
  const set = useSetFocus();
  return useMemo(() => ({ ...focusOf(search), set }), [search, set]);
}

/** The address of a station of a pour, with what it is to be about. */
export const focusUrl = (
  pourId: string,
  stage: string,
  change: Record<string, string | number | null> = {},
): string => {
  const q = new URLSearchParams(
    Object.entries(change)
      .filter(([, v]) => v !== null)
      .map(([k, v]) => [k, String(v)]),
  );
  return `/pours/${pourId}/${stage}${q.size ? `?${q.toString()}` : ''}`;
};
