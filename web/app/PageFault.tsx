import { RotateCcw } from 'lucide-react';
import { isRouteErrorResponse, Link, useRouteError } from 'react-router';

function messageOf(error: unknown): string {
  if (isRouteErrorResponse(error)) return `${error.status} ${error.statusText}`;
  return error instanceof Error ? error.message : String(error);
}

/** Shown where a whole screen cannot be: it could not be fetched, or what is round its parts failed. */
export function PageFault() {
  const error = useRouteError();
  return (
    <main className="grid max-w-[60ch] gap-3 p-8" role="alert">
      <h1 className="head text-[28px] leading-8">This screen cannot be shown</h1>
      <p className="[overflow-wrap:anywhere]">{messageOf(error)}</p>
      <p className="text-ink2">
        What was logged is kept on this device until the server has it. Read the page again; without
        signal, go back to a screen that was open before.
      </p>
      <p className="flex gap-2">
        <button
          type="button"
          className="btn"
          onClick={() => {
            window.location.reload();
          }}
        >
          <RotateCcw size={20} aria-hidden="true" />
          Read the page again
        </button>
        <Link className="btn line" to="/">
          All pours
        </Link>
      </p>
    </main>
  );
}
