import { useState } from 'react';
import { HELP, type HelpId } from '#core/words';
import { Sheet } from '../ui/Dialog.tsx';
import { KeyList } from './KeyList.tsx';

/** What the screen one is on is for, in six lines; the keys below. */
export default function HelpSheet({ of, onClose }: { of: HelpId; onClose: () => void }) {
  const [keys, setKeys] = useState(false);
  const { title, lines } = HELP[of];
  return (
    <Sheet open onClose={onClose} title={title}>
      <ol className="rows">
        {lines.map((line) => (
          <li key={line} className="py-2 text-[18px] leading-6">
            {line}
          </li>
        ))}
      </ol>
      <button
        type="button"
        className="btn line mt-4 w-full"
        aria-expanded={keys}
        onClick={() => {
          setKeys(!keys);
        }}
      >
        {keys ? 'Hide the keys' : 'Keys'}
      </button>
      {keys && <KeyList />}
    </Sheet>
  );
}
