import { useCallback, useState } from 'react';

/** The size of an element as it is laid out; attach `ref` to it. */
export function useSize(): { ref: (el: Element | null) => (() => void) | undefined; width: number; height: number } {
  const [size, setSize] = useState({ width: 0, height: 0 });
  const ref = useCallback((el: Element | null) => {
    if (!el) return undefined;
    const watch = new ResizeObserver(([entry]) => { if (entry) setSize({ width: entry.contentRect.width, height: entry.contentRect.height }); });
    watch.observe(el);
    return () => { watch.disconnect(); };
  }, []);
  return { ref, ...size };
}
