import { useCallback, useEffect, useRef } from 'react';

/**
 * A function that stays the same and calls the newest of what it was given: for rows of long lists
 * that must not be drawn anew.
 */
export function useStable<Args extends unknown[]>(
  act: (...args: Args) => void,
): (...args: Args) => void {
  const newest = useRef(act);
  useEffect(() => {
    newest.current = act;
  });
  return useCallback((...args: Args) => {
    newest.current(...args);
  }, []);
}
