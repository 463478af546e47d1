import { partsOfId } from '#core/log';
import { useState } from 'react';
import { linePlaces, turnAt } from '#core/pourlog';
import { distanceText } from '#core/units';
import { braceText } from '#core/words';
import { usePour } from '../../../app/pour-context.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { T } from '../../../ui/Text.tsx';
import { FigureWithWorking } from '../../../ui/Working.tsx';

/**
 * The top of a wall against its string: at each brace what is read less the gauge block, and at
 * once which turnbuckle is turned, which way and how far. Kept as a line with the task done.
 */
export function LineSheet({ taskId, onClose }: { taskId: string; onClose: () => void }) {
  const v = usePour();
  const elementId = partsOfId(taskId).owner;
  const leg = v.plan.route.legs.find((l) => l.elementId === elementId);
  const [read, setRead] = useState<Record<number, number | null>>({});
  if (!leg) return null;
  const { site, pour } = v.record;
  const { brace, atM } = linePlaces(site, pour, leg);
  const offsets = atM.flatMap((m, i) => {
    const offsetMm = read[i];
    return offsetMm == null || Number.isNaN(offsetMm) ? [] : [{ atM: m, offsetMm }];
  });
  const keep = async () => {
    await v.write('line', { elementId, offsets });
    await v.write('task', { taskId, result: 'done' });
    onClose();
  };
  return (
    <Sheet open onClose={onClose} title={`${elementId}, top against its string`}>
      <p className="mb-2 text-ink2">
        Reading less the gauge block: above 0 the top stands out. Only while it is fresh, never hard
        against a tie.
      </p>
      <ol className="rows">
        {atM.map((m, i) => (
          <Place
            key={i}
            at={distanceText(m, v.units)}
            value={read[i] ?? null}
            turn={turnAt(brace, leg.heightM, read[i] ?? 0)}
            onRead={(n) => {
              setRead({ ...read, [i]: n });
            }}
          />
        ))}
      </ol>
      {!brace && (
        <p className="py-2 text-ink2">
          The form system says nothing of its braces: turns are not worked out.
        </p>
      )}
      <button
        type="button"
        className="btn mt-3 w-full"
        disabled={offsets.length < 2}
        onClick={() => void keep().catch(() => undefined)}
      >
        Keep {offsets.length} of {atM.length}
      </button>
    </Sheet>
  );
}

function Place({
  at,
  value,
  turn,
  onRead,
}: {
  at: string;
  value: number | null;
  turn: ReturnType<typeof turnAt>;
  onRead: (mm: number | null) => void;
}) {
  const v = usePour();
  return (
    <li className="flex items-end gap-3 py-1.5">
      <span className="w-32">
        <QuantityField
          label={`at ${at}`}
          quantity="Mm"
          units={v.units}
          value={value}
          onChange={onRead}
        />
      </span>
      {turn && value !== null && !Number.isNaN(value) && (
        <span
          className={`pb-3 ${turn.result.possible ? '' : 'font-semibold text-chalk-t'}`}
          data-turn
        >
          <FigureWithWorking name="the turns" id="brace-turn" input={turn.input}>
            <T>{braceText(turn.result)}</T>
          </FigureWithWorking>
        </span>
      )}
    </li>
  );
}
