import { useState } from 'react';
import { keysOn, setKeysOn } from './useKeys.ts';

const LIST: [string, string][] = [
  ['1 to 5', 'stations'],
  ['N', 'do the next line'],
  ['R', 'reading'],
  ['L', 'load'],
  ['S', 'slump'],
  ['P', 'start or stop placing'],
  ['W', 'weather'],
  ['C', 'work something out'],
  ['H', 'hold: ask a question'],
  ['/', 'find a run, a check, a load'],
  ['Z', 'take back your last entry; it stays in the log'],
  ['Enter', 'take what is typed'],
  ['?', 'what this screen is for'],
];

/** Every single key, and how they are turned off. */
export function KeyList() {
  const [on, setOn] = useState(keysOn);
  return (
    <>
      <dl className="rows">
        {LIST.map(([k, what]) => (
          <div key={k} className="flex gap-4 py-2">
            <dt className="w-20 font-mono font-semibold">{k}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      <button
        type="button"
        className="btn line mt-4 w-full"
        onClick={() => {
          setKeysOn(!on);
          setOn(!on);
        }}
      >
        {on ? 'Turn single keys off' : 'Turn single keys on'}
      </button>
    </>
  );
}
