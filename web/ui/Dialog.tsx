import { Dialog as Radix } from 'radix-ui';
import { X } from 'lucide-react';
import { useRef, useState, type ReactNode } from 'react';

/** Text shorter than this is typed again sooner than a question is answered, characters. */
const WORTH_ASKING = 8;

/** A sheet over the screen for what needs its own small form. Closes on Escape, the cross, or a press beside it. */
export function Sheet({
  open,
  onClose,
  title,
  wide = false,
  children,
}: {
  open: boolean;
  onClose: () => void;
  title: string;
  wide?: boolean;
  children: ReactNode;
}) {
  /** Something was typed and stands there: leaving is asked about, so that nothing typed is lost by a slip. */
  const typed = useRef<Set<HTMLInputElement | HTMLTextAreaElement>>(new Set());
  const [leaving, setLeaving] = useState(false);
  const holdsText = () =>
    [...typed.current].some((el) => el.isConnected && el.value.trim().length >= WORTH_ASKING);
  return (
    <Radix.Root
      open={open}
      onOpenChange={(o) => {
        if (o) return;
        if (holdsText() && !leaving) setLeaving(true);
        else onClose();
      }}
    >
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Radix.Content
          aria-describedby={undefined}
          onInput={(e) => {
            const el = e.target;
            if (
              el instanceof HTMLTextAreaElement ||
              (el instanceof HTMLInputElement && el.type === 'text')
            )
              typed.current.add(el);
          }}
          className={`fixed inset-x-0 bottom-0 z-50 max-h-[92dvh] overflow-auto bg-sheet p-5 text-ink shadow-[0_0_40px_rgb(0_0_0/.35)] sm:inset-auto sm:left-1/2 sm:top-1/2 ${wide ? 'sm:w-[min(860px,94vw)]' : 'sm:w-[min(560px,94vw)]'} sm:-translate-x-1/2 sm:-translate-y-1/2`}
        >
          <div className="mb-4 flex items-start gap-4">
            <Radix.Title className="head flex-1 text-[24px] leading-7">{title}</Radix.Title>
            <Radix.Close
              className="-mr-2 -mt-2 flex h-12 w-12 items-center justify-center text-press"
              aria-label="Close"
            >
              <X />
            </Radix.Close>
          </div>
          {children}
          {leaving && (
            <div
              role="alertdialog"
              aria-label="Leave what is typed"
              className="mt-4 border-t-2 border-ochre-t pt-3"
            >
              <p className="mb-2 font-semibold text-ochre-t">What is typed here is not kept yet.</p>
              <div className="grid grid-cols-2 gap-2">
                <button
                  type="button"
                  className="btn"
                  autoFocus
                  onClick={() => {
                    setLeaving(false);
                  }}
                >
                  Go on
                </button>
                <button type="button" className="btn line" onClick={onClose}>
                  Leave it
                </button>
              </div>
            </div>
          )}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
