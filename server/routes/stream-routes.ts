import { Router } from 'express';
import { eventsQuery, ROLES, type StoredEvent } from '../../contract/index.ts';
import type { AppDeps } from '../deps.ts';
import { parse } from '../problems.ts';
import { only } from '../session/session.ts';

/** Comment lines keep proxies and sleeping phones from dropping a quiet stream. */
const HEARTBEAT_MS = 15_000;

/** What is new in a log, as it comes. */
export function streamRoutes({ accounts, sites, events, clock }: AppDeps): Router {
  const router = Router();
  router.get('/pours/:id/stream', only(accounts, ROLES), async (req, res) => {
    const pourId = String(req.params.id);
    const { after } = parse(
      eventsQuery,
      { after: req.headers['last-event-id'] ?? req.query.after ?? 0 },
      'The question',
    );
    await sites.codeOf(pourId);
    res.set({
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-cache, no-transform',
      'X-Accel-Buffering': 'no',
    });
    res.flushHeaders();
    let sent = after;
    const send = (list: StoredEvent[]) => {
      for (const e of list)
        if (e.seq > sent) {
          sent = e.seq;
          res.write(`id: ${e.seq}\nevent: entry\ndata: ${JSON.stringify(e)}\n\n`);
        }
    };
    const undo = events.listen(pourId, send);
    const undoClock = clock.listen(() => {
      res.write('event: clock\ndata: {}\n\n');
    });
    const beat = setInterval(() => {
      res.write(': still here\n\n');
    }, HEARTBEAT_MS);
    req.on('close', () => {
      undo();
      undoClock();
      clearInterval(beat);
    });
    send(await events.after(pourId, after));
  });

  return router;
}
