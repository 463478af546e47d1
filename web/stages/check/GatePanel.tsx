import { ChevronDown } from 'lucide-react';
import { memo, useMemo } from 'react';
import { useNavigate } from 'react-router';
import { type HoldRow, typeChanges } from '#core/check';
import { HOLD_NAME } from '#core/model';
import { counted } from '#core/units';
import { usePour } from '../../app/pour-context.tsx';
import { momentText } from '#core/view';
import { holdText } from '#core/words';
import { useStable } from '../../app/useStable.ts';
import { useSetFocus } from '../../app/useFocus.ts';
import { useBelow } from '../../ui/useBelow.ts';
import { Mark } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';
import { lazily } from '../../ui/lazily.tsx';

const PutOffLine = lazily(() => import('./PutOffLine.tsx'));

/** How the gate stands, in one word. */
const GATE = {
  open: { data: 'ready', text: 'Ready', tone: 'text-good-t' },
  held: { data: 'held', text: 'Not ready', tone: 'text-chalk-t' },
  against: { data: 'against', text: 'Against the gate', tone: 'text-ochre-t' },
} as const;

/** What can be done about a gate: ask, go on all the same, take back what was signed. */
const GateActs = () => (
  <>
    <AskActs />
    <SignActs />
  </>
);

/** A signature is taken back by whoever gave it. */
export function SignActs() {
  const { gate } = usePour();
  const set = useSetFocus();
  return gate.signs
    .filter((s) => s.entryId !== null)
    .map((s) => (
      <button
        key={s.hold}
        type="button"
        className="min-h-12 text-left font-semibold text-press"
        onClick={() => {
          set({ sheet: `unsign:${s.hold}` });
        }}
      >
        Take back {HOLD_NAME[s.hold].toLowerCase()}
      </button>
    ));
}

/** What can be done about a gate that holds: ask, or go on all the same. */
export function AskActs() {
  const { gate } = usePour();
  const set = useSetFocus();
  return (
    <>
      <button
        type="button"
        className="min-h-12 text-left font-semibold text-press"
        onClick={() => {
          set({ sheet: 'question' });
        }}
      >
        Ask a question
      </button>
      {gate.rows.length > 0 && !gate.overridden && (
        <button
          type="button"
          className="min-h-12 text-left font-semibold text-press"
          onClick={() => {
            set({ sheet: 'override' });
          }}
        >
          Pour anyway
        </button>
      )}
    </>
  );
}

/** One thing that holds it; drawn anew only when it reads otherwise. */
const GateRow = memo(
  function GateRow({
    row: r,
    words,
    onGo,
  }: {
    row: HoldRow;
    words: string;
    onGo: (r: HoldRow) => void;
  }) {
    return (
      <button
        type="button"
        data-row={`${r.kind}:${r.ref}:${r.place ?? ''}`}
        className="flex min-h-9 w-full items-center gap-3 py-0.5 text-left max-sm:min-h-12"
        onClick={() => {
          onGo(r);
        }}
      >
        <Mark verdict={r.verdict} size={18} />
        <span
          className={`min-w-0 flex-1 font-semibold ${r.kind === 'sign' ? 'line-clamp-3' : 'line-clamp-2'}`}
        >
          <T>{words}</T>
        </span>
        <span className="tnum whitespace-nowrap text-ink2">
          {r.minutes === null ? 'their answer' : `${r.minutes} min`}
        </span>
      </button>
    );
  },
  (a, b) =>
    a.words === b.words &&
    a.row.verdict === b.row.verdict &&
    a.row.minutes === b.row.minutes &&
    a.row.elementId === b.row.elementId,
);

/**
 * Ready or not, and everything that holds the pour, in one place with the minutes each needs.
 * `acts`: with what can be done about it.
 */
export function GatePanel({ acts = true }: { acts?: boolean }) {
  const v = usePour();
  const set = useSetFocus();
  const navigate = useNavigate();
  const { gate } = v;
  const { site, pour } = v.record;
  const changes = useMemo(
    () => new Map(typeChanges(site, pour.elements).map((c) => [c.id, c])),
    [site, pour.elements],
  );
  const go = useStable((r: HoldRow) => {
    if (r.kind === 'out' || r.kind === 'unread')
      set({ run: r.elementId, check: r.ref, place: r.place ?? 0 });
    else if (r.kind === 'change') set({ sheet: `change:${r.ref}` });
    else if (r.kind === 'question') set({ sheet: `answer:${r.ref}` });
    else if (r.kind === 'usual') void navigate(`/pours/${v.record.id}/setout?tab=schedule`);
    else if (r.kind === 'loop') void navigate(`/pours/${v.record.id}/setout?tab=levels`);
    else if (r.kind === 'pressure') void navigate(`/pours/${v.record.id}/plan?tab=way`);
    else if (r.kind === 'reach') void navigate(`/pours/${v.record.id}/plan?tab=how`);
    else if (r.kind === 'apart') void navigate(`/pours/${v.record.id}/setout`);
    else set({ sheet: `sign:${r.ref}` });
  });
  const holding = gate.rows.length > 0;
  const [listRef, below] = useBelow(gate.rows.length);
  return (
    <section aria-label="Gate" data-gate={GATE[gate.state].data} className="flex h-full flex-col">
      <div className="flex items-end justify-between gap-3 pb-2">
        <h2 className={`big text-[44px] leading-[44px] ${GATE[gate.state].tone}`}>
          {GATE[gate.state].text}
        </h2>
        {holding && (
          <p className="text-right leading-5 text-ink2">
            {counted(gate.rows.length, 'thing')} to fix first
            <br />
            {gate.minutes === null ? 'waits for an answer' : 'soonest ready'}
            {gate.minutes !== null && (
              <b className="big block text-[26px] leading-7 text-ink">
                {momentText(v, v.nowMs + gate.minutes * 60_000)}
              </b>
            )}
          </p>
        )}
      </div>
      {gate.overridden && (
        <p className="pb-2 font-semibold text-ochre-t">
          Poured anyway: {gate.overridden.reason} ({gate.overridden.actor}). This stays on the
          report.
        </p>
      )}
      <div className="flex min-h-[120px] flex-1 flex-col border-y border-hair">
        <div
          ref={listRef}
          className="rows min-h-0 flex-1 overflow-auto"
          tabIndex={0}
          role="group"
          aria-label="What holds it"
        >
          {gate.rows.map((r) => (
            <GateRow
              key={`${r.kind}${r.ref}${r.place ?? ''}`}
              row={r}
              words={holdText(v, r, changes)}
              onGo={go}
            />
          ))}
          {!holding &&
            gate.signs.map((s) => (
              <p key={s.hold} className="flex min-h-[42px] items-center gap-3">
                <Mark verdict="good" />
                {HOLD_NAME[s.hold]}
                <span className="flex-1" />
                <span className="text-ink2">
                  {s.actor} {s.at ? momentText(v, Date.parse(s.at)) : ''}
                </span>
              </p>
            ))}
        </div>
        {below > 0 && (
          <button
            type="button"
            data-below={below}
            className="flex min-h-7 items-center justify-end gap-1 text-[14px] font-semibold text-press max-sm:min-h-12"
            onClick={() => {
              listRef.current?.scrollBy({ top: listRef.current.clientHeight, behavior: 'smooth' });
            }}
          >
            {below} more
            <ChevronDown size={16} aria-hidden="true" />
          </button>
        )}
      </div>
      <PutOffLine />
      {acts && (
        <div className="flex flex-wrap gap-x-5 pt-1">
          <GateActs />
        </div>
      )}
    </section>
  );
}
