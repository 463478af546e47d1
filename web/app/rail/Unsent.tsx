import { Link } from 'react-router';
import { usePhotoQueue } from '../../photos/Photos.tsx';
import { usePourLog } from '../pour-context.tsx';

/** What has not reached the server yet, and whom it waits for. */
export function Unsent() {
  const log = usePourLog();
  const photos = usePhotoQueue();
  if (log.signedOut)
    return (
      <Link to="/" className="font-semibold text-rail-ink underline">
        sign in to send {log.unsent}
      </Link>
    );
  const unsent = log.unsent + photos.unsent;
  const wait = log.others.length ? `, waiting for ${log.others.join(', ')} to sign in` : '';
  return <span data-unsent={unsent}>{unsent ? `${unsent} not sent yet${wait}` : 'all sent'}</span>;
}
