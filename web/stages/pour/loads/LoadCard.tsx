import { judgeSlump, type LoadState } from '#core/pourlog';
import { lengthText, textOf, loadVolume } from '#core/units';
import { LOAD_ADVICE, loadVerdictText, stageText, supplyWords } from '#core/words';
import { ageOrigin } from '../../../app/origins.ts';
import { lazily } from '../../../ui/lazily.tsx';
import { usePour } from '../../../app/pour-context.tsx';
import { SlumpCone } from '../../../drawing/SlumpCone.tsx';
import { useSize } from '../../../drawing/useSize.ts';
import { Mark } from '../../../ui/Mark.tsx';
import { T } from '../../../ui/Text.tsx';
import { FigureWithWorking } from '../../../ui/Working.tsx';

const LoadActs = lazily(() => import('./LoadActs.tsx'));
const LoadMore = lazily(() => import('./LoadMore.tsx'));

/** The load that is here: its slump, its age, and the verdict. */
export default function LoadCard({ load }: { load: LoadState }) {
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
        {supplyWords(v.plant).load} {load.id.replace('L', '')} {stageText(load)}{' '}
        <span className="font-sans text-[16px] font-normal text-ink2">
          {textOf(loadVolume(load.volumeM3 ?? 0, v.units))}
          {load.ticket === null ? '' : `, ticket ${load.ticket}`}
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
      <LoadMore load={load} />
    </section>
  );
}
