import { lazy, Suspense, type ComponentType } from 'react';
import { insisted } from './insisted.ts';

/** Parts that have not been asked for yet. */
const unfetched = new Set<() => Promise<unknown>>();

/** A component that is fetched when it is first shown; nothing stands in its place meanwhile. */
export function lazily<P extends object>(
  load: () => Promise<{ default: ComponentType<P> }>,
): ComponentType<P> {
  unfetched.add(load);
  const Fetched = lazy(() => {
    unfetched.delete(load);
    return insisted(load);
  });
  return function Lazily(props: P) {
    return (
      <Suspense fallback={null}>
        <Fetched {...props} />
      </Suspense>
    );
  };
}

/** Fetches every part that is known by now, and those that they bring: from then on they open without signal. */
export async function fetchParts(): Promise<void> {
  while (unfetched.size) {
    const loads = [...unfetched];
    await Promise.all(
      loads.map(async (load) => {
        await load();
        unfetched.delete(load);
      }),
    );
  }
}
