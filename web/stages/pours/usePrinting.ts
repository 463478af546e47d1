import { useEffect, useState } from 'react';

/** True while the page is being printed: then all of it is drawn. */
export function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false);
  useEffect(() => {
    const set = (e: Event) => {
      setPrinting(e.type === 'beforeprint');
    };
    window.addEventListener('beforeprint', set);
    window.addEventListener('afterprint', set);
    return () => {
      window.removeEventListener('beforeprint', set);
      window.removeEventListener('afterprint', set);
    };
  }, []);
  return printing;
}
