import { partsOfId } from '#core/log';
import { useState } from 'react';
import { anchorTemplate, baseBolts } from '#core/anchors';
import { attempt } from '#core/kit';
import type { Anchor } from '#core/model';
import { lengthText } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';
import { Mark } from '../../../ui/Mark.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { T } from '../../../ui/Text.tsx';
import { FigureWithWorking } from '../../../ui/Working.tsx';

const AXES = ['eastMm', 'northMm', 'upMm'] as const;
const AXIS_WORDS = { eastMm: 'east', northMm: 'north', upMm: 'up' };
type Off = Record<(typeof AXES)[number], number>;
const NONE: Off = { eastMm: 0, northMm: 0, upMm: 0 };
const FAIL_WORDS = {
  pair: 'two bolts stand too far apart or too near',
  group: 'the group stands off its place',
  top: 'a top is too high or too low',
};

/** The bolts of a base held against the drawing, by how far each was read off its place. */
function judged(bolts: readonly Anchor[], off: Record<string, Off>) {
  const wanted = bolts.map((b) => ({
    id: b.id,
    xMm: b.atM * 1000,
    yMm: (b.acrossM ?? 0) * 1000,
    zMm: 0,
  }));
  const asSet = wanted.map((w) => {
    const { eastMm, northMm, upMm } = off[w.id] ?? NONE;
    return { id: w.id, xMm: w.xMm + eastMm, yMm: w.yMm + northMm, zMm: upMm };
  });
  return attempt(anchorTemplate, { wanted, asSet }).done ?? null;
}

/** Bolts of a machine, mast or column base, read again while they can still be moved. */
export function TemplateSheet({ taskId, onClose }: { taskId: string; onClose: () => void }) {
  const v = usePour();
  const elementId = partsOfId(taskId).owner;
  const bolts = baseBolts(v.record.site, elementId);
  const [off, setOff] = useState<Record<string, Off>>({});
  const found = judged(bolts, off);
  const keep = async () => {
    const read = bolts.map((b) => ({ id: b.id, ...(off[b.id] ?? NONE) }));
    await v.write('template', { elementId, bolts: read });
    await v.write('task', { taskId, result: 'done' });
    onClose();
  };
  return (
    <Sheet open onClose={onClose} title={`Bolts of ${elementId}, read again`}>
      <p className="mb-2 text-ink2">How far each stands off its place; nothing typed is none.</p>
      <ol className="rows">
        {bolts.map((b) => (
          <li key={b.id} className="grid grid-cols-[60px_1fr_1fr_1fr] items-end gap-2 py-1.5">
            <b className="pb-3">{b.id}</b>
            {AXES.map((axis) => (
              <QuantityField
                key={axis}
                label={`${b.id} ${AXIS_WORDS[axis]}`}
                quantity="Mm"
                units={v.units}
                value={off[b.id]?.[axis] ?? null}
                onChange={(n) => {
                  const next = { ...NONE, ...off[b.id], [axis]: n ?? 0 };
                  setOff({ ...off, [b.id]: next });
                }}
              />
            ))}
          </li>
        ))}
      </ol>
      {found && (
        <p className="flex gap-2 py-2" data-template={found.result.verdict}>
          <Mark verdict={found.result.verdict === 'ok' ? 'good' : 'out'} />
          <FigureWithWorking name="the bolts of the base" id="anchor-template" input={found.input}>
            <T>
              {found.result.verdict === 'ok'
                ? `Good: pairs within ${lengthText(found.result.worstPairMm, v.units)}, tilt ${lengthText(found.result.tiltMm, v.units)}.`
                : `Move them while it is fresh: ${found.result.fails.map((f) => FAIL_WORDS[f]).join('; ')}.`}
            </T>
          </FigureWithWorking>
        </p>
      )}
      <button
        type="button"
        className="btn mt-2 w-full"
        disabled={!found}
        onClick={() => void keep().catch(() => undefined)}
      >
        Keep
      </button>
    </Sheet>
  );
}
