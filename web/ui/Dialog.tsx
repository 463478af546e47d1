import { Dialog as Radix } from 'radix-ui';
import { X } from 'lucide-react';
import type { ReactNode } from 'react';

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
  return (
    <Radix.Root
      open={open}
      onOpenChange={(o) => {
        if (!o) onClose();
      }}
    >
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Radix.Content
          aria-describedby={undefined}
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
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
