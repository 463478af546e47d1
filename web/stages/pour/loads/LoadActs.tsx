import { type LoadState, speaksAgainst, waterFor } from '#core/pourlog';
import { hoseAtM, ifSentBack, outlookOf, placedFrom } from '#core/view';
import { gaugedL, sentBackText, waterAdviceText, waterText } from '#core/words';
import { usePour } from '../../../app/pour-context.tsx';
import { useSetFocus } from '../../../app/useFocus.ts';
import { T } from '../../../ui/Text.tsx';
import { FigureWithWorking } from '../../../ui/Working.tsx';

/** What can be done about a load that is not good: water where it may have some, or back, and what that does. */
export default function LoadActs({ load }: { load: LoadState }) {
  const v = usePour();
  const set = useSetFocus();
  if (!speaksAgainst(load.advice) || load.decision !== null) return null;
  const advice = waterFor(load, v.mix, v.record.site.ruleProfile, placedFrom(v, load.id));
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
