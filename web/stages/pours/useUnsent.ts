import { useEffect, useState } from 'react';
import { mutate } from 'swr';
import { localDb } from '../../sync/local-db.ts';
import { logStore } from '../../sync/log-store.ts';

/**
 * The pours of which something is unsent on this device. It is sent from here too: each of them goes
 * out of the set when nothing of it is left.
 */
export function useUnsent(): ReadonlySet<string> {
  const [unsent, setUnsent] = useState<ReadonlySet<string>>(new Set());
  useEffect(() => {
    let over = false;
    const undo: (() => void)[] = [];
    const look = async () => {
      const rows = await (await localDb()).getAll('outbox');
      const ids = new Set(rows.map((r) => r.pourId));
      if (over || ids.size === 0) return;
      setUnsent(ids);
      for (const id of ids) {
        const store = logStore(id);
        const heard = () => {
          if (!store.snapshot().loaded || store.snapshot().unsent > 0) return;
          setUnsent((all) => new Set([...all].filter((other) => other !== id)));
          void mutate((key) => typeof key === 'string' && key.endsWith('/lanes'));
        };
        undo.push(store.watch(heard));
        void store.flush();
      }
    };
    // Where the device refuses its store nothing was kept on it.
    void look().catch(() => undefined);
    return () => {
      over = true;
      for (const stop of undo) stop();
    };
  }, []);
  return unsent;
}
