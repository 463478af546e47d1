import { type PointState, typeChanges, WHOLE_POUR } from '#core/check';
import { drawnForms } from '#core/formwork';
import { usePour } from '../../app/pour-context.tsx';
import { ElementDrawing } from '../../drawing/ElementDrawing.tsx';
import type { WallMark } from '../../drawing/ElevationDrawing.tsx';
import { flagText } from '../../drawing/flag-text.ts';
import type { RunOnPaper } from '../../drawing/plan-paper.ts';
import { PlanDrawing } from '../../drawing/PlanDrawing.tsx';
import { MarkAt } from '../../ui/Mark.tsx';
import { useTaking, roundValue } from './useTaking.ts';

/** How far off the middle of a run a place is drawn, of half its width. */
const ACROSS = { left: -0.55, middle: 0, right: 0.55 };

/** The run in hand alone, unrolled, with the check in hand on it: all there is room for on a phone. */
export function Band({
  elementId,
  state,
  place,
  width,
  height,
  onPick,
}: {
  elementId: string;
  state: PointState | undefined;
  place: number;
  width: number;
  height: number;
  onPick: (p: PointState, place: number) => void;
}) {
  const v = usePour();
  const spec = v.record.site.runs.find((r) => r.id === elementId);
  const flags = typeChanges(v.record.site, v.record.pour.elements)
    .filter((c) => c.fromRun === elementId)
    .map((c) => ({
      at: c.nodeId === spec?.from ? ('from' as const) : ('to' as const),
      text: flagText(c),
    }));
  if (elementId === WHOLE_POUR)
    return (
      <PlanDrawing
        site={v.record.site}
        elements={v.record.pour.elements}
        width={width}
        height={height}
        selected={null}
        onSelect={() => undefined}
        pad={18}
        labels={false}
        dimensions={false}
        flags={false}
      />
    );
  const marks = state
    ? state.places
        .map((p, i) => ({
          key: String(i),
          atM: state.point.places[i]?.atM ?? null,
          upM: state.point.places[i]?.upM ?? 0,
          verdict: p.verdict,
          label: state.point.places[i]?.label ?? `Place ${i + 1}`,
          chosen: i === place,
        }))
        .flatMap((m) => (m.atM === null ? [] : [{ ...m, atM: m.atM }]))
    : [];
  return state ? (
    <BandOf
      state={state}
      place={place}
      flags={flags}
      marks={marks}
      width={width}
      height={height - 10}
      onPick={onPick}
    />
  ) : (
    <ElementDrawing
      site={v.record.site}
      elementId={elementId}
      width={width}
      height={height - 10}
      marks={[]}
      flags={flags}
    />
  );
}

/** The same with a check in hand: in a round, a press on an unread mark takes it as it should be. */
function BandOf({
  state,
  place,
  flags,
  marks,
  width,
  height,
  onPick,
}: {
  state: PointState;
  place: number;
  flags: { at: 'from' | 'to'; text: string }[];
  marks: WallMark[];
  width: number;
  height: number;
  onPick: (p: PointState, place: number) => void;
}) {
  const v = usePour();
  const { take } = useTaking(state, place);
  const { point } = state;
  const press = (i: number) => {
    const value =
      state.places[i]?.verdict === 'unread' && point.round ? roundValue(point, i) : null;
    if (value) void take(value, i);
    else onPick(state, i);
  };
  return (
    <ElementDrawing
      site={v.record.site}
      elementId={point.elementId}
      width={width}
      height={height}
      marks={marks}
      markSize={point.round ? 20 : 22}
      flags={flags}
      bars={point.round !== 'forms'}
      forms={
        point.round === 'forms'
          ? drawnForms(v.record.site, v.record.pour, point.elementId)
          : undefined
      }
      onPick={(k) => {
        press(Number(k));
      }}
    />
  );
}

/** Places of the check in hand on a footing in plan. */
export function Spots({
  state,
  r,
  place,
  onPick,
}: {
  state: PointState;
  r: RunOnPaper | undefined;
  place: number;
  onPick: (i: number) => void;
}) {
  if (!r) return null;
  return (
    <>
      {state.point.places.map((pl, i) => {
        if (pl.atM === null) return null;
        const share = pl.atM / r.lengthM;
        const across = ACROSS[pl.across ?? 'middle'];
        const x = r.a[0] + r.along[0] * r.lengthPx * share + r.out[0] * r.halfWidthPx * across;
        const y = r.a[1] + r.along[1] * r.lengthPx * share + r.out[1] * r.halfWidthPx * across;
        return (
          <g
            key={i}
            role="button"
            tabIndex={-1}
            aria-label={`Place ${i + 1}`}
            onClick={() => {
              onPick(i);
            }}
          >
            <circle
              cx={x}
              cy={y}
              r="13"
              fill="var(--ground)"
              stroke="var(--ink)"
              strokeWidth={i === place ? 2.5 : 0.75}
            />
            <MarkAt verdict={state.places[i]?.verdict ?? 'unread'} x={x} y={y} size={18} />
          </g>
        );
      })}
    </>
  );
}
