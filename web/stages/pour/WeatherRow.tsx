import { quantityText } from '#core/units';
import { dryingOf, momentText, weatherNowOf } from '#core/view';
import { readWeatherText, weatherAsksText } from '#core/words';
import { usePour } from '../../app/pour-context.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';

const TONE = { go: 'good', caution: 'tight', no: 'out' } as const;
/** A service that is not heard for so long has stopped, ms. */
const SILENT_MS = 15 * 60_000;

/**
 * The weather as it was read last, beside what was forecast for then; what it asks; and since when
 * the service is not heard.
 */
export default function WeatherRow() {
  const v = usePour();
  const now = weatherNowOf(v.record, v, v.state, v.weather);
  return (
    <div className="flex flex-col gap-1 py-2">
      {now && (
        <p className="flex items-center gap-3">
          <Mark verdict={TONE[now.level]} />
          <span className="flex-1">
            <FigureWithWorking name="the weather" id="weather-rules" input={now.working}>
              <T>{readWeatherText(now.read.body, now.forecast, v.units)}</T>
            </FigureWithWorking>
            <Drying />
          </span>
          <span className="font-mono">{momentText(v, Date.parse(now.read.at))}</span>
        </p>
      )}
      {now &&
        weatherAsksText(now, v.units).map((line) => (
          <p key={line} className="flex gap-3 font-semibold text-chalk-t" data-weather-asks>
            <Mark verdict="out" />
            <T>{line}</T>
          </p>
        ))}
      <Feed />
    </div>
  );
}

/** Since when the weather service is not heard; nothing while it is. What is read by hand always counts. */
function Feed() {
  const v = usePour();
  const heard = v.weatherHeardMs;
  // The page is drawn anew at every tick of the site's clock: often enough to see that a service fell silent.
  // oxlint-disable-next-line react/purity
  const forMs = heard === null ? 0 : Date.now() - heard;
  if (forMs < SILENT_MS) return null;
  return (
    <p className="text-ochre-t" data-feed-silent>
      No forecast since {momentText(v, v.nowMs - forMs)}: read the weather by hand.
    </p>
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
    <span className="block">
      Drying{' '}
      <FigureWithWorking name="the drying" id="evaporation" input={drying.input}>
        {quantityText(rateKgM2H, 'KgM2H', v.units)}
      </FigureWithWorking>
      {DRYING[level]}
    </span>
  );
}
