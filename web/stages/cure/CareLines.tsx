import type { Curing } from '#core/cure';
import { careIn, momentText } from '#core/view';
import { careTexts } from '#core/words';
import { usePour } from '../../app/pour-context.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';
import { Accepted } from './Accepted.tsx';

/** What its tests said, and how the concrete is to be kept, and until when: from freezing, from cooling fast, from drying. */
export default function CareLines({ c }: { c: Curing }) {
  const v = usePour();
  const care = careIn(v.record, v, c, v.weather, v.state);
  return (
    <>
      {c.acceptance && <Accepted acceptance={c.acceptance} />}
      <section aria-label="How it is kept" className="rows border-y border-hair">
        {careTexts(care, (ms) => momentText(v, ms), v.units, v.nowMs).map(({ text, tone }) => (
          <p key={text} className="flex min-h-11 items-center gap-3 py-1">
            <Mark verdict={tone} />
            <span className={tone === 'out' ? 'font-semibold text-chalk-t' : ''}>
              <T>{text}</T>
            </span>
          </p>
        ))}
      </section>
    </>
  );
}
