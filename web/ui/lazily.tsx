import { lazy, Suspense, type ComponentType } from 'react';

/** A component that is fetched when it is first shown; nothing stands in its place meanwhile. */
export function lazily<P extends object>(
  load: () => Promise<{ default: ComponentType<P> }>,
): ComponentType<P> {
  const Fetched = lazy(load);
  return function Lazily(props: P) {
    return (
      <Suspense fallback={null}>
        <Fetched {...props} />
      </Suspense>
    );
  };
}
