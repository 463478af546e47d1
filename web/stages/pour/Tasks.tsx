import { useState } from 'react';
import { type ClockTask, clockTasks } from '#core/pourlog';
import { momentText } from '#core/view';
import { usePour } from '../../app/pour-context.tsx';
import { Sheet } from '../../ui/Dialog.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';

const MARK = { open: 'unread', done: 'good', notDone: 'out' } as const;
const WORD = { open: 'to do', done: 'done', notDone: 'not done' } as const;

/** What is set while the top is fresh: bolts and dowels pushed in, each list done, or not and why. */
export function Tasks() {
  const v = usePour();
  const [leaving, setLeaving] = useState<ClockTask | null>(null);
  const { site, pour } = v.record;
  const all = clockTasks(site, pour, v.plan.route, v.progress, v.state, v.nowMs);
  // What is done stands on the report; here it makes room.
  const tasks = all.filter((t) => t.state !== 'done' || t.anchors.length > 0);
  if (tasks.length === 0) return null;
  const done = (t: ClockTask) => {
    void v.write('task', { taskId: t.id, result: 'done' }).catch(() => undefined);
  };
  return (
    <section aria-label="Set while it is fresh">
      <h2 className="head border-b-2 border-ink pb-1">Set while it is fresh</h2>
      <div className="rows">
        {tasks.map((t) => (
          <div key={t.id} className="flex flex-wrap items-center gap-3 py-2" data-task={t.id}>
            <Mark verdict={t.state === 'open' && t.late ? 'out' : MARK[t.state]} />
            <span className="min-w-0 flex-1">
              <b className="font-semibold">{t.elementId}</b> <T>{t.title}</T>
              <span className="block text-ink2">
                {[
                  t.anchors.join(', '),
                  WORD[t.state] + (t.state === 'notDone' ? `: ${t.entry?.body.reason ?? ''}` : ''),
                ]
                  .filter(Boolean)
                  .join('; ')}
                <Due task={t} />
              </span>
            </span>
            {t.state !== 'done' && (
              <>
                <button
                  type="button"
                  className="btn min-h-[56px]"
                  aria-label={`${t.elementId} ${t.title}: all set`}
                  onClick={() => {
                    done(t);
                  }}
                >
                  All set
                </button>
                {t.state === 'open' && (
                  <button
                    type="button"
                    className="chip"
                    aria-label={`${t.elementId} ${t.title}: not set`}
                    onClick={() => {
                      setLeaving(t);
                    }}
                  >
                    Not set
                  </button>
                )}
              </>
            )}
          </div>
        ))}
      </div>
      {leaving && (
        <NotSet
          task={leaving}
          onClose={() => {
            setLeaving(null);
          }}
        />
      )}
    </section>
  );
}

/** By when it has to be done, while it is not. */
function Due({ task: t }: { task: ClockTask }) {
  const v = usePour();
  if (t.dueMs === null || t.state !== 'open') return null;
  const left = Math.round((t.dueMs - v.nowMs) / 60_000);
  return (
    <span className={t.late ? 'font-semibold text-chalk-t' : ''}>
      {t.late
        ? `, it stiffened ${momentText(v, t.dueMs)}`
        : `, by ${momentText(v, t.dueMs)}, ${left} min`}
    </span>
  );
}

/** Why something was not set while it was fresh: it stands on the report. */
function NotSet({ task, onClose }: { task: ClockTask; onClose: () => void }) {
  const v = usePour();
  const [reason, setReason] = useState('');
  return (
    <Sheet open onClose={onClose} title={`${task.elementId}: ${task.title}, not set`}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (!reason.trim()) return;
          void v
            .write('task', { taskId: task.id, result: 'notDone', reason: reason.trim() })
            .then(onClose, () => undefined);
        }}
      >
        <label>
          Why, and what is done instead
          <input
            autoFocus
            className="field mt-1"
            maxLength={500}
            value={reason}
            onChange={(e) => {
              setReason(e.target.value);
            }}
          />
        </label>
        <button className="btn warn" disabled={!reason.trim()}>
          Log as not set
        </button>
      </form>
    </Sheet>
  );
}
