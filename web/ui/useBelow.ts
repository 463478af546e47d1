import { useEffect, useRef, useState, type RefObject } from 'react';

/**
 * A list that scrolls, and how many of its rows lie wholly or mostly below what shows: so that
 * nobody takes what shows for all.
 */
export function useBelow(rows: number): [RefObject<HTMLDivElement | null>, number] {
  const ref = useRef<HTMLDivElement>(null);
  const [below, setBelow] = useState(0);
  useEffect(() => {
    const list = ref.current;
    if (!list) return undefined;
    const count = () => {
      const end = list.getBoundingClientRect().bottom;
      setBelow(
        [...list.children].filter((row) => {
          const r = row.getBoundingClientRect();
          return (r.top + r.bottom) / 2 > end;
        }).length,
      );
    };
    const watch = new ResizeObserver(count);
    watch.observe(list);
    list.addEventListener('scroll', count, { passive: true });
    return () => {
      watch.disconnect();
      list.removeEventListener('scroll', count);
    };
  }, [rows]);
  return [ref, below];
}
