import { Link } from 'react-router';
import { usePhotoQueue } from '../../photos/usePhotoQueue.ts';
import { clockDrift } from '../../sync/clock.ts';
import { useReadyWithoutSignal } from '../../sync/ready.ts';
import { usePour, usePourLog } from '../pour-context.tsx';

/** What has not reached the server yet, and whom it waits for. */
export function Unsent() {
  const log = usePourLog();
  const { clock, record } = usePour();
  const ready = useReadyWithoutSignal(record.id);
  const photos = usePhotoQueue();
  if (log.signedOut)
    return (
      <Link to="/" className="font-semibold text-rail-ink underline">
        sign in to send {log.unsent}
      </Link>
    );
  const unsent = log.unsent + photos.unsent;
  const wait = log.others.length ? `, waiting for ${log.others.join(', ')} to sign in` : '';
  const drift = clock.settable ? null : clockDrift();
  if (drift !== null && unsent === 0)
    return (
      <span data-unsent={0} className="font-semibold text-rail-ink">
        this device’s clock is {Math.round(Math.abs(drift) / 60_000)} min{' '}
        {drift > 0 ? 'slow' : 'fast'}
      </span>
    );
  return (
    <span data-unsent={unsent} data-without-signal={ready ? 'ready' : 'not yet'}>
      {unsent ? `${unsent} not sent yet${wait}` : 'all sent'}
    </span>
  );
}
