import type { Request, Response, Router } from 'express';
import { eventsQuery, ROLES, type StoredEvent } from '../../contract/index.ts';
import { apiRouter } from '../api-router.ts';
import type { AppDeps } from '../deps.ts';
import { catchUp, Listener, OpenStreams } from '../log/listener.ts';
import { parse } from '../problems.ts';
import { personOf, whoIs } from '../session/session.ts';
import type { SessionStore } from '../store/sessions.ts';
import { rightsOf } from '../session/rights.ts';

/** Comment lines keep proxies and sleeping phones from dropping a quiet stream. */
const HEARTBEAT_MS = 15_000;
/** Ends a stream whose reader was asked here for what is over, or to whom the door was shut. */
async function endIfOver(sessions: SessionStore, req: Request, res: Response): Promise<void> {
  if (!(await whoIs(sessions, req))) res.end('event: signed-out\ndata: {}\n\n');
}

/** What is new in a log, as it comes; it ends with the session. */
export function streamRoutes({ sessions, sites, events, clock, stopping }: AppDeps): Router {
  const router = apiRouter();
  const may = rightsOf(sessions);
  const streams = new OpenStreams();

  router.get('/pours/:id/stream', may.pour(...ROLES), async (req, res) => {
    const pourId = String(req.params.id);
    const { session } = personOf(req);
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
    streams.enter(session, res);
    const listener = new Listener(res, after);
    // What comes in while the past is still being sent waits its turn.
    let waiting: StoredEvent[] | null = [];
    const undo = [
      events.listen(pourId, (list) => {
        if (waiting) waiting.push(...list);
        else listener.soon(list);
      }),
      clock.listen(() => {
        listener.write('event: clock\ndata: {}\n\n');
      }),
      sessions.onEnd(session, () => {
        res.end('event: signed-out\ndata: {}\n\n');
      }),
    ];
    const beat = setInterval(() => {
      listener.write(': still here\n\n');
      void endIfOver(sessions, req, res);
    }, HEARTBEAT_MS);
    const stop = () => {
      res.end();
    };
    stopping.addEventListener('abort', stop);
    res.on('close', () => {
      stopping.removeEventListener('abort', stop);
      clearInterval(beat);
      listener.end();
      for (const stop of undo) stop();
      streams.leave(session, res);
    });
    if (!(await catchUp(listener, (seq, most) => events.after(pourId, seq, most)))) return;
    const missed = waiting;
    waiting = null;
    listener.entries(missed);
  });
  return router;
}
