import { lazily } from '../../ui/lazily.tsx';
import { usePour } from '../../app/pour-context.tsx';
import { Mark } from '../../ui/Mark.tsx';

const SeamRow = lazily(() => import('./SeamRow.tsx'));
const WeatherRow = lazily(() => import('./WeatherRow.tsx'));
const LoadRows = lazily(() => import('./loads/LoadRows.tsx'));

/** How the pour stands, row by row: the first seam, the weather as logged, every load that came. */
export function PourRows() {
  const v = usePour();
  const { progress } = v;
  const seam = progress.seams[0];
  return (
    <div className="rows border-t-2 border-ink">
      {seam && <SeamRow seam={seam} />}
      <WeatherRow />
      <LoadRows />
      <p className="flex items-center gap-3 py-2">
        <Mark verdict="held" />
        Concrete burns eyes and skin. Nobody in the line of a form or hose under pressure.
      </p>
    </div>
  );
}
