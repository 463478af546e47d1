import { ArrowRight } from 'lucide-react';
import { useCallback, useEffect, useMemo, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { nextLine, STAGE, type StageId } from '#core/view';
import { pressing } from '#core/words';
import { lazily } from '../ui/lazily.tsx';
import { T } from '../ui/Text.tsx';
import { PartGuard } from './PartGuard.tsx';
import { usePour, usePourLog } from './pour-context.tsx';
import { useSession } from './session.tsx';
import { focusUrl, useFocus } from './useFocus.ts';
import { useStationKeys } from './useStationKeys.ts';
import { useWide } from './useWide.ts';

const NarrowRail = lazily(() => import('./rail/NarrowRail.tsx'));
const WideRail = lazily(() => import('./rail/WideRail.tsx'));
const SetBack = lazily(() => import('./SetBack.tsx'));
const Refused = lazily(() => import('./Refused.tsx'));
const Alarms = lazily(() => import('./Alarms.tsx'));
const HelpSheet = lazily(() => import('./HelpSheet.tsx'));
const FirstVisit = lazily(() => import('./FirstVisit.tsx'));
const PastBar = lazily(() => import('./log/PastBar.tsx'));

const SHEETS = {
  account: lazily(() => import('./AccountSheet.tsx')),
  day: lazily(() => import('./DaySheet.tsx')),
  hands: lazily(() => import('./log/HandsSheet.tsx')),
  find: lazily(() => import('./FindSheet.tsx')),
  rules: lazily(() => import('./RulesSheet.tsx')),
};

/** The sheets that open from every station. */
function FrameSheets({ stage }: { stage: StageId | 'workbench' }) {
  const focus = useFocus();
  const close = () => {
    focus.set({ sheet: null });
  };
  const name = focus.sheet as keyof typeof SHEETS | null;
  const Sheet = name !== null && name in SHEETS ? SHEETS[name] : null;
  return (
    <>
      {Sheet && <Sheet onClose={close} />}
      {focus.sheet === 'help' && <HelpSheet of={stage} onClose={close} />}
    </>
  );
}

/** The frame of a pour: rail, ground, bench and next line. */
export function Frame({
  stage: shown,
  ground,
  bench,
}: {
  stage: StageId | 'workbench';
  ground: ReactNode;
  bench: ReactNode;
}) {
  // The workbench is no station: what is next is what the pour has next.
  const stage: StageId = shown === 'workbench' ? 'check' : shown;
  const name = shown === 'workbench' ? 'Work out' : STAGE[shown].name;
  const v = usePour();
  const { refused, lost } = usePourLog();
  const { demo } = useSession();
  const navigate = useNavigate();
  const wide = useWide();
  const [pulled, setPulled] = useState(false);
  const line = useMemo(() => nextLine(v, stage), [v, stage]);
  const go = useCallback(() => {
    void navigate(focusUrl(v.record.id, line.stage, line.focus));
    // Where the next line is what stands there already nothing appears anew: the likeliest answer
    // gets the focus all the same.
    if (wide)
      setTimeout(() => {
        if (!document.querySelector('[role="dialog"]'))
          document
            .querySelector<HTMLElement>('.bench [data-likeliest]')
            ?.focus({ preventScroll: true });
      }, 60);
  }, [navigate, v.record.id, line.stage, line.focus, wide]);
  useStationKeys(go);
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
        {v.past !== null && <PastBar />}
        {v.shut !== null && (
          <p role="status" className="mb-3 border-2 border-ochre p-3 font-semibold">
            {v.shut} It can be read and printed; nothing is logged.
          </p>
        )}
        {!demo && <FirstVisit key={shown} of={shown} />}
        {v.alarms.some(pressing) && <Alarms />}
        {lost.length > 0 && <SetBack />}
        {refused.length > 0 && <Refused />}
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
      <FrameSheets stage={shown} />
    </div>
  );
}
