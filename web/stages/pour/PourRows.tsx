import { evaluate } from '#core/kit';
import { seamTone } from '#core/words';
import { latest } from '#core/log';
import { quantityText, temperatureFigure, textOf } from '#core/units';
import { evaporation } from '#core/weather';
import { dryingOrigin, seamOrigin } from '../../app/origins.ts';
import { lazily } from '../../ui/lazily.tsx';
import { usePour } from '../../app/pour-context.tsx';
import { momentText } from '#core/view';
import { Mark } from '../../ui/Mark.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';
import { seamName } from './seam-name.ts';

const LoadRows = lazily(() => import('./loads/LoadRows.tsx'));

/** How the pour stands, row by row: the first seam, the weather as logged, every load that came. */
export function PourRows() {
  const v = usePour();
  const { progress } = v;
  const weather = latest(v.state, 'weather');
  const seam = progress.seams[0];
  return (
    <div className="rows border-t-2 border-ink">
      {seam && (
        <p className="flex items-center gap-3 py-2">
          <Mark verdict={seamTone(seam)} />
          <span className="flex-1">
            Seam at {seamName(v, seam)}{' '}
            <FigureWithWorking name="the seam’s window" {...seamOrigin(v)}>
              opens +{Math.round(progress.stiffenMin)}, shuts +{Math.round(progress.knitMin)} min
            </FigureWithWorking>
            .
          </span>
          <span className="font-mono">{momentText(v, seam.shutsMs)}</span>
        </p>
      )}
      {weather && (
        <p className="flex items-center gap-3 py-2">
          <Mark verdict={weather.body.sky === 'rain' ? 'tight' : 'good'} />
          <span className="flex-1">
            Air {textOf(temperatureFigure(weather.body.airTempC, v.units))}, {weather.body.sky}
            <Drying />
          </span>
          <span className="font-mono">{momentText(v, Date.parse(weather.at))}</span>
        </p>
      )}
      <LoadRows />
      <p className="flex items-center gap-3 py-2">
        <Mark verdict="held" />
        Concrete burns eyes and skin. Nobody in the line of a form or hose under pressure.
      </p>
    </div>
  );
}

/** What the rate of drying asks for. */
const DRYING = { act: ': cover or fog flat faces', watch: ': watch flat faces', low: '' };

/** How fast a fresh flat face dries in the weather as it was logged last. */
function Drying() {
  const v = usePour();
  const origin = dryingOrigin(v);
  if (!origin) return null;
  const { rateKgM2H, level } = evaluate(evaporation, origin.input).result;
  return (
    <>
      , drying{' '}
      <FigureWithWorking name="the drying" id="evaporation" input={origin.input}>
        {quantityText(rateKgM2H, 'KgM2H', v.units)}
      </FigureWithWorking>
      {DRYING[level]}
    </>
  );
}
