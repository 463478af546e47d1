import { ChevronDown, ChevronLeft, ChevronRight, Plus } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useRef, useState } from 'react';
import { type PointState, type Trade, TRADES, type Verdict, WHOLE_POUR } from '#core/check';
import { Mark, VERDICT_WORD } from '../../ui/Mark.tsx';

const TRADE_NAME: Record<Trade, string> = {
  ground: 'Ground',
  forms: 'Forms',
  steel: 'Steel',
  anchors: 'Anchors',
  access: 'Access',
};
const WORST: Verdict[] = ['out', 'held', 'unread', 'tight', 'good', 'waived'];
const worstOf = (points: PointState[]): Verdict =>
  WORST.find((x) => points.some((p) => p.verdict === x)) ?? 'unread';

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
  const pick = (act: () => void) => () => {
    picked.current = true;
    setOpen(false);
    act();
  };
  /** What was picked is to be read next: its likeliest answer gets the focus, not the list's own button. */
  const onClosed = (e: Event) => {
    if (!picked.current) return;
    picked.current = false;
    e.preventDefault();
    document.querySelector<HTMLElement>('.bench [data-likeliest]')?.focus({ preventScroll: true });
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
      <Popover.Root open={open} onOpenChange={setOpen}>
        <Popover.Trigger
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
        </Popover.Trigger>
        <Popover.Portal>
          <Choices
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
        </Popover.Portal>
      </Popover.Root>
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

/** Every check of the run, by trade. */
function Choices({
  onClosed,
  run,
  runs,
  pick,
  onRun,
  own,
  current,
  onShow,
  onAdd,
}: {
  onClosed: (e: Event) => void;
  run: string;
  runs: string[];
  pick: (act: () => void) => () => void;
  onRun: (id: string) => void;
  own: PointState[];
  current: PointState | undefined;
  onShow: (p: PointState | undefined) => void;
  onAdd: () => void;
}) {
  return (
    <Popover.Content
      align="center"
      sideOffset={6}
      collisionPadding={12}
      onCloseAutoFocus={onClosed}
      className="z-40 max-h-[min(560px,var(--radix-popover-content-available-height))] w-[min(480px,calc(100vw-24px))] overflow-y-auto bg-sheet p-3 shadow-[0_4px_24px_rgb(0_0_0/0.28)]"
      aria-label={`Checks of ${run}`}
    >
      {runs.length <= 24 && (
        <div className="mb-3 flex flex-wrap gap-2 sm:hidden" role="group" aria-label="Runs">
          {runs.map((r) => (
            <button
              key={r}
              type="button"
              className="chip"
              aria-pressed={r === run}
              onClick={pick(() => {
                onRun(r);
              })}
            >
              {r === WHOLE_POUR ? 'all' : r}
            </button>
          ))}
        </div>
      )}
      {TRADES.filter((t) => own.some((p) => p.point.trade === t)).map((t) => {
        const of = own.filter((p) => p.point.trade === t);
        return (
          <section key={t} aria-label={TRADE_NAME[t]} className="mb-2">
            <h3 className="head flex items-center gap-2 border-b-2 border-ink py-1">
              <Mark verdict={worstOf(of)} size={16} label={VERDICT_WORD[worstOf(of)]} />
              {TRADE_NAME[t]}
            </h3>
            <div className="rows">
              {of.map((p) => (
                <button
                  key={p.point.id}
                  type="button"
                  className={`flex min-h-12 w-full items-center gap-3 px-1 text-left ${p === current ? 'inked bg-ink text-ground' : ''}`}
                  aria-pressed={p === current}
                  onClick={pick(() => {
                    onShow(p);
                  })}
                >
                  <Mark verdict={p.verdict} size={18} label={VERDICT_WORD[p.verdict]} />
                  <span className="min-w-0 flex-1 font-semibold">{p.point.title}</span>
                  {p.wanted > 1 && (
                    <span className="tnum">
                      {p.read}/{p.wanted}
                    </span>
                  )}
                </button>
              ))}
            </div>
          </section>
        );
      })}
      <button type="button" className="chip w-full justify-center" onClick={pick(onAdd)}>
        <Plus size={18} aria-hidden="true" />
        Add a check of your own
      </button>
    </Popover.Content>
  );
}
