import { useState } from 'react';
import { MOST_SLUMP_MM } from '#core/log';
import { judgeSlump } from '#core/pourlog';
import { lengthText } from '#core/units';
import { supplyWords } from '#core/words';
import { usePour } from '../../../app/pour-context.tsx';
import { TapePad } from '../../../tape/TapePad.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';
import { T } from '../../../ui/Text.tsx';

const SLUMP_WORDS = { accept: 'good', low: 'too stiff', high: 'too wet' } as const;

export function SlumpSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const [where, setWhere] = useState<'truck' | 'hose'>('truck');
  const [mm, setMm] = useState<number | null>(null);
  const tooMuch = `A slump is between 0 and ${lengthText(MOST_SLUMP_MM, v.units)}.`;
  const judged =
    mm !== null && mm >= 0 && mm <= MOST_SLUMP_MM
      ? judgeSlump(v.mix, v.record.site.ruleProfile, mm, where).result
      : null;
  return (
    <Sheet
      open
      onClose={onClose}
      title={`Slump of ${supplyWords(v.plant).one} ${id.replace('L', '')}`}
    >
      <div className="mb-3 flex gap-2">
        {(['truck', 'hose'] as const).map((w) => (
          <button
            key={w}
            type="button"
            className="chip"
            aria-pressed={where === w}
            onClick={() => {
              setWhere(w);
            }}
          >
            at the {w}
          </button>
        ))}
      </div>
      <TapePad
        of={id}
        units={v.units}
        signed={false}
        onTyping={setMm}
        takeLabel="Take"
        onTake={(read) =>
          void v.write('slump', { loadId: id, measuredMm: read, where }).then(onClose)
        }
        refuse={(read) => (read <= MOST_SLUMP_MM ? null : tooMuch)}
        echo={
          judged && mm !== null ? (
            <b className={judged.verdict === 'accept' ? 'text-good-t' : 'text-chalk-t'}>
              <T>{`${lengthText(mm, v.units)}: ${SLUMP_WORDS[judged.verdict]}, ${lengthText(Math.abs(judged.marginMm), v.units)} ${judged.marginMm >= 0 ? 'inside' : 'outside'}`}</T>
            </b>
          ) : (
            <span className="text-ink2">
              <T>{mm !== null ? tooMuch : `${lengthText(v.mix.slumpMm, v.units)} ordered.`}</T>
            </span>
          )
        }
      />
    </Sheet>
  );
}
