import { evaluate } from '#core/kit';
import { LOAD_ADVICE, seamTone } from '#core/words';
import { latest } from '#core/log';
import { lengthText, quantityText, temperatureFigure, textOf, volume } from '#core/units';
import { evaporation } from '#core/weather';
import { dryingOrigin, seamOrigin } from '../../app/origins.ts';
import { usePour } from '../../app/pour-context.tsx';
import { momentText } from '#core/view';
import { useSetFocus } from '../../app/useFocus.ts';
import { Mark } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';
import { seamName } from './seam-name.ts';

/** How the pour stands, row by row: the first seam, the weather as logged, every load that came. */
export function PourRows() {
  const v = usePour();
  const set = useSetFocus();
  const { progress, loads } = v;
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
      {loads
        .filter((l) => l.arrivedAt !== null)
        .map((l) => (
          <button
            key={l.id}
            type="button"
            className="flex min-h-12 w-full items-center gap-3 py-1 text-left"
            onClick={() => {
              set({ sheet: `decide:${l.id}` });
            }}
          >
            <Mark verdict={LOAD_ADVICE[l.advice].tone} />
            <b>{l.id}</b>
            <span className="min-w-0 flex-1 truncate">
              <T>{`${textOf(volume(l.volumeM3 ?? 0, v.units, 1))}, ticket ${l.ticket ?? ''}${l.slump ? `, slump ${lengthText(l.slump.measuredMm, v.units)}` : ''}`}</T>
            </span>
            <span className="text-ink2">
              {l.ageMin === null ? '' : `${Math.round(l.ageMin)} min`}
            </span>
          </button>
        ))}
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
