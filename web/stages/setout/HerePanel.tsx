import { formSystemOf } from '#core/formwork';
import { useState } from 'react';
import { type FootingType, type Run, type Stand, standsOf, type WallType } from '#core/model';
import { clearanceVerdict } from '#core/setout';
import { evaluate } from '#core/kit';
import { questionsOf } from '#core/log';
import {
  area,
  barText,
  distanceText,
  lengthText,
  level,
  mass,
  textOf,
  type UnitSystem,
  volume,
} from '#core/units';
import { barsOrigin, takeoffOrigin } from '../../app/origins.ts';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { useSetFocus } from '../../app/useFocus.ts';
import { ElementDrawing } from '../../drawing/ElementDrawing.tsx';
import { SectionDrawing } from '../../drawing/section/SectionDrawing.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { Photos } from '../../photos/Photos.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { Big, T } from '../../ui/Text.tsx';
import { FigureWithWorking, Working } from '../../ui/Working.tsx';
import { ObjectsPanel } from './ObjectsPanel.tsx';
import { RunForm } from './RunForm.tsx';
import { ROLE, useBars } from './useBars.ts';
import type { takeOffOf } from '#core/takeoff';

/** A pad's or pier's size from above: one figure for a square or round one. */
function standSize({ widthM, lengthM }: Stand, units: UnitSystem): string {
  const [width, length] = [lengthText(widthM * 1000, units), lengthText(lengthM * 1000, units)];
  return width === length ? width : `${width.replace(/ (in|mm)$/, '')} × ${length}`;
}

/**
 * What rules at the selected run: its section or elevation, its type, its amounts; its form while
 * the plan is changed.
 */
export function HerePanel({ id }: { id: string }) {
  const v = usePour();
  const plan = usePlan();
  const set = useSetFocus();
  const [boxRef, box] = useSize();
  const [view, setView] = useState<'section' | 'elevation'>('section');
  const bars = useBars();
  const { site } = v.record;
  const spec = site.runs.find((r) => r.id === id);
  const stand = standsOf(site).find((s) => s.id === id);
  const amounts = v.plan.route.takeoff.elements.find((e) => e.id === id);
  const type =
    site.footingTypes.find((t) => t.mark === spec?.type) ??
    site.wallTypes.find((t) => t.mark === spec?.type);
  const bottomM = spec?.bottomM ?? stand?.bottomM;
  if (bottomM === undefined) return <p>Pick a run on the plan.</p>;
  const questions = questionsOf(v.state).filter((q) => q.entry.body.elementIds.includes(id));
  return (
    <>
      <HereHead
        id={id}
        spec={spec}
        stand={stand}
        type={type}
        bottomM={bottomM}
        view={view}
        setView={setView}
      />
      <div ref={boxRef} className="h-[250px] w-full shrink-0">
        {view === 'section' ? (
          <SectionDrawing
            site={site}
            elementId={id}
            width={box.width}
            height={250}
            foam={formSystemOf({ site, pour: v.record.pour })?.kind === 'foam'}
          />
        ) : (
          <ElementDrawing site={site} elementId={id} width={box.width} height={250} marks={[]} />
        )}
      </div>
      {plan.on && (spec ? <RunForm run={spec} /> : null)}
      {plan.on && <ObjectsPanel elementId={id} />}
      {questions.map((q) => (
        <div key={q.id} className="flex items-center gap-3">
          <Mark verdict={q.answer ? 'good' : 'held'} size={22} />
          <p className="min-w-0 flex-1">
            <b className="font-semibold">
              Question {q.entry.body.number}
              {q.answer ? ', answered.' : ' holds this.'}
            </b>{' '}
            {q.entry.body.text}
          </p>
          <button
            type="button"
            className="btn line"
            onClick={() => {
              set({ sheet: `answer:${q.id}` });
            }}
          >
            {q.answer ? 'Look' : 'Answer'}
          </button>
        </div>
      ))}
      <Amounts amounts={amounts} id={id} stand={stand} />
      <div className="rows border-t border-hair">
        {bars
          .filter((b) => b.elementId === id)
          .map((b, i) => (
            <p key={i} className="flex justify-between gap-3 py-2">
              <span className="font-semibold">
                {b.count} × {barText(b.bar)} {ROLE[b.role]}
                {b.hooks ? `, hooked${b.hooks === 1 ? ' one end' : ''}` : ''}
              </span>
              <span className="text-ink2">
                <T>{distanceText(b.lengthM, v.units)}</T>
                {b.laps ? `, ${b.laps} laps` : ''}
              </span>
              <FigureWithWorking name="the bars" className="tnum" {...barsOrigin(v, id)}>
                {textOf(mass(b.massKg, v.units))}
              </FigureWithWorking>
            </p>
          ))}
      </div>
      <div className="flex flex-wrap items-center justify-between gap-2">
        <Working {...takeoffOrigin(v, id)}>Take-off, worked out</Working>
        <span className="flex flex-wrap gap-2">
          <Photos about={{ type: 'element', elementId: id }} />
          <button
            type="button"
            className="chip"
            onClick={() => {
              set({ run: id, sheet: 'question' });
            }}
          >
            Ask a question
          </button>
        </span>
      </div>
    </>
  );
}

