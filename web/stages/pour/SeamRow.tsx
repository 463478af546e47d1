import type { OpenSeam } from '#core/pourlog';
import { momentText } from '#core/view';
import { seamTone } from '#core/words';
import { seamOrigin } from '../../app/origins.ts';
import { usePour } from '../../app/pour-context.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';
import { seamName } from './seam-name.ts';

/**
 * A waiting face with its window; what a running vibrator says of it rules over the clock, and is
 * logged by a press.
 */
export default function SeamRow({ seam }: { seam: OpenSeam }) {
  const v = usePour();
  const tried = (sinks: boolean) => () => {
    const { elementId, lift } = seam;
    void v.write('seam-test', { elementId, lift, sinks }).catch(() => undefined);
  };
  return (
    <div className="py-2" data-seam={seam.elementId}>
      <p className="flex items-center gap-3">
        <Mark verdict={seamTone(seam)} />
        <span className="flex-1">
          Seam at {seamName(v, seam)}{' '}
          <FigureWithWorking name="the seam’s window" {...seamOrigin(v)}>
            opens {momentText(v, seam.opensMs)}, shuts
          </FigureWithWorking>
        </span>
        <span className="font-mono">{momentText(v, seam.shutsMs)}</span>
      </p>
      {(seam.cold || seam.minutesLeft < seam.knitMin / 2) && (
        <div className="flex flex-wrap items-center gap-2 pt-1">
          <span className="text-ink2">A running vibrator</span>
          <button type="button" className="chip" onClick={tried(true)}>
            sinks in of itself
          </button>
          <button type="button" className="chip" onClick={tried(false)}>
            does not
          </button>
        </div>
      )}
    </div>
  );
}
