import { useState } from 'react';
import type { ClockTask } from '#core/pourlog';
import { type AssignedTask, momentText, tasksOf } from '#core/view';
import { usePour } from '../../../app/pour-context.tsx';
import { useSetFocus } from '../../../app/useFocus.ts';
import { Mark } from '../../../ui/Mark.tsx';
import { T } from '../../../ui/Text.tsx';
import { NotSet } from './NotSet.tsx';

const MARK = { open: 'unread', done: 'good', notDone: 'out' } as const;
const WORD = { open: 'to do', done: 'done', notDone: 'not done' } as const;
/** Tasks that are read, not only said: string line and braces, bolts of a base. */
const READ = /\/(line-\d+|template)$/;
/** So many are seen at once: what is due first. */
const SHOWN = 5;

/**
 * What is done while the concrete is fresh, each thing with its place and its time; what is due
 * first stands in front.
 */
export default function Tasks() {
  const v = usePour();
  const [leaving, setLeaving] = useState<ClockTask | null>(null);
  const [all, setAll] = useState(false);
  const known = tasksOf(v.record, v, v.state, v.nowMs);
  // What is done stands on the report; here it makes room.
  const tasks = known.filter((t) => t.state !== 'done' || t.anchors.length > 0);
  if (tasks.length === 0) return null;
  const shown = all ? tasks : tasks.slice(0, SHOWN);
  return (
    <section aria-label="Set while it is fresh">
      <h2 className="head border-b-2 border-ink pb-1">Set while it is fresh</h2>
      <div className="rows">
        {shown.map((t) => (
          <TaskRow key={t.id} task={t} leave={setLeaving} />
        ))}
      </div>
      {tasks.length > SHOWN && (
        <button
          type="button"
          className="min-h-12 font-semibold text-press"
          onClick={() => {
            setAll(!all);
          }}
        >
          {all ? 'Only what is due first' : `${tasks.length - SHOWN} more`}
        </button>
      )}
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

function TaskRow({ task: t, leave }: { task: AssignedTask; leave: (t: ClockTask) => void }) {
  const said = WORD[t.state] + (t.state === 'notDone' ? `: ${t.entry?.body.reason ?? ''}` : '');
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 py-2" data-task={t.id}>
      <Mark verdict={t.state === 'open' && t.late ? 'out' : MARK[t.state]} />
      <span className="min-w-40 flex-1 leading-5">
        <b className="font-semibold">{t.elementId}</b> <T>{t.title}</T>
        <span className="block text-ink2">
          {[t.anchors.join(', '), t.who ?? '', said].filter(Boolean).join('; ')}
          <Due task={t} />
        </span>
      </span>
      {t.state !== 'done' && <TaskKeys task={t} leave={leave} />}
    </div>
  );
}

/** What is said of a task, a press each: read, done, or not. */
function TaskKeys({ task: t, leave }: { task: ClockTask; leave: (t: ClockTask) => void }) {
  const v = usePour();
  const set = useSetFocus();
  return (
    <>
      {READ.test(t.id) && (
        <button
          type="button"
          className="btn line min-h-[56px]"
          aria-label={`${t.elementId} ${t.title}: read`}
          onClick={() => {
            set({ sheet: `${t.id.endsWith('template') ? 'template' : 'line'}:${t.id}` });
          }}
        >
          Read
        </button>
      )}
      <button
        type="button"
        className="btn min-h-[56px]"
        aria-label={`${t.elementId} ${t.title}: all set`}
        onClick={() => {
          void v.write('task', { taskId: t.id, result: 'done' }).catch(() => undefined);
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
            leave(t);
          }}
        >
          Not set
        </button>
      )}
    </>
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
        ? `, was due ${momentText(v, t.dueMs)}`
        : `, by ${momentText(v, t.dueMs)}, ${left} min`}
    </span>
  );
}
