import type { ReactNode } from 'react';
import { ErrorBoundary, getErrorMessage, type FallbackProps } from 'react-error-boundary';
import { useLocation } from 'react-router';
import { mutate } from 'swr';
import { EarlierVersion } from '../ui/insisted.ts';
import { usePour } from './pour-context.tsx';

function PartFault({ error, resetErrorBoundary }: FallbackProps) {
  return (
    <section role="alert" className="m-5 border-2 border-chalk bg-sheet p-4">
      <h2 className="head text-[20px] text-chalk-t">This part cannot be shown</h2>
      <p className="my-2 [overflow-wrap:anywhere]">{getErrorMessage(error)}</p>
      <p className="mb-3 text-ink2">What was logged is kept, and the rest of the screen goes on.</p>
      {error instanceof EarlierVersion ? (
        <button
          type="button"
          className="btn"
          onClick={() => {
            location.reload();
          }}
        >
          Read the page again
        </button>
      ) : (
        <button type="button" className="btn" onClick={resetErrorBoundary}>
          Show it again
        </button>
      )}
    </section>
  );
}

/**
 * Keeps a fault in one part of the screen from taking the others with it. Where one goes on to
 * something else, or what is drawn has changed, it is tried anew.
 */
export function PartGuard({ children }: { children: ReactNode }) {
  const { pathname, search } = useLocation();
  const { record, state, weather } = usePour();
  return (
    <ErrorBoundary
      FallbackComponent={PartFault}
      resetKeys={[pathname, search, record, state, weather]}
      // Pressed for, what it was drawn from is read anew as well.
      onReset={({ reason }) => {
        if (reason === 'imperative-api') void mutate(() => true);
      }}
    >
      {children}
    </ErrorBoundary>
  );
}
