import { startTransition, useEffect, useState } from 'react';

interface Store {
  subscribe: (heard: () => void) => () => void;
}

/**
 * What a store says, followed a moment later: unlike `useSyncExternalStore` a change never holds up
 * a press, and does not throw away what is being drawn. `read` is to be the same function each
 * time, and what it reads the same while nothing changed.
 */
export function useDeferredStore<S extends Store, T>(store: S, read: (store: S) => T): T {
  const [seen, setSeen] = useState(() => ({ store, value: read(store) }));
  useEffect(() => {
    const hear = () => {
      startTransition(() => {
        setSeen((old) => {
          const value = read(store);
          return old.store === store && old.value === value ? old : { store, value };
        });
      });
    };
    hear();
    return store.subscribe(hear);
  }, [store, read]);
  return seen.store === store ? seen.value : read(store);
}
