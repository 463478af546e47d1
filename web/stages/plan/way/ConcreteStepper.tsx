import { temperatureFigure, textOf } from '#core/units';
import { plannedConcrete } from '#core/view';
import { usePour } from '../../../app/pour-context.tsx';
import { FigureWithWorking } from '../../../ui/Working.tsx';
import { usePlanned } from '../planned.tsx';
import { Stepper } from '../Stepper.tsx';

/**
 * What the concrete comes at: as it was said, or reckoned from the air of the day before with the
 * working behind it. A press on the steps says it.
 */
export function ConcreteStepper() {
  const v = usePour();
  const { settings: s, record, change } = usePlanned();
  const planned = plannedConcrete(record);
  const say = (concreteTempC: number) => {
    void change({ concreteTempC, concreteTempSaid: true });
  };
  const air = planned.airC === null ? '' : textOf(temperatureFigure(planned.airC, v.units));
  return (
    <div className="flex flex-col gap-1">
      <Stepper
        label={`concrete, ${temperatureFigure(0, v.units).unit}`}
        value={temperatureFigure(s.concreteTempC, v.units).value}
        less={() => {
          say(Math.max(0, s.concreteTempC - 1));
        }}
        more={() => {
          say(Math.min(60, s.concreteTempC + 1));
        }}
      />
      {planned.by === 'said' ? (
        <button
          type="button"
          className="min-h-12 self-start font-semibold text-press"
          onClick={() => {
            void change({ concreteTempSaid: false });
          }}
        >
          Reckon it from the air
        </button>
      ) : (
        <p className="text-ink2" data-concrete-by={planned.by}>
          <FigureWithWorking
            name="what the concrete comes at"
            id="fresh-temperature"
            input={planned.working}
          >
            {planned.by === 'coldMinimum' ? 'least in cold weather' : 'from the air'}
          </FigureWithWorking>
          , {air} {planned.assumed ? 'assumed: no forecast' : 'the day before'}
        </p>
      )}
    </div>
  );
}
