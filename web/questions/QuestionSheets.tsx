import { useEffect, useRef } from 'react';
import { answer, answeredBy, entries, question, questionsOf } from '#core/log';
import { usePour } from '../app/pour-context.tsx';
import { useFocus } from '../app/useFocus.ts';
import { EntryForm } from '../forms/EntryForm.tsx';
import { ChipChoice, ChipSet, LongText, TextInput } from '../forms/fields.tsx';
import { Photos } from '../photos/Photos.tsx';
import { Sheet } from '../ui/Dialog.tsx';

/** The sheet of a question, asked or answered, where the address names one. */
export default function QuestionSheets() {
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
  const { elements } = v.record.pour;
  const first = run !== null && elements.includes(run) ? run : elements[0];
  const open = useRef(false);
  useEffect(() => {
    open.current = true;
    return () => {
      open.current = false;
    };
  }, []);
  const number = Math.max(0, ...entries(v.state, 'question').map((q) => q.body.number)) + 1;
  return (
    <Sheet open onClose={onClose} title={`Question ${number}`}>
      <EntryForm
        schema={question.body}
        defaults={{ number, elementIds: first === undefined ? [] : [first], to: 'engineer' }}
        // The sheet stays open on the question itself, so that a photo of the spot can go with it;
        // closed meanwhile it stays closed.
        write={(body) =>
          v.write('question', body).then((id) => {
            if (open.current) set({ sheet: `answer:${id}` });
          })
        }
        act="Ask"
      >
        <ChipSet name="elementIds" options={elements} label="Runs it bears on" />
        <LongText name="text" label="What is unclear" />
        <ChipChoice name="to" options={ROLES} label="Who answers" />
        <p className="text-ink2">
          It holds the sign-off of these runs until it is answered. A photo can be added next.
        </p>
      </EntryForm>
    </Sheet>
  );
}

/** An answer counts from whom it was put to: who that was is typed. */
const named = answer.body.required({ by: true });

/** A question with its photos, and the answer when it comes. */
function AnswerSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const asked = questionsOf(v.state).find((q) => q.id === id || q.entry.id === id);
  if (!asked) return null;
  const { number, elementIds, text, to } = asked.entry.body;
  return (
    <Sheet open onClose={onClose} title={`Question ${number}, ${elementIds.join(', ')}`}>
      <p className="mb-1 text-[18px] leading-6">{text}</p>
      <p className="mb-3 text-ink2">
        Asked by {asked.entry.actor}, for the {to} to answer.
      </p>
      <div className="mb-3">
        <Photos about={{ type: 'question', questionId: asked.id }} label="Photo of the spot" />
      </div>
      {asked.answer ? (
        <p className="border-l-[5px] border-good pl-3 text-[18px] leading-6">
          <b className="font-semibold">{answeredBy(asked.answer.body)}:</b> {asked.answer.body.text}
        </p>
      ) : (
        <EntryForm
          schema={named}
          defaults={{ questionId: asked.id, role: to }}
          write={(body, when) => v.write('answer', body, when).then(onClose)}
          act="Keep the answer"
          happened="ask"
        >
          <LongText name="text" label="Answer" />
          <TextInput name="by" label={`Name of the ${to} who said it`} />
        </EntryForm>
      )}
    </Sheet>
  );
}
