import { momentText } from '#core/view';
import { usePour } from '../../app/pour-context.tsx';
import { StrengthCurve } from '../../drawing/StrengthCurve.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { lazily } from '../../ui/lazily.tsx';

const NotPlaced = lazily(() => import('./NotPlaced.tsx'));

export function CureGround() {
  const v = usePour();
  const [boxRef, box] = useSize();
  return (
    <div ref={boxRef} className="h-full">
      {v.curing ? (
        <StrengthCurve
          width={box.width}
          height={box.height}
          curing={v.curing}
          fcMPa={v.mix.cylinderMPa}
          units={v.units}
          stripLabel={
            v.curing.stripMs === null ? 'not by this curve' : momentText(v, v.curing.stripMs)
          }
        />
      ) : (
        <NotPlaced width={box.width} />
      )}
    </div>
  );
}
