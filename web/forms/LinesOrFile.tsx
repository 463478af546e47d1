import type { ChangeEvent } from 'react';

/** Lines of a table: typed or pasted, or from a file; with what is wrong with which. */
export function LinesOrFile({
  text,
  onText,
  onFile,
  accept,
  fileLabel,
  placeholder,
  problems,
}: {
  text: string;
  onText: (text: string) => void;
  onFile: (file: File) => void;
  /** Endings of files that are taken, as the browser wants them. */
  accept: string;
  fileLabel: string;
  placeholder: string;
  problems: readonly { line: number; message: string }[];
}) {
  return (
    <>
      <label>
        <span>Lines, typed or pasted</span>
        <textarea
          className="field mt-1 font-mono"
          rows={7}
          value={text}
          placeholder={placeholder}
          onChange={(e) => {
            onText(e.target.value);
          }}
        />
      </label>
      <label className="mt-2 block">
        <span>{fileLabel}</span>
        <input
          type="file"
          accept={accept}
          className="block min-h-12 py-2"
          onChange={(e: ChangeEvent<HTMLInputElement>) => {
            const file = e.target.files?.[0];
            if (file) onFile(file);
          }}
        />
      </label>
      <ul className="my-2 flex flex-col gap-1">
        {problems.slice(0, MOST_SAID).map((p) => (
          <li key={p.line} className="font-semibold text-chalk-t" role="alert">
            Line {p.line} {p.message}.
          </li>
        ))}
      </ul>
    </>
  );
}
/** More than this is not read; when these are put right the rest is said. */
const MOST_SAID = 6;
