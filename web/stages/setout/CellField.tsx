import { useState } from 'react';

/** A cell of a table that is changed in place: Enter or leaving takes it, Escape goes back, a bad text says why. */
export function CellField({
  label,
  value,
  onCommit,
}: {
  label: string;
  value: string;
  onCommit: (text: string) => string | null;
}) {
  const [text, setText] = useState(value);
  const [held, setHeld] = useState(value);
  const [problem, setProblem] = useState<string | null>(null);
  if (value !== held) {
    setHeld(value);
    setText(value);
    setProblem(null);
  }
  const commit = () => {
    if (text !== value) setProblem(onCommit(text));
  };
  return (
    <>
      <input
        className="field min-w-[96px] px-2! text-[16px]!"
        aria-label={label}
        aria-invalid={problem !== null}
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setProblem(null);
        }}
        onBlur={commit}
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            e.preventDefault();
            commit();
          } else if (e.key === 'Escape') {
            setText(value);
            setProblem(null);
          }
        }}
      />
      {problem && (
        <span
          role="alert"
          className="block max-w-[200px] whitespace-normal text-[14px] font-semibold leading-[18px] text-chalk-t"
        >
          {problem}
        </span>
      )}
    </>
  );
}
