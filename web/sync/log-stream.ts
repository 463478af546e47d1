import { mutate } from 'swr';
import type { StoredEvent } from '../../contract/index.ts';

/** Entries of the stream that come within this are taken together, ms. */
const GATHER_MS = 30;

/** The clock was moved: what it is, and where the loads are by it, is asked at once. */
function askByNewClock(): void {
  void mutate('/api/clock').then(() =>
    mutate((key) => typeof key === 'string' && key.endsWith('/deliveries')),
  );
}

interface Hears {
  entries: (news: StoredEvent[]) => void;
  opened: () => void;
  /** It will not come again by itself. */
  ended: () => void;
}

/** Opens the stream of a log: what is new in it, as it comes. */
export function openStream(path: string, hears: Hears): EventSource {
  const stream = new EventSource(path);
  // A device that was away hears thousands at once: they are taken together, not one by one.
  let heard: StoredEvent[] = [];
  stream.addEventListener('entry', (m) => {
    heard.push(JSON.parse(String(m.data)) as StoredEvent);
    if (heard.length > 1) return;
    setTimeout(() => {
      const news = heard;
      heard = [];
      hears.entries(news);
    }, GATHER_MS);
  });
  stream.addEventListener('signed-out', () => {
    stream.close();
    void mutate('/api/session');
  });
  stream.addEventListener('clock', askByNewClock);
  stream.addEventListener('open', () => {
    // Whether it was moved while nobody listened is not told again.
    void mutate('/api/clock');
    hears.opened();
  });
  stream.addEventListener('error', () => {
    if (stream.readyState === EventSource.CLOSED) hears.ended();
  });
  return stream;
}
