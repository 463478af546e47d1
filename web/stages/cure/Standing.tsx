import { type Curing, stripWords } from '#core/cure';
import { strength, textOf } from '#core/units';
import { momentText } from '#core/view';
import { strengthOrigin } from '../../app/origins.ts';
import { usePour } from '../../app/pour-context.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { Big } from '../../ui/Text.tsx';
import { FigureWithWorking } from '../../ui/Working.tsx';
import { lazily } from '../../ui/lazily.tsx';

const CareLines = lazily(() => import('./CareLines.tsx'));

/** The strength as it stands, and run by run whether its forms may come off. */
export function Standing({ c }: { c: Curing }) {
  const v = usePour();
  const words = stripWords(c, (ms) => momentText(v, ms), v.record.pour.elements, v.units);
  const notYet = c.strip === 'no' ? 'held' : 'unread';
  return (
    <>
      <div className="flex flex-wrap items-end gap-x-4">
        <FigureWithWorking name="the strength" {...strengthOrigin(v)}>
          <Big
            figure={strength(c.strengthMPa, v.units)}
            size={64}
            className={c.strip === 'may' ? 'text-good-t' : ''}
          />
        </FigureWithWorking>
        <p className="pb-1 text-[18px] leading-6">
          <b className="font-semibold">{words.sentence}</b>
          <br />
          {textOf(strength(c.stripMPa, v.units))} and not before {c.floorH} h; now{' '}
          {c.ageH < 100 ? `${c.ageH.toFixed(1)} h` : `${(c.ageH / 24).toFixed(1)} days`}.
        </p>
      </div>
      <div className="rows border-y border-hair">
        {v.record.pour.elements.map((e) => (
          <p key={e} className="flex min-h-11 items-center gap-3 py-1">
            <Mark verdict={c.stripped.includes(e) ? 'good' : notYet} />
            <b className="w-14">{e}</b>
            <span className="flex-1 truncate">{v.elementName(e)}</span>
            <span className="text-ink2">{c.stripped.includes(e) ? 'forms off' : words.run}</span>
          </p>
        ))}
      </div>
      <CareLines c={c} />
    </>
  );
}
