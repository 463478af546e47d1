import { wallHeightM } from '#core/model';
import type { PointState } from '#core/check';
import { formSystemOf } from '#core/formwork';
import { braceTurn, drawnForms } from '#core/formwork';
import { overRating } from '#core/pourplan';
import { attempt } from '#core/kit';
import { quantityText } from '#core/units';
import { usePour } from '../../app/pour-context.tsx';
import { useSetFocus } from '../../app/useFocus.ts';
import { useWide } from '../../app/useWide.ts';
import { ElementDrawing } from '../../drawing/ElementDrawing.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { roundValue } from './useTaking.ts';
import { FigureWithWorking } from '../../ui/Working.tsx';

/**
 * A round is walked on the wall itself: press an unread mark to take it as it should be, a read one
 * to look at it again.
 */
export function Round({
  state,
  place,
  onTap,
}: {
  state: PointState;
  place: number;
  onTap: (place: number) => void;
}) {
  const v = usePour();
  const set = useSetFocus();
  const wide = useWide();
  const [boxRef, box] = useSize();
  const { point } = state;
  return (
    <div>
      {wide && (
        <div ref={boxRef} className="h-[140px] w-full">
          <ElementDrawing
            site={v.record.site}
            elementId={point.elementId}
            width={box.width}
            height={140}
            forms={
              point.round === 'forms'
                ? drawnForms(v.record.site, v.record.pour, point.elementId)
                : undefined
            }
            marks={state.places.map((p, i) => ({
              key: String(i),
              atM: point.places[i]?.atM ?? 0,
              upM: point.places[i]?.upM ?? 0,
              verdict: p.verdict,
              label: point.places[i]?.label ?? String(i + 1),
              chosen: i === place,
            }))}
            onPick={(key) => {
              const i = Number(key);
              if (state.places[i]?.verdict === 'unread' && roundValue(point, i)) onTap(i);
              else set({ run: point.elementId, check: point.id, place: i });
            }}
          />
        </div>
      )}
      {point.round === 'forms' && (
        <p className="text-ink2">
          <PressureLine elementId={point.elementId} />
        </p>
      )}
      {point.kind === 'braces' && <TurnLine state={state} place={place} />}
    </div>
  );
}

/** What the planned rate puts on the form, against what it is rated for. */
function PressureLine({ elementId }: { elementId: string }) {
  const v = usePour();
  const rating = v.record.pour.settings.ratingKPa;
  const [worst] = v.plan.pressure
    .filter((p) => p.elementId === elementId)
    .sort((a, b) => b.maxKPa - a.maxKPa);
  if (!worst) return null;
  const over = overRating(worst.maxKPa, rating);
  return (
    <span
      className={over ? 'font-semibold text-chalk-t' : ''}
      data-pressure={over ? 'over' : 'within'}
    >
      as planned{' '}
      <FigureWithWorking name="the pressure" id="form-pressure" input={worst.working}>
        {quantityText(worst.maxKPa, 'KPa', v.units)}
      </FigureWithWorking>{' '}
      on forms rated {quantityText(rating, 'KPa', v.units)}
      {over ? ': pour slower, or in more lifts' : ''}
    </span>
  );
}

/** Which way to turn this brace, and how far, to bring the wall to its lean. */
function TurnLine({ state, place }: { state: PointState; place: number }) {
  const v = usePour();
  const w = state.point.wanted;
  const value = state.places[place]?.reading?.body.value;
  const run = v.record.site.runs.find((r) => r.id === state.point.elementId);
  const brace = formSystemOf({ site: v.record.site, pour: v.record.pour })?.brace;
  if (!brace || w.type !== 'size' || value?.type !== 'length' || run?.topM === undefined)
    return null;
  const heightM = wallHeightM(run);
  const input = {
    offsetMm: value.mm - w.wantedMm,
    wallHeightM: heightM,
    attachHeightM: Math.min(brace.attachM, heightM),
    angleDeg: brace.angleDeg,
    pitchMmPerTurn: brace.pitchMmPerTurn,
    pushOnly: brace.pushOnly,
    toleranceMm: v.rules.value('braceLeave'),
  };
  const turn = attempt(braceTurn, input).done;
  if (!turn) return null;
  const { turns, direction, possible } = turn.result;
  return (
    <p className={possible ? '' : 'font-semibold text-chalk-t'}>
      {direction === 'none' ? (
        'Leave this brace.'
      ) : (
        <>
          Turn this brace{' '}
          <FigureWithWorking name="the turn" id="brace-turn" input={input}>
            {turns.toFixed(1)} turns
          </FigureWithWorking>
          : the wall goes {direction}
          {possible ? '.' : ', and this brace only pushes. Pull it in from the other side.'}
        </>
      )}
    </p>
  );
}
