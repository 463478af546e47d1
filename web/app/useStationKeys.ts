import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { STAGES } from '#core/view';
import { usePour } from './pour-context.tsx';
import { focusUrl, useFocus } from './useFocus.ts';
import { useKeys } from './useKeys.ts';

/** Keys that work on every station. @param go what the next line's button does */
export function useStationKeys(go: () => void): void {
  const v = usePour();
  const navigate = useNavigate();
  const focus = useFocus();
  const keys = useMemo(
    () => ({
      ...Object.fromEntries(
        STAGES.map((s, i) => [String(i + 1), () => void navigate(focusUrl(v.record.id, s.id))]),
      ),
      n: go,
      r: () => {
        void navigate(focusUrl(v.record.id, 'check'));
      },
      l: () => {
        void navigate(focusUrl(v.record.id, 'pour', { sheet: 'load:next' }));
      },
      s: () => {
        void navigate(focusUrl(v.record.id, 'pour', { sheet: 'slump:here' }));
      },
      p: () => {
        void navigate(
          focusUrl(v.record.id, 'pour', { sheet: v.progress.current ? 'stop' : 'start' }),
        );
      },
      w: () => {
        void navigate(focusUrl(v.record.id, 'pour', { sheet: 'weather' }));
      },
      c: () => {
        void navigate(focusUrl(v.record.id, 'workbench'));
      },
      h: () => {
        void navigate(focusUrl(v.record.id, 'check', { sheet: 'question' }));
      },
      z: () => {
        void v.undoLast();
      },
      '/': () => {
        focus.set({ sheet: 'find' });
      },
      '?': () => {
        focus.set({ sheet: 'help' });
      },
    }),
    [navigate, go, v, focus],
  );
  useKeys(keys);
}