function HereHead({
  id,
  spec,
  stand,
  type,
  bottomM,
  view,
  setView,
}: {
  id: string;
  spec: Run | undefined;
  stand: Stand | undefined;
  type: FootingType | WallType | undefined;
  bottomM: number;
  view: 'elevation' | 'section';
  setView: (view: 'section' | 'elevation') => void;
}) {
  const v = usePour();
  const usual = type?.usual ?? v.record.site.pads.find((p) => p.id === id)?.usual;
  return (
    <div className="flex flex-wrap items-start gap-x-4 gap-y-2">
      <h2 className="big text-[40px] leading-10">{id}</h2>
      <div className="min-w-[200px] flex-1">
        <p className="font-semibold">{v.elementName(id)}</p>
        <p className="text-ink2">
          {spec?.type ?? stand?.type},{' '}
          {usual ? (
            <b className="font-semibold text-ochre-t">a usual size only</b>
          ) : (
            `from ${type?.drawing ?? v.record.pour.drawing ?? 'the drawing'}`
          )}
          . <Depth bottomM={bottomM} inGround={spec?.kind !== 'wall' && stand?.kind !== 'pier'} />
        </p>
      </div>
      <div className="flex gap-2" role="group" aria-label="Drawn as">
        {(['section', 'elevation'] as const).map((x) => (
          <button
            key={x}
            type="button"
            className="chip"
            aria-pressed={view === x}
            onClick={() => {
              setView(x);
            }}
          >
            {x === 'elevation' && stand ? { pad: 'plan', pier: 'side' }[stand.kind] : x}
          </button>
        ))}
      </div>
    </div>
  );
}

/** What it takes. */
function Amounts({
  amounts,
  id,
  stand,
}: {
  amounts: ReturnType<typeof takeOffOf>['elements'][number] | undefined;
  id: string;
  stand: Stand | undefined;
}) {
  const v = usePour();
  return (
    amounts && (
      <dl className="grid grid-cols-3 gap-3 border-t-2 border-ink pt-3">
        <div>
          <dt className="text-ink2">concrete</dt>
          <dd>
            <FigureWithWorking name="the concrete" {...takeoffOrigin(v, id)}>
              <Big figure={volume(amounts.concreteM3, v.units)} size={32} />
            </FigureWithWorking>
          </dd>
        </div>
        <div>
          <dt className="text-ink2">forms</dt>
          <dd>
            <FigureWithWorking name="the forms" {...takeoffOrigin(v, id)}>
              <Big figure={area(amounts.formM2, v.units)} size={32} />
            </FigureWithWorking>
          </dd>
        </div>
        <div>
          <dt className="text-ink2">
            {stand ? { pad: 'size', pier: 'across' }[stand.kind] : 'length'}
          </dt>
          <dd className="big whitespace-nowrap text-[24px] leading-8">
            <T>{stand ? standSize(stand, v.units) : distanceText(amounts.lengthM, v.units)}</T>
          </dd>
        </div>
      </dl>
    )
  );
}

/** How deep it lies, against frost where it stands in the ground and not on a footing. */
function Depth({ bottomM, inGround }: { bottomM: number; inGround: boolean }) {
  const v = usePour();
  const { ground } = v.record.site;
  const said = <>Bottom at {textOf(level(bottomM, v.units))}</>;
  if (!ground) return <>{said}.</>;
  const below = ground.gradeM - bottomM;
  if (below <= 0 || !inGround) return <>{said}.</>;
  const input = { footingBottomBelowGradeM: below, frostDepthM: ground.frostDepthM };
  const { result } = evaluate(clearanceVerdict, input);
  return (
    <>
      {said},{' '}
      <FigureWithWorking name="the depth against frost" id="clearance-verdict" input={input}>
        <T>{lengthText(below * 1000, v.units)}</T>
      </FigureWithWorking>{' '}
      under grade.{' '}
      {result.ok ? (
        <>
          Frost reaches <T>{lengthText(ground.frostDepthM * 1000, v.units)}</T>.
        </>
      ) : (
        <b className="font-semibold text-chalk-t">
          Frost reaches <T>{lengthText(ground.frostDepthM * 1000, v.units)}</T>: dig deeper, or ask.
        </b>
      )}
    </>
  );
}
