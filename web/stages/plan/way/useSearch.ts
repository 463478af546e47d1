import { proxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { SearchInput, SearchProgress, SearchResult } from '#core/pourplan';
import type { SearchWorker } from '../../../workers/search.worker.ts';

/** A search that runs beside the page: what it has found so far, and a way to stop it. */
export function useSearch() {
  const [progress, setProgress] = useState<SearchProgress | null>(null);
  const [result, setResult] = useState<SearchResult | null>(null);
  const worker = useRef<Worker | null>(null);
  const stop = () => {
    worker.current?.terminate();
    worker.current = null;
  };
  useEffect(() => stop, []);
  const start = (input: SearchInput, of: number) => {
    stop();
    setResult(null);
    setProgress({ done: 0, of, best: null });
    const w = new Worker(new URL('../../../workers/search.worker.ts', import.meta.url), {
      type: 'module',
    });
    worker.current = w;
    void wrap<SearchWorker>(w)
      .run(
        input,
        proxy((p: SearchProgress) => {
          // A report that was on its way when the search was stopped must not set it going again.
          if (worker.current === w) setProgress(p);
        }),
      )
      .then((r) => {
        setResult(r);
        stop();
      });
  };
  /** What was found is of other choices than those that stand now. */
  const forget = () => {
    setResult(null);
    setProgress(null);
  };
  return { progress, result, running: progress !== null && result === null, start, stop, forget };
}
