import { counted, textOf, volume } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { useSetFocus } from '../../../app/useFocus.ts';
import { Mark } from '../../../ui/Mark.tsx';
import { Big } from '../../../ui/Text.tsx';
import { usePlanned } from '../planned.tsx';
import { useCrew } from './useCrew.ts';

/** Who: the jobs of this pour with who does each, and what a missing hand does to the rate. */
export default function WhoBench() {
  const v = usePour();
  const set = useSetFocus();
  const { record, settings, change } = usePlanned();
  const { jobs, hands } = useCrew();
  const { crew } = record.site;
  const missing = jobs.filter((j) => j.name === null);
  const perHand = v.rules.value('handRate');
  const tell = (i: number, name: string) => {
    const told = jobs.flatMap((j, k) => {
      const stood = j.told ? j.name : null;
      const who = k === i ? name : stood;
      return who ? [{ job: j.job, name: who }] : [];
    });
    void change({ crew: told });
  };
  return (
    <div className="flex flex-col gap-3">
      <div className="flex items-end gap-4">
        <Big figure={{ value: String(hands), unit: hands === 1 ? 'hand' : 'hands' }} size={48} />
        <p className="pb-1 leading-5">
          place about <b className="font-semibold">{textOf(volume(hands * perHand, v.units, 0))}</b>{' '}
          an hour.
          <br />
          <span className="text-ink2">
            {volume(perHand, v.units, 1).value} {volume(0, v.units).unit} a hand, by the site’s rule
          </span>
        </p>
      </div>
      {missing.length > 0 && (
        <p className="flex gap-2 font-semibold text-chalk-t" data-short-of-hands>
          <Mark verdict="out" />
          {counted(missing.length, 'job')} without a hand: {missing.map((m) => m.job).join(', ')}.
          {` Each hand less takes ${textOf(volume(perHand, v.units, 1))} an hour off the rate.`}
        </p>
      )}
      <ul className="rows">
        {jobs.map((j, i) => (
          <li key={i} className="flex items-center gap-3 py-1" data-job={j.job}>
            <Mark verdict={j.name === null ? 'out' : 'good'} />
            <span className="min-w-0 flex-1 leading-5">
              <b className="font-semibold">{j.job}</b>
              <span className="block text-[14px] text-ink2">{j.why}</span>
            </span>
            <select
              className="field max-w-44"
              aria-label={`Who does ${j.job}: ${j.why}`}
              value={j.name ?? ''}
              onChange={(e) => {
                tell(i, e.target.value);
              }}
            >
              <option value="">{j.name === null ? 'nobody yet' : 'let it be found'}</option>
              {crew.map((c) => (
                <option key={c.name} value={c.name}>
                  {c.name}
                  {c.jobs.includes(j.job) ? '' : ', not their job'}
                </option>
              ))}
            </select>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="chip"
          onClick={() => {
            set({ sheet: 'crew' });
          }}
        >
          The crew of this site
        </button>
        {settings.crew.length > 0 && (
          <button
            type="button"
            className="chip"
            onClick={() => {
              void change({ crew: [] });
            }}
          >
            Let all be found
          </button>
        )}
      </div>
    </div>
  );
}
