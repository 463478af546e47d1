import { useState, type ReactNode } from 'react';
import type { Origin } from './origin.ts';
import { lazily } from './lazily.tsx';

// With every calculation of the house behind it, it is fetched when the first figure is opened.
const WorkingSheet = lazily(() => import('./WorkingSheet.tsx'));

/** Words that open the working behind a figure: formula, numbers put in, source, and rules with who changed them. */
export function Working({ children = 'Working', ...origin }: Origin & { children?: ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className="min-h-12 px-1 font-semibold text-press underline underline-offset-4"
        onClick={() => {
          setOpen(true);
        }}
      >
        {children}
      </button>
      {open && (
        <WorkingSheet
          origin={origin}
          onClose={() => {
            setOpen(false);
          }}
        />
      )}
    </>
  );
}

/** A figure that opens to its own working when it is pressed; a dotted line under it says so. */
export function FigureWithWorking({
  children,
  name,
  className = '',
  ...origin
}: Origin & { children: ReactNode; name: string; className?: string }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className={`opens ${className}`}
        title={`How ${name} is worked out`}
        onClick={(e) => {
          e.stopPropagation();
          setOpen(true);
        }}
      >
        {children}
      </button>
      {open && (
        <WorkingSheet
          origin={origin}
          onClose={() => {
            setOpen(false);
          }}
        />
      )}
    </>
  );
}
