import { latest } from '#core/log';
import { quantityText, temperatureFigure, textOf } from '#core/units';
import { lazily } from '../../ui/lazily.tsx';
import { usePour } from '../../app/pour-context.tsx';
import { dryingOf, momentText } from '#core/view';
import { Mark } from '../../ui/Mark.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';

const SeamRow = lazily(() => import('./SeamRow.tsx'));
const LoadRows = lazily(() => import('./loads/LoadRows.tsx'));

/** How the pour stands, row by row: the first seam, the weather as logged, every load that came. */
export function PourRows() {
  const v = usePour();
  const { progress } = v;
  const weather = latest(v.state, 'weather');
  const seam = progress.seams[0];
  return (
    <div className="rows border-t-2 border-ink">
      {seam && <SeamRow seam={seam} />}
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
  const drying = dryingOf(v, v.state);
  if (!drying) return null;
  const { rateKgM2H, level } = drying.result;
  return (
    <>
      , drying{' '}
      <FigureWithWorking name="the drying" id="evaporation" input={drying.input}>
        {quantityText(rateKgM2H, 'KgM2H', v.units)}
      </FigureWithWorking>
      {DRYING[level]}
    </>
  );
}
