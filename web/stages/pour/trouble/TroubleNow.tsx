import { useEffect, useRef, useState } from 'react';
import { TROUBLE_NAME } from '#core/log';
import { type TroubleState, troublesOf } from '#core/pourlog';
import type { WayOn } from '#core/pourplan';
import { momentText } from '#core/view';
import { MORNINGS, peopleFirst, wayFigures, wayWords } from '#core/words';
import { useFocus } from '../../../app/useFocus.ts';
import { usePour } from '../../../app/pour-context.tsx';
import { useSession } from '../../../app/session.tsx';
import { say, sayWrong } from '../../../ui/say.ts';
import { useCall } from '../loads/useCall.ts';
import { Mark } from '../../../ui/Mark.tsx';
import { T } from '../../../ui/Text.tsx';
import { PlantToWait } from './PlantToWait.tsx';
import { useWays } from './useWays.ts';

/** What has gone wrong and is not over: people first, then the ways on. */
export default function TroubleNow() {
  const v = usePour();
  const { tab, set } = useFocus();
  const panel = useRef<HTMLDivElement>(null);
  const open = troublesOf(v.state).filter((t) => t.over === null);
  const asked = tab === 'trouble';
  useEffect(() => {
    if (!asked) return;
    panel.current?.scrollIntoView({ block: 'start' });
    set({ tab: null });
  }, [asked, set]);
  return (
    <div ref={panel} className="flex flex-col gap-3">
      {open.map((t) => (
        <OneTrouble key={t.entry.id} trouble={t} />
      ))}
    </div>
  );
}

const placeOf = ({ entry }: TroubleState): string => entry.body.elementId ?? '';

function OneTrouble({ trouble }: { trouble: TroubleState }) {
  const v = usePour();
  const { entry, way } = trouble;
  const at = placeOf(trouble);
  const people = peopleFirst(entry.body.what, at);
  const when = momentText(v, Date.parse(entry.at));
  return (
    <section
      aria-label={TROUBLE_NAME[entry.body.what]}
      className="flex flex-col gap-2"
      data-trouble
    >
      <div className="flex gap-3 border-b-2 border-ink pb-2">
        <Mark verdict="held" size={30} />
        <div>
          <h2 className="head text-[24px] leading-7">{people.first}</h2>
          <p className="text-[16px] leading-5">{people.then}</p>
        </div>
      </div>
      <p className="flex items-baseline justify-between gap-3">
        <b className="font-semibold">
          {TROUBLE_NAME[entry.body.what]}
          {at ? `, ${at}` : ''}
        </b>
        <span className="text-ink2">recorded {when}</span>
      </p>
      <PlantToWait trouble={trouble} />
      {way ? (
        <p className="flex gap-2 text-[18px] leading-6">
          <Mark verdict="good" />
          <span>
            <b className="font-semibold">{way.body.words}</b>, since{' '}
            {momentText(v, Date.parse(way.at))}.
          </span>
        </p>
      ) : (
        <Ways trouble={trouble} />
      )}
      <Over troubleId={trouble.id} />
    </section>
  );
}

/** What the plant said, over whatever else is on the screen. */
const sayCalled = ({ taken, text }: { taken: boolean; text: string }) => {
  (taken ? say : sayWrong)(text);
};

/** At most three ways, the best first, each with its odds, its price and when it is done. */
function Ways({ trouble }: { trouble: TroubleState }) {
  const v = usePour();
  const ways = useWays(trouble);
  const { account } = useSession();
  const { call } = useCall(sayCalled);
  const at = placeOf(trouble);
  if (ways === null) return <p className="text-ink2">Working out the ways on.</p>;
  if (ways.length === 0) return null;
  const choose = (w: WayOn) => {
    // The truck that is sent for is rung for at once, by who may.
    if (w.id === 'another-truck' && account.role === 'foreman' && !v.plant.mixer)
      void call(v.record.pour.settings.truckM3, 1);
    void v
      .write('way-on', {
        troubleId: trouble.id,
        way: w.id,
        words: wayWords(w, at).title,
      })
      .catch(() => undefined);
  };
  return (
    <div className="flex flex-col gap-2">
      <p className="flex justify-between gap-2 text-ink2">
        <span className="head text-ink">
          {ways.length === 1 ? 'One way on' : `${ways.length} ways on`}
        </span>
        of {MORNINGS} mornings, a seam goes cold
      </p>
      {ways.map((w, i) => (
        <button
          key={w.id}
          type="button"
          data-way={w.id}
          className={`btn min-h-[64px] flex-col items-start px-4 py-2 text-left ${i === 0 ? '' : 'line'}`}
          onClick={() => {
            choose(w);
          }}
        >
          <span className="flex w-full gap-3 text-[18px] leading-6">
            <span className="head">{i + 1}</span>
            <span className="min-w-0 flex-1">{wayWords(w, at).title}</span>
          </span>
          <span className="w-full text-[16px] font-normal leading-5">{wayWords(w, at).detail}</span>
          <span className="flex w-full flex-wrap items-center justify-between gap-x-3 text-[16px] font-normal leading-5">
            <OddsDots share={w.odds.coldSeam} />
            <T>{wayFigures(w, v.record.site.currency, v.units)}</T>
          </span>
        </button>
      ))}
    </div>
  );
}

/** Of twenty mornings so many, as a row of marks. */
function OddsDots({ share }: { share: number }) {
  const n = Math.round(share * MORNINGS);
  return (
    <span className="flex items-center gap-2">
      <svg width={MORNINGS * 7} height="12" aria-hidden="true">
        {Array.from({ length: MORNINGS }, (_, i) =>
          i < n ? (
            <path key={i} d={`M${i * 7 + 3.5} 1l4 5-4 5-4-5Z`} fill="currentColor" />
          ) : (
            <circle key={i} cx={i * 7 + 3.5} cy="6" r="1.3" fill="currentColor" opacity=".7" />
          ),
        )}
      </svg>
      <b className="tnum">
        {n} in {MORNINGS}
      </b>
    </span>
  );
}

/** It is put right: said by a press. */
function Over({ troubleId }: { troubleId: string }) {
  const v = usePour();
  const [busy, setBusy] = useState(false);
  return (
    <button
      type="button"
      className="chip self-start"
      disabled={busy}
      onClick={() => {
        setBusy(true);
        v.write('trouble-over', { troubleId })
          .catch(() => undefined)
          .finally(() => {
            setBusy(false);
          });
      }}
    >
      It is put right
    </button>
  );
}
