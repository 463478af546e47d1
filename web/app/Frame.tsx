import { ArrowLeft, ArrowRight, Calculator, Moon, Search, Sun } from 'lucide-react';
import { memo, useCallback, useEffect, useMemo, useState, type ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { latest } from '../../core/log/state.ts';
import { temperatureFigure, textOf, timeOfDay, wind } from '../../core/units/index.ts';
import { usePhotoQueue } from '../photos/Photos.tsx';
import { lazily } from '../ui/lazily.tsx';
import { T } from '../ui/Text.tsx';
import { PartGuard } from './PartGuard.tsx';
import { Alarms } from './Alarms.tsx';
import { nextLine } from './next-line.ts';
import { usePour, usePourLog } from './pour-context.tsx';
import { focusUrl, useFocus, useSetFocus } from './useFocus.ts';
import { useKeys } from './useKeys.ts';
import { useSession } from './session.tsx';
import { STAGE_NAME, STAGES, stageFigure, type Stage } from './stages.ts';
import { useTheme } from './theme.ts';
import { useWide } from './useWide.ts';

const DaySheet = lazily(() => import('./DaySheet.tsx'));
const FindSheet = lazily(() => import('./FindSheet.tsx'));
const RulesSheet = lazily(() => import('./RulesSheet.tsx'));
const KeySheet = lazily(() => import('./KeySheet.tsx'));

/** Weather at the hour: what was logged last within two hours, else the forecast. */
function useWeatherNow() {
  const v = usePour();
  const logged = latest(
    v.state,
    'weather',
    (e) => v.nowMs - Date.parse(e.at) < 2 * 3600_000 && v.nowMs >= Date.parse(e.at),
  );
  const hour = v.weatherNow.find(
    (h) => Date.parse(h.at) <= v.nowMs && v.nowMs < Date.parse(h.at) + 3600_000,
  );
  const rain = v.weatherNow.find((h) => Date.parse(h.at) > v.nowMs && h.rainMmH > 0);
  const air = logged?.body.airTempC ?? hour?.airTempC;
  const blow = logged?.body.windKmH ?? hour?.windKmH;
  return {
    air: air === undefined ? null : textOf(temperatureFigure(air, v.units)),
    wind: blow === undefined ? null : `wind ${textOf(wind(blow, v.units))}`,
    rain: rain ? `rain from ${timeOfDay(Date.parse(rain.at), v.record.site.timeZone)}` : null,
  };
}

/** The frame of a pour: rail, ground, bench and next line. */
export function Frame({
  stage: shown,
  ground,
  bench,
}: {
  stage: Stage | 'workbench';
  ground: ReactNode;
  bench: ReactNode;
}) {
  // The workbench is no station: what is next is what the pour has next.
  const stage: Stage = shown === 'workbench' ? 'check' : shown;
  const name = shown === 'workbench' ? 'Work out' : STAGE_NAME[shown];
  const v = usePour();
  const navigate = useNavigate();
  const focus = useFocus();
  const wide = useWide();
  const [pulled, setPulled] = useState(false);
  const line = useMemo(() => nextLine(v, stage), [v, stage]);
  const go = useCallback(() => {
    void navigate(focusUrl(v.record.id, line.stage, line.focus));
    // Where the next line is what stands there already nothing appears anew: the likeliest answer gets the focus all the same.
    if (wide)
      setTimeout(() => {
        if (!document.querySelector('[role="dialog"]'))
          document
            .querySelector<HTMLElement>('.bench [data-likeliest]')
            ?.focus({ preventScroll: true });
      }, 60);
  }, [navigate, v.record.id, line.stage, line.focus, wide]);
  const keys = useMemo(
    () => ({
      ...Object.fromEntries(
        STAGES.map((s, i) => [String(i + 1), () => void navigate(focusUrl(v.record.id, s))]),
      ),
      n: go,
      r: () => {
        void navigate(focusUrl(v.record.id, 'check'));
      },
      l: () => {
        void navigate(focusUrl(v.record.id, 'pour', { sheet: 'load:next' }));
      },
      s: () => {
        void navigate(focusUrl(v.record.id, 'pour', { sheet: 'slump:here' }));
      },
      p: () => {
        void navigate(
          focusUrl(v.record.id, 'pour', { sheet: v.progress.current ? 'stop' : 'start' }),
        );
      },
      w: () => {
        void navigate(focusUrl(v.record.id, 'pour', { sheet: 'weather' }));
      },
      c: () => {
        void navigate(focusUrl(v.record.id, 'workbench'));
      },
      h: () => {
        void navigate(focusUrl(v.record.id, 'check', { sheet: 'question' }));
      },
      z: () => {
        void v.undoLast();
      },
      '/': () => {
        focus.set({ sheet: 'find' });
      },
      '?': () => {
        focus.set({ sheet: 'keys' });
      },
    }),
    [navigate, go, v, focus],
  );
  useKeys(keys);
  useEffect(() => {
    document.title = `${v.record.pour.code} ${name}, Jactum`;
  }, [v, name]);
  return (
    <div className="frame" data-stage={shown} data-pulled={pulled}>
      {wide ? <WideRail stage={shown} /> : <NarrowRail stage={shown} />}
      <main className="ground" aria-label={`${name}, drawing`}>
        <h1 className="sr-only">
          {v.record.pour.code}, {name}
        </h1>
        <PartGuard>{ground}</PartGuard>
        {!wide && (
          <button
            type="button"
            aria-label={pulled ? 'Shorten the drawing' : 'Pull the drawing down'}
            className="no-print absolute bottom-0 left-1/2 flex h-6 w-24 -translate-x-1/2 items-end justify-center pb-0.5"
            onClick={() => {
              setPulled(!pulled);
            }}
          >
            <span className="h-[5px] w-12 bg-line" />
          </button>
        )}
      </main>
      <section className="bench" aria-label={`${name}, tools`}>
        <Alarms />
        <Refused />
        <PartGuard>{bench}</PartGuard>
      </section>
      <footer className="next">
        <span className="head hidden text-[14px] text-ink2 sm:inline">Next</span>
        <p aria-live="polite">
          <T>{line.sentence}</T>
        </p>
        <button type="button" className="btn" data-next onClick={go}>
          {line.label}
          <ArrowRight size={22} aria-hidden="true" />
          <span className="k">N</span>
        </button>
      </footer>
      {focus.sheet === 'find' && (
        <FindSheet
          onClose={() => {
            focus.set({ sheet: null });
          }}
        />
      )}
      {focus.sheet === 'keys' && (
        <KeySheet
          onClose={() => {
            focus.set({ sheet: null });
          }}
        />
      )}
      {focus.sheet === 'rules' && (
        <RulesSheet
          onClose={() => {
            focus.set({ sheet: null });
          }}
        />
      )}
      {focus.sheet === 'day' && (
        <DaySheet
          onClose={() => {
            focus.set({ sheet: null });
          }}
        />
      )}
    </div>
  );
}

/** Entries the server would not take, each with why. */
function Refused() {
  const { store } = usePour();
  return usePourLog().refused.map((r) => (
    <div key={r.id} role="alert" className="mb-3 border-2 border-chalk p-3">
      <p className="font-semibold text-chalk-t">Not taken: {r.reason}</p>
      <button type="button" className="btn line mt-2" onClick={() => void store.dismiss(r.id)}>
        Put away
      </button>
    </div>
  ));
}

function Unsent() {
  const log = usePourLog();
  const photos = usePhotoQueue();
  if (log.signedOut)
    return (
      <Link to="/" className="font-semibold text-rail-ink underline">
        sign in to send {log.unsent}
      </Link>
    );
  const unsent = log.unsent + photos.unsent;
  const wait = log.others.length ? `, waiting for ${log.others.join(', ')} to sign in` : '';
  return <span data-unsent={unsent}>{unsent ? `${unsent} not sent yet${wait}` : 'all sent'}</span>;
}

const WideRail = memo(function WideRail({ stage }: { stage: Stage | 'workbench' }) {
  const v = usePour();
  const { account } = useSession();
  const setFocus = useSetFocus();
  const weather = useWeatherNow();
  const { theme, toggle } = useTheme();
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
      <nav className="flex min-w-0 flex-1" aria-label="Stations">
        {STAGES.map((s) => {
          const f = stageFigure(v, s);
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
                {STAGE_NAME[s]}
              </b>
              <span
                className={`tnum block truncate pr-1 text-[14px] leading-5 ${on ? 'font-semibold' : 'text-rail-ink2'}`}
              >
                {f.text}
              </span>
              <i
                className={`absolute inset-x-0 bottom-0 h-0.5 ${on ? 'bg-line' : 'bg-rail-line'}`}
              />
              <i
                className={`absolute bottom-0 left-0 h-1.5 ${on ? 'bg-ink' : 'bg-rail-ink2'}`}
                style={{ width: `${Math.round(f.done * 100)}%` }}
              />
            </Link>
          );
        })}
      </nav>
      <div className="flex shrink-0 items-center gap-4 pl-2 pr-4 text-[14px] leading-5 text-rail-ink2">
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
              setFocus({ sheet: 'day' });
            }}
            title="The log, and signing out"
          >
            {account.name}
          </button>
          <br />
          <Unsent />
        </div>
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

