import { useState } from 'react';
import { TROUBLE_NAME, type TroubleKind, TROUBLES } from '#core/log';
import { liftName } from '#core/pourplan';
import { usePour } from '../../../app/pour-context.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';

/** What happens at a place: where is asked with the second press. */
const PLACED: ReadonlySet<TroubleKind> = new Set<TroubleKind>(['form-open']);

/** Trouble in two presses: what happened, and where. It is logged at the last of them; words come after. */
export function TroubleSheet({
  onClose,
  show,
  hurt,
}: {
  onClose: () => void;
  /** Closes, and shows the ways on. */
  show: () => void;
  hurt: () => void;
}) {
  const v = usePour();
  const [what, setWhat] = useState<TroubleKind | null>(null);
  const log = (kind: TroubleKind, place?: { elementId: string; lift: number }) => {
    const write = async () => {
      await v.write('trouble', { what: kind, ...place });
      // Nobody goes on placing where it happened: it stands as far as it was reckoned to have come.
      const open = v.progress.reached.find(
        (p) => p.open && p.elementId === place?.elementId && p.lift === place.lift,
      );
      if (open && place)
        await v.write('place-stop', { ...place, filledRatio: Math.min(1, open.toRatio) });
      // A form that opened is looked at again when it is stripped.
      if (place && kind === 'form-open')
        await v.write('defect', {
          elementId: place.elementId,
          what: `Form opened while placing, lift ${place.lift + 1}`,
        });
      show();
    };
    void write().catch(() => undefined);
  };
  return (
    <Sheet open onClose={onClose} title={what === null ? 'What happened?' : 'Where?'}>
      {what === null ? (
        <div className="grid grid-cols-2 gap-2">
          <button type="button" className="btn warn col-span-2 min-h-[64px]" onClick={hurt}>
            Somebody is hurt
          </button>
          {TROUBLES.map((kind) => (
            <button
              key={kind}
              type="button"
              className="btn line min-h-[64px]"
              onClick={() => {
                if (PLACED.has(kind)) setWhat(kind);
                else log(kind);
              }}
            >
              {TROUBLE_NAME[kind]}
            </button>
          ))}
        </div>
      ) : (
        <Places
          pick={(place) => {
            log(what, place);
          }}
        />
      )}
    </Sheet>
  );
}

/** Runs and lifts that hold concrete, where the hose is first. */
function Places({ pick }: { pick: (place: { elementId: string; lift: number }) => void }) {
  const v = usePour();
  const { current, filled } = v.progress;
  const now = (f: { elementId: string; lift: number }) =>
    f.elementId === current?.elementId && f.lift === current.lift;
  const wet = filled.filter((f) => f.ratio > 0 || now(f)).reverse();
  const places = [...wet.filter(now), ...wet.filter((f) => !now(f))];
  const all = places.length ? places : filled.filter((f) => f.lift === 0);
  return (
    <div className="grid grid-cols-2 gap-2">
      {all.map((f, i) => (
        <button
          key={`${f.elementId}#${f.lift}`}
          type="button"
          className={`btn min-h-[64px] ${i === 0 ? '' : 'line'}`}
          onClick={() => {
            pick({ elementId: f.elementId, lift: f.lift });
          }}
        >
          {liftName(v.plan.route, f.elementId, f.lift)}
        </button>
      ))}
    </div>
  );
}
