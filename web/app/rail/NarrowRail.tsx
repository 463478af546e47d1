import { ArrowLeft, ArrowRight } from 'lucide-react';
import { memo } from 'react';
import { Link } from 'react-router';
import { STAGE, type StageId, STAGES } from '#core/view';
import { timeOfDay } from '#core/units';
import { usePour } from '../pour-context.tsx';
import { focusUrl, useSetFocus } from '../useFocus.ts';
import { Unsent } from './Unsent.tsx';

/** The way to the station beside this one; its place is kept where there is none. */
function Beside({
  stage,
  next = false,
}: {
  stage: (typeof STAGES)[number] | undefined;
  next?: boolean;
}) {
  const v = usePour();
  if (!stage) return <span className="w-24" />;
  return (
    <Link
      to={focusUrl(v.record.id, stage.id)}
      className={`head flex w-24 items-center gap-1.5 text-[16px] font-semibold text-rail-ink2 ${next ? 'justify-end pr-4' : 'pl-4'}`}
    >
      {!next && <ArrowLeft size={18} />}
      {stage.name}
      {next && <ArrowRight size={18} />}
    </Link>
  );
}

/** The rail on a phone: this station, and the ones beside it. */
const NarrowRail = memo(function NarrowRail({ stage }: { stage: StageId | 'workbench' }) {
  const v = usePour();
  const setFocus = useSetFocus();
  const own = stage === 'workbench' ? null : STAGE[stage];
  const i = own ? STAGES.indexOf(own) : -1;
  const before = own ? STAGES[i - 1] : STAGE.plan;
  const after = own ? STAGES[i + 1] : STAGE.pour;
  const f = own ? own.figure(v) : { text: 'any figure', done: 0 };
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
        <Beside stage={before} />
        <span
          aria-current="page"
          className="relative flex flex-1 flex-col items-center justify-center bg-ground text-ink"
        >
          <b className="head text-[20px] leading-[22px]">{own?.name ?? 'Work out'}</b>
          <span className="text-[16px] font-semibold leading-5">{f.text}</span>
          <i className="absolute inset-x-0 bottom-0 h-1 bg-hair" />
          <i
            className="absolute bottom-0 left-0 h-1 bg-ink"
            style={{ width: `${Math.round(f.done * 100)}%` }}
          />
        </span>
        <Beside stage={after} next />
      </nav>
    </header>
  );
});

export default NarrowRail;
