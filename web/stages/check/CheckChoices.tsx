import { Plus } from 'lucide-react';
import { Popover } from 'radix-ui';
import { type PointState, TRADES, type Verdict, WHOLE_POUR } from '#core/check';
import { Mark, VERDICT_WORD } from '../../ui/Mark.tsx';
import { TRADE_NAME } from './trade-name.ts';

const WORST: Verdict[] = ['out', 'held', 'unread', 'tight', 'good', 'waived'];
const worstOf = (points: PointState[]): Verdict =>
  WORST.find((x) => points.some((p) => p.verdict === x)) ?? 'unread';

/** Every check of the run, by trade. */
export default function CheckChoices({
  trigger,
  close,
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
  /** What opened it: it stands below that, and a press on that shuts it. */
  trigger: HTMLButtonElement;
  close: () => void;
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
    <Popover.Root open onOpenChange={close}>
      <Popover.Anchor virtualRef={{ current: trigger }} />
      <Popover.Portal>
        <Popover.Content
          align="center"
          sideOffset={6}
          collisionPadding={12}
          onCloseAutoFocus={onClosed}
          onPointerDownOutside={(e) => {
            if (trigger.contains(e.target as Node)) e.preventDefault();
          }}
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
          <ByTrade own={own} current={current} pick={pick} onShow={onShow} />
          <button type="button" className="chip w-full justify-center" onClick={pick(onAdd)}>
            <Plus size={18} aria-hidden="true" />
            Add a check of your own
          </button>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

interface ByTradeProps {
  own: PointState[];
  current: PointState | undefined;
  pick: (act: () => void) => () => void;
  onShow: (p: PointState | undefined) => void;
}

function ByTrade({ own, current, pick, onShow }: ByTradeProps) {
  return TRADES.filter((t) => own.some((p) => p.point.trade === t)).map((t) => {
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
  });
}
