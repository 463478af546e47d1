import { CircleQuestionMark } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { HelpId } from '#core/words';
import { lazily } from '../ui/lazily.tsx';
import { useKeys } from './useKeys.ts';

const HelpSheet = lazily(() => import('./HelpSheet.tsx'));

/** `?` on a screen that is no station: the button, and the key. */
export function HelpButton({ of }: { of: HelpId }) {
  const [open, setOpen] = useState(false);
  const keys = useMemo(
    () => ({
      '?': () => {
        setOpen(true);
      },
    }),
    [],
  );
  useKeys(keys);
  return (
    <>
      <button
        type="button"
        className="flex h-12 w-12 shrink-0 items-center justify-center self-center text-rail-ink"
        aria-label="What this screen is for"
        title="What this screen is for (?)"
        onClick={() => {
          setOpen(true);
        }}
      >
        <CircleQuestionMark size={22} />
      </button>
      {open && (
        <HelpSheet
          of={of}
          onClose={() => {
            setOpen(false);
          }}
        />
      )}
    </>
  );
}
