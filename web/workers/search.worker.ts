import { expose } from 'comlink';
import {
  type SearchInput,
  type SearchProgress,
  type SearchResult,
  searchSequences,
} from '#core/pourplan';

/** Looks for the sequence away from the page's own thread; whoever asked ends the worker to stop it. */
const search = {
  run(input: SearchInput, report: (p: SearchProgress) => void): SearchResult {
    const steps = searchSequences(input);
    for (;;) {
      const step = steps.next();
      if (step.done) return step.value;
      report(step.value);
    }
  },
};
export type SearchWorker = typeof search;
expose(search);
