import { getErrorMessage, type FallbackProps } from 'react-error-boundary';
import { Link } from 'react-router';

/** Shown where a whole screen cannot be: it could not be fetched, or what is round its parts failed. */
export function PageFault({ error }: FallbackProps) {
  return (
    <main className="grid max-w-[60ch] gap-3 p-8" role="alert">
      <h1 className="head text-[28px] leading-8">This screen cannot be shown</h1>
      <p className="[overflow-wrap:anywhere]">{getErrorMessage(error)}</p>
      <p className="text-ink2">
        What was logged is kept on this device. Read the page again, or go back.
      </p>
      <p className="flex gap-2">
        <button
          type="button"
          className="btn"
          onClick={() => {
            window.location.reload();
          }}
        >
          Read the page again
        </button>
        <Link className="btn line" to="/">
          All pours
        </Link>
      </p>
    </main>
  );
}
