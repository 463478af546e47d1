import { useMemo, useState, type SubmitEvent } from 'react';
import { entries } from '#core/log';
import { usePour } from '../app/pour-context.tsx';
import { useFocus } from '../app/useFocus.ts';
import { Photos } from '../photos/Photos.tsx';
import { Sheet } from '../ui/Dialog.tsx';

/** The sheet of a question, asked or answered, where the address names one. */
export function QuestionSheets() {
  const { sheet, set } = useFocus();
  const close = () => {
    set({ sheet: null });
  };
  const [kind, id = ''] = sheet?.split(/:(.*)/) ?? [];
  if (kind === 'question') return <QuestionSheet onClose={close} />;
  return kind === 'answer' ? <AnswerSheet id={id} onClose={close} /> : null;
}

/** Who may be asked: named roles, so that it is known whose answer counts. */
const ROLES = ['engineer', 'architect', 'builder', 'inspector', 'supplier'];

/** Something unclear in the drawings: it holds the runs it bears on until a named role has answered. */
function QuestionSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const { run, set } = useFocus();
  const [text, setText] = useState('');
  const [to, setTo] = useState('engineer');
  const [on, setOn] = useState<string[]>([
    run !== null && v.record.pour.elements.includes(run) ? run : (v.record.pour.elements[0] ?? ''),
  ]);
  const number = Math.max(0, ...entries(v.state, 'question').map((q) => q.body.number)) + 1;
  const submit = (e: SubmitEvent) => {
    e.preventDefault();
    if (!text.trim() || !on.length) return;
    // The sheet stays open on the question itself, so that a photo of the spot can go with it.
    void v.write('question', { number, elementIds: on, text: text.trim(), to }).then((id) => {
      set({ sheet: `answer:${id}` });
    });
  };
  return (
    <Sheet open onClose={onClose} title={`Question ${number}`}>
      <form className="flex flex-col gap-3" onSubmit={submit}>
        <div
          className="flex max-h-[220px] flex-wrap gap-2 overflow-auto"
          role="group"
          aria-label="Runs it bears on"
        >
          {v.record.pour.elements.map((e) => (
            <button
              key={e}
              type="button"
              className="chip"
              aria-pressed={on.includes(e)}
              onClick={() => {
                setOn(on.includes(e) ? on.filter((x) => x !== e) : [...on, e]);
              }}
            >
              {e}
            </button>
          ))}
        </div>
        <label>
          What is unclear
          <textarea
            className="field mt-1"
            rows={3}
            value={text}
            onChange={(e) => {
              setText(e.target.value);
            }}
          />
        </label>
        <div className="flex flex-wrap gap-2" role="group" aria-label="Who answers">
          {ROLES.map((r) => (
            <button
              key={r}
              type="button"
              className="chip"
              aria-pressed={to === r}
              onClick={() => {
                setTo(r);
              }}
            >
              {r}
            </button>
          ))}
        </div>
        <p className="text-ink2">
          It holds the sign-off of these runs until the {to} has answered. A photo can be added
          next.
        </p>
        <button className="btn" disabled={!text.trim() || on.length === 0}>
          Ask
        </button>
      </form>
    </Sheet>
  );
}

/** A question with its photos, and the answer when it comes. */
function AnswerSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const question = entries(v.state, 'question').find((q) => q.id === id);
  const answer = entries(v.state, 'answer').findLast((a) => a.body.questionId === id);
  const [text, setText] = useState('');
  const [role, setRole] = useState(question?.body.to ?? 'engineer');
  const about = useMemo(() => ({ type: 'question' as const, questionId: id }), [id]);
  if (!question) return null;
  const submit = (e: SubmitEvent) => {
    e.preventDefault();
    if (text.trim() && role.trim())
      void v
        .write('answer', { questionId: id, text: text.trim(), role: role.trim() })
        .then(onClose);
  };
  return (
    <Sheet
      open
      onClose={onClose}
      title={`Question ${question.body.number}, ${question.body.elementIds.join(', ')}`}
    >
      <p className="mb-1 text-[18px] leading-6">{question.body.text}</p>
      <p className="mb-3 text-ink2">
        Asked by {question.actor}, for the {question.body.to} to answer.
      </p>
      <div className="mb-3">
        <Photos about={about} label="Photo of the spot" />
      </div>
      {answer ? (
        <p className="border-l-[5px] border-good pl-3 text-[18px] leading-6">
          <b className="font-semibold">{answer.body.role}:</b> {answer.body.text}
        </p>
      ) : (
        <form className="flex flex-col gap-3" onSubmit={submit}>
          <label>
            Answer
            <textarea
              className="field mt-1"
              rows={3}
              value={text}
              onChange={(e) => {
                setText(e.target.value);
              }}
            />
          </label>
          <label>
            Given by
            <input
              className="field mt-1"
              list="roles"
              value={role}
              onChange={(e) => {
                setRole(e.target.value);
              }}
            />
          </label>
          <datalist id="roles">
            {ROLES.map((r) => (
              <option key={r} value={r} />
            ))}
          </datalist>
          <button className="btn" disabled={!text.trim() || !role.trim()}>
            Keep the answer
          </button>
        </form>
      )}
    </Sheet>
  );
}
