import { useState } from 'react';
import { Link } from 'react-router';
import { calculationNamed, SUBJECTS } from '#core/register';
import { attempt } from '#core/kit';
import { entries } from '#core/log';
import { usePour } from '../../app/pour-context.tsx';
import { momentText } from '#core/view';
import { T } from '../../ui/Text.tsx';
import { headlineOf } from './headline.ts';

/** The search takes its time and has its own sheet; every other calculation is worked out as one types. */
const workUrl = (pourId: string, id: string): string =>
  id === 'sequence-search'
    ? `/pours/${pourId}/plan?sheet=search`
    : `/pours/${pourId}/workbench/${id}`;

/** Every calculation by its trade subject, found by a word of its title or purpose. */
export function CalculationList({ columns = false }: { columns?: boolean }) {
  const v = usePour();
  const [find, setFind] = useState('');
  const word = find.trim().toLowerCase();
  const subjects = SUBJECTS.map((s) => ({
    ...s,
    calculations: s.calculations.filter((c) =>
      `${c.title} ${c.purpose} ${c.id}`.toLowerCase().includes(word),
    ),
  })).filter((s) => s.calculations.length);
  const first = subjects[0]?.calculations[0];
  return (
    <section aria-label="Calculations">
      <form
        className="mb-3 flex items-end gap-4"
        onSubmit={(e) => {
          e.preventDefault();
        }}
      >
        <h2 className="head shrink-0 text-[24px] leading-[48px] max-sm:hidden">Work out</h2>
        <label className="flex-1">
          <span className="sr-only">Find a calculation</span>
          <input
            className="field"
            value={find}
            placeholder="Find: pressure, bags, lap…"
            onChange={(e) => {
              setFind(e.target.value);
            }}
          />
        </label>
        {word && first && (
          <Link className="btn" to={workUrl(v.record.id, first.id)}>
            {first.title}
          </Link>
        )}
      </form>
      {subjects.length === 0 && <p>No calculation is called that. Try a part of the word.</p>}
      <div className={columns ? 'columns-3 gap-6' : 'columns-1'}>
        {subjects.map((s) => (
          <div key={s.title} className="mb-3 break-inside-avoid">
            <h3 className="head border-b-2 border-ink pb-0.5">{s.title}</h3>
            <ul className="rows">
              {s.calculations.map((c) => (
                <li key={c.id}>
                  <Link
                    className={`flex items-center font-semibold text-press ${columns ? 'min-h-[30px] text-[15px]' : 'min-h-12 text-[18px]'}`}
                    to={workUrl(v.record.id, c.id)}
                    title={c.purpose}
                  >
                    {c.title}
                  </Link>
                </li>
              ))}
            </ul>
          </div>
        ))}
      </div>
    </section>
  );
}

/** What was kept with this pour, newest first: worked out anew, and opened again with a press. */
export function Kept() {
  const v = usePour();
  const kept = [...entries(v.state, 'worked')].reverse();
  return (
    <section aria-label="Kept with this pour">
      <h2 className="head border-b-2 border-ink pb-0.5">Kept with {v.record.pour.code}</h2>
      {kept.length === 0 && (
        <p className="py-2 text-ink2">
          Nothing yet. What is kept stands in the log, with what was put in, and on the report.
        </p>
      )}
      <div className="rows">
        {kept.map((e) => {
          const calc = calculationNamed(e.body.calculation);
          if (!calc) return null;
          // One kept under an older form of its input opens with what is wrong with it.
          const { done } = attempt(calc, e.body.input);
          const h = done && headlineOf(calc.id, done.result, v.units);
          return (
            <Link
              key={e.id}
              className="flex min-h-14 items-center gap-3 py-1.5"
              to={`/pours/${v.record.id}/workbench/${calc.id}?in=${encodeURIComponent(JSON.stringify(e.body.input))}`}
            >
              <span className="min-w-0 flex-1">
                <b className="font-semibold text-press">{calc.title}</b>
                <span className="block truncate text-ink2">
                  {e.body.note ?? 'no remark'}, {e.actor}, {momentText(v, Date.parse(e.at))}
                </span>
              </span>
              <span className={`big text-[28px] leading-8 ${h?.bad ? 'text-chalk-t' : ''}`}>
                <T>{h?.figure ?? ''}</T>
              </span>
            </Link>
          );
        })}
      </div>
    </section>
  );
}