const NarrowRail = memo(function NarrowRail({ stage }: { stage: Stage | 'workbench' }) {
  const v = usePour();
  const setFocus = useSetFocus();
  const i = stage === 'workbench' ? -1 : STAGES.indexOf(stage);
  const before = stage === 'workbench' ? 'plan' : STAGES[i - 1];
  const after = stage === 'workbench' ? 'pour' : STAGES[i + 1];
  const f = stage === 'workbench' ? { text: 'any figure', done: 0 } : stageFigure(v, stage);
  return (
    <header className="rail bg-rail text-rail-ink" style={{ gridArea: 'rail' }}>
      <div className="flex h-8 items-center gap-3 px-4 text-[14px] text-rail-ink2">
        <Link to="/" className="head truncate text-[16px] leading-8 text-rail-ink">
          {v.record.pour.code} {v.record.pour.title}
        </Link>
        <span className="ml-auto whitespace-nowrap">
          <Unsent />
        </span>
        <button
          type="button"
          aria-label="Site clock and log"
          className="big text-[20px] leading-8 text-rail-ink"
          onClick={() => {
            setFocus({ sheet: 'day' });
          }}
        >
          {timeOfDay(v.nowMs, v.record.site.timeZone)}
        </button>
      </div>
      <nav className="flex h-[52px]" aria-label="Stations">
        {before ? (
          <Link
            to={focusUrl(v.record.id, before)}
            className="head flex w-24 items-center gap-1.5 pl-4 text-[16px] font-semibold text-rail-ink2"
          >
            <ArrowLeft size={18} />
            {STAGE_NAME[before]}
          </Link>
        ) : (
          <span className="w-24" />
        )}
        <span
          aria-current="page"
          className="relative flex flex-1 flex-col items-center justify-center bg-ground text-ink"
        >
          <b className="head text-[20px] leading-[22px]">
            {stage === 'workbench' ? 'Work out' : STAGE_NAME[stage]}
          </b>
          <span className="text-[16px] font-semibold leading-5">{f.text}</span>
          <i className="absolute inset-x-0 bottom-0 h-1 bg-hair" />
          <i
            className="absolute bottom-0 left-0 h-1 bg-ink"
            style={{ width: `${Math.round(f.done * 100)}%` }}
          />
        </span>
        {after ? (
          <Link
            to={focusUrl(v.record.id, after)}
            className="head flex w-24 items-center justify-end gap-1.5 pr-4 text-[16px] font-semibold text-rail-ink2"
          >
            {STAGE_NAME[after]}
            <ArrowRight size={18} />
          </Link>
        ) : (
          <span className="w-24" />
        )}
      </nav>
    </header>
  );
});
