import { Calculator, CircleQuestionMark, Moon, Search, Sun } from 'lucide-react';
import { memo } from 'react';
import { Link } from 'react-router';
import { type StageId, STAGES } from '#core/view';
import { timeOfDay } from '#core/units';
import { usePour } from '../pour-context.tsx';
import { useSession } from '../session.tsx';
import { useTheme } from '../theme.ts';
import { focusUrl, useSetFocus } from '../useFocus.ts';
import { Unsent } from './Unsent.tsx';
import { useWeatherNow } from './useWeatherNow.ts';

/** The stations with their figures, and how far each is along. */
function StationTabs({ stage }: { stage: StageId | 'workbench' }) {
  const v = usePour();
  return (
    <nav className="flex min-w-0 flex-1" aria-label="Stations">
      {STAGES.map(({ id: s, name, figure }) => {
        const f = figure(v);
        const on = s === stage;
        return (
          <Link
            key={s}
            to={focusUrl(v.record.id, s)}
            aria-current={on ? 'page' : undefined}
            className={`relative min-w-0 max-w-[150px] flex-1 pl-3.5 pt-3.5 ${on ? 'bg-ground text-ink' : 'border-l border-rail-line first:border-l-0'}`}
          >
            <b
              className={`head block leading-[22px] ${on ? 'text-[20px]' : 'text-[16px] font-semibold'}`}
            >
              {name}
            </b>
            <span
              className={`tnum block truncate pr-1 text-[14px] leading-5 ${on ? 'font-semibold' : 'text-rail-ink2'}`}
            >
              {f.text}
            </span>
            <i className={`absolute inset-x-0 bottom-0 h-0.5 ${on ? 'bg-line' : 'bg-rail-line'}`} />
            <i
              className={`absolute bottom-0 left-0 h-1.5 ${on ? 'bg-ink' : 'bg-rail-ink2'}`}
              style={{ width: `${Math.round(f.done * 100)}%` }}
            />
          </Link>
        );
      })}
    </nav>
  );
}

/** Find, work out, and the theme. */
function RailTools() {
  const v = usePour();
  const setFocus = useSetFocus();
  const { theme, toggle } = useTheme();
  return (
    <div className="-mx-2 flex">
      <button
        type="button"
        className="flex h-12 w-8 items-center justify-center text-rail-ink"
        aria-label="Find anything"
        title="Find a run, a check, a load (/)"
        onClick={() => {
          setFocus({ sheet: 'find' });
        }}
      >
        <Search size={20} />
      </button>
      <button
        type="button"
        className="flex h-12 w-8 items-center justify-center text-rail-ink"
        aria-label="What this screen is for"
        title="What this screen is for (?)"
        onClick={() => {
          setFocus({ sheet: 'help' });
        }}
      >
        <CircleQuestionMark size={20} />
      </button>
      <Link
        to={`/pours/${v.record.id}/workbench`}
        className="flex h-12 w-8 items-center justify-center text-rail-ink"
        aria-label="Work something out"
        title="Work something out (C)"
      >
        <Calculator size={20} />
      </Link>
      <button
        type="button"
        className="flex h-12 w-8 items-center justify-center text-rail-ink"
        aria-label={theme === 'sun' ? 'Dusk theme' : 'Sun theme'}
        onClick={toggle}
      >
        {theme === 'sun' ? <Moon size={20} /> : <Sun size={20} />}
      </button>
    </div>
  );
}

/** The rail on a wide screen. */
const WideRail = memo(function WideRail({ stage }: { stage: StageId | 'workbench' }) {
  const v = usePour();
  const { account } = useSession();
  const setFocus = useSetFocus();
  const weather = useWeatherNow();
  return (
    <header className="rail flex bg-rail text-rail-ink" style={{ gridArea: 'rail' }}>
      <Link
        to="/"
        className="block w-[200px] shrink-0 overflow-hidden py-3.5 pl-5 pr-2 xl:w-[216px]"
        aria-label="All pours"
      >
        <b className="head block truncate text-[20px] leading-6">
          {v.record.pour.code} {v.record.pour.title}
        </b>
        <span className="block truncate text-[14px] leading-5 text-rail-ink2">
          {v.record.site.name}
        </span>
      </Link>
      <StationTabs stage={stage} />
      <div className="flex shrink-0 items-center gap-2.5 pl-1 pr-3 text-[14px] leading-5 text-rail-ink2">
        <div className="hidden whitespace-nowrap xl:block">
          {weather.air && (
            <>
              <b className="font-semibold text-rail-ink">{weather.air}</b>
              {weather.wind && `, ${weather.wind}`}
              <br />
              {weather.rain ?? 'dry'}
            </>
          )}
        </div>
        <div className="whitespace-nowrap">
          <button
            type="button"
            className="font-semibold text-rail-ink"
            onClick={() => {
              setFocus({ sheet: 'account' });
            }}
            title="Another hand, your PIN, people, a phone, signing out"
          >
            {account.name}
          </button>
          <br />
          <Unsent />
        </div>
        <RailTools />
        <button
          type="button"
          className="big text-[36px] leading-10 text-rail-ink"
          aria-label="Site clock"
          onClick={() => {
            setFocus({ sheet: 'day' });
          }}
        >
          {timeOfDay(v.nowMs, v.record.site.timeZone)}
        </button>
      </div>
    </header>
  );
});

export default WideRail;
