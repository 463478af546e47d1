import { startTransition, useCallback, useState } from 'react';

/**
 * A callback to attach to an element, and the element's size as it is laid out. What is drawn to it
 * may follow a press, not hold it up.
 */
export function useSize(): [
  (el: Element | null) => (() => void) | undefined,
  { width: number; height: number },
] {
  const [size, setSize] = useState({ width: 0, height: 0 });
  const attach = useCallback((el: Element | null) => {
    if (!el) return undefined;
    const watch = new ResizeObserver(([entry]) => {
      if (entry)
        startTransition(() => {
          setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
        });
    });
    watch.observe(el);
    return () => {
      watch.disconnect();
    };
  }, []);
  return [attach, size];
}
