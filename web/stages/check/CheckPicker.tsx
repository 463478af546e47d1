import { ChevronDown, ChevronLeft, ChevronRight } from 'lucide-react';
import { useRef, useState } from 'react';
import { type PointState, WHOLE_POUR } from '#core/check';
import { lazily } from '../../ui/lazily.tsx';
import { Mark, VERDICT_WORD } from '../../ui/Mark.tsx';
import { TRADE_NAME } from './trade-name.ts';

const CheckChoices = lazily(() => import('./CheckChoices.tsx'));

interface Props {
  /** Checks of the run in hand, and the one that is open. */
  own: PointState[];
  current: PointState | undefined;
  run: string;
  runs: string[];
  onShow: (p: PointState | undefined) => void;
  onRun: (id: string) => void;
  onAdd: () => void;
}

/** Which check is in hand: step by step, or any of the run from a list by trade. */
export function CheckPicker({ own, current, run, runs, onShow, onRun, onAdd }: Props) {
  const [open, setOpen] = useState(false);
  const i = current ? own.indexOf(current) : -1;
  const trade = current?.point.trade;
  const inTrade = own.filter((p) => p.point.trade === trade);
  const picked = useRef(false);
  const [trigger, setTrigger] = useState<HTMLButtonElement | null>(null);
  const pick = (act: () => void) => () => {
    picked.current = true;
    setOpen(false);
    act();
  };
  /** What was picked is to be read next: its likeliest answer gets the focus, not the list's own button. */
  const onClosed = (e: Event) => {
    e.preventDefault();
    const next = picked.current
      ? document.querySelector<HTMLElement>('.bench [data-likeliest]')
      : trigger;
    picked.current = false;
    next?.focus({ preventScroll: true });
  };
  return (
    <div className="flex gap-2">
      <button
        type="button"
        className="chip"
        aria-label="Check before"
        disabled={i <= 0}
        onClick={() => {
          onShow(own[i - 1]);
        }}
      >
        <ChevronLeft size={20} />
      </button>
      <button
        ref={setTrigger}
        type="button"
        aria-haspopup="dialog"
        aria-expanded={open}
        onClick={() => {
          setOpen(!open);
        }}
        className="chip min-w-0 flex-1 justify-between"
        data-check={current?.point.title ?? ''}
        aria-label={`Checks of ${run}; in hand: ${current?.point.title ?? 'none'}`}
      >
        {current && (
          <Mark verdict={current.verdict} size={18} label={VERDICT_WORD[current.verdict]} />
        )}
        <span className="flex min-w-0 flex-1 text-left text-ink">
          {run !== WHOLE_POUR && <b className="mr-2 sm:hidden">{run}</b>}
          <span className="line-clamp-2">{current?.point.title ?? 'Nothing yet'}</span>
          {current && current.wanted > 1 && (
            <span className="tnum ml-1.5 font-normal text-ink2">{`${current.read}/${current.wanted}`}</span>
          )}
        </span>
        {trade && (
          <span className="hidden font-normal text-ink2 sm:inline">
            {TRADE_NAME[trade]}, {inTrade.filter((p) => p.read === p.wanted).length} of{' '}
            {inTrade.length}
          </span>
        )}
        <ChevronDown size={20} aria-hidden="true" />
      </button>
      {open && trigger && (
        <CheckChoices
          trigger={trigger}
          close={() => {
            setOpen(false);
          }}
          onClosed={onClosed}
          run={run}
          runs={runs}
          pick={pick}
          onRun={onRun}
          own={own}
          current={current}
          onShow={onShow}
          onAdd={onAdd}
        />
      )}
      <button
        type="button"
        className="chip"
        aria-label="Check after"
        disabled={i < 0 || i >= own.length - 1}
        onClick={() => {
          onShow(own[i + 1]);
        }}
      >
        <ChevronRight size={20} />
      </button>
    </div>
  );
}
