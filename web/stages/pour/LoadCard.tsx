import { judgeSlump, type LoadState, speaksAgainst, waterFor } from '#core/pourlog';
import { clockText, lengthText, textOf, volume } from '#core/units';
import { hoseAtM, ifSentBack, outlookOf, placedFrom } from '#core/view';
import {
  gaugedL,
  LOAD_ADVICE,
  loadVerdictText,
  sentBackText,
  waterAdviceText,
  waterText,
} from '#core/words';
import { ageOrigin } from '../../app/origins.ts';
import { useSetFocus } from '../../app/useFocus.ts';
import { usePour } from '../../app/pour-context.tsx';
import { SlumpCone } from '../../drawing/SlumpCone.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { Mark } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';

/** The load that comes next, while none is here. */
export function NextLoad({ id }: { id: string }) {
  const v = usePour();
  const i = v.plan.loadIds.indexOf(id);
  const load = v.plan.trucks.result.loads[i];
  return load ? (
    <p className="border-t border-hair pt-2">
      <b className="head text-[22px] leading-7">Load {id.replace('L', '')}</b>{' '}
      <span className="text-ink2">
        {textOf(volume(load.volumeM3, v.units, 1))}, batched about {clockText(load.batchMin)}, due{' '}
        {clockText(load.arriveMin)}
      </span>
    </p>
  ) : null;
}

/** The load at the chute: its slump, its age, and the verdict. */
export function LoadCard({ load }: { load: LoadState }) {
  const v = usePour();
  const [boxRef, box] = useSize();
  const range = judgeSlump(
    v.mix,
    v.record.site.ruleProfile,
    load.slump?.measuredMm ?? v.mix.slumpMm,
    load.slump?.where ?? 'truck',
  ).result;
  return (
    <section aria-label={`Load ${load.id}`} className="border-t border-hair pt-2">
      <h2 className="head text-[22px] leading-7">
        Load {load.id.replace('L', '')} at the chute{' '}
        <span className="font-sans text-[16px] font-normal text-ink2">
          {textOf(volume(load.volumeM3 ?? 0, v.units, 1))}, ticket {load.ticket}
        </span>
      </h2>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-3">
        <div ref={boxRef}>
          <SlumpCone
            width={box.width}
            height={120}
            measuredMm={load.slump?.measuredMm ?? null}
            lowMm={range.lowMm}
            highMm={range.highMm}
            targetMm={v.mix.slumpMm}
            units={v.units}
            good={range.verdict === 'accept'}
          />
        </div>
        <div>
          <div className="flex gap-5">
            <p>
              <span className="text-ink2">slump</span>
              <br />
              <span
                className={`big text-[40px] leading-10 ${load.slump && load.slump.verdict !== 'accept' ? 'text-chalk-t' : ''}`}
                data-slump
              >
                {load.slump ? (
                  <FigureWithWorking
                    name="the slump’s range"
                    id="slump-verdict"
                    input={load.slump.input}
                  >
                    <T>{lengthText(load.slump.measuredMm, v.units).replace(/ (in|mm)$/, '')}</T>
                  </FigureWithWorking>
                ) : (
                  '–'
                )}
              </span>
            </p>
            <p>
              <span className="text-ink2">age, min</span>
              <br />
              <span className={`big text-[40px] leading-10 ${load.overAge ? 'text-chalk-t' : ''}`}>
                <FigureWithWorking name="the load’s age" {...ageOrigin(load)}>
                  {Math.round(load.ageMin ?? 0)}
                </FigureWithWorking>
              </span>
              <span className="big text-[18px]"> of {v.mix.maxAgeMin}</span>
            </p>
          </div>
          <p
            className="flex items-center gap-2 pt-1 text-[18px] font-semibold leading-6"
            data-load-verdict={load.advice}
          >
            <Mark verdict={LOAD_ADVICE[load.advice].tone} />
            <span>
              <T>{loadVerdictText(load, v.units)}</T>
            </span>
          </p>
        </div>
      </div>
      <LoadActs load={load} />
    </section>
  );
}

/** What can be done about a load that is not good: water where it may have some, or back, and what that does. */
function LoadActs({ load }: { load: LoadState }) {
  const v = usePour();
  const set = useSetFocus();
  if (!speaksAgainst(load.advice) || load.decision !== null) return null;
  const advice = waterFor(load, v.mix, placedFrom(v, load.id));
  const may = advice !== null && gaugedL(advice.result.addL, v.units) > 0;
  const after = ifSentBack(v, load.id);
  const back = after && sentBackText(after, outlookOf(v), hoseAtM(v), v.units);
  return (
    <div className="flex flex-col gap-2 pt-2">
      {advice && (
        <p>
          <FigureWithWorking name="the water" id="water-addition" input={advice.input}>
            <T>{waterAdviceText(advice, v.units)}</T>
          </FigureWithWorking>
        </p>
      )}
      <div className="grid grid-cols-[minmax(0,2fr)_minmax(0,1fr)] gap-2">
        <button
          type="button"
          className={`btn min-h-[60px] ${may ? '' : 'line'}`}
          onClick={() => {
            set({ sheet: `${may ? 'water' : 'decide'}:${load.id}` });
          }}
        >
          {may ? `Add water, ${waterText(advice.result.addL, v.units)}` : 'Decide'}
        </button>
        <button
          type="button"
          className="btn warn min-h-[60px]"
          onClick={() => {
            set({ sheet: `decide:${load.id}` });
          }}
        >
          Send back
        </button>
      </div>
      {back && (
        <p className={back.bad ? 'font-semibold text-chalk-t' : 'text-ink2'} data-if-sent-back>
          <T>{back.text}</T>
        </p>
      )}
    </div>
  );
}
