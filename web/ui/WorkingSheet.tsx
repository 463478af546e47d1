import { Link } from 'react-router';
import { calculationNamed } from '#core/register';
import { evaluate, sentenceIn, type Step, stepText } from '#core/kit';
import { changeText, rulesBehind, ruleText } from '#core/rules';
import { usePour } from '../app/pour-context.tsx';
import { Sheet } from './Dialog.tsx';
import { Mark } from './Mark.tsx';
import { T } from './Text.tsx';
import type { Origin } from './origin.ts';

/** Inputs longer than this are whole sites or logs: the workbench takes its own. */
const LINKED_INPUT = 1800;

/** The lines of a working in the site's units. */
export function Steps({ steps }: { steps: Step[] }) {
  const { units, record } = usePour();
  const { currency } = record.site;
  return (
    <table className="w-full text-left tnum">
      <tbody className="rows">
        {steps.map((s, i) => (
          <tr key={i}>
            <th className="py-2 pr-3 align-top font-semibold">{s.symbol}</th>
            <td className="py-2 pr-3 align-top text-ink2 [overflow-wrap:anywhere]">
              {s.expression}
            </td>
            <td
              className={`py-2 text-right align-top font-semibold ${stepText(s, units, currency).length < 18 ? 'whitespace-nowrap' : ''}`}
            >
              <T>{stepText(s, units, currency)}</T>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/**
 * The rules of the site behind a calculation: value, source, who changed it, and where the figure
 * went by another value.
 */
export function RulesBehind({ id, input }: Pick<Origin, 'id' | 'input'>) {
  const v = usePour();
  const given = (typeof input === 'object' && input !== null ? input : {}) as Record<
    string,
    unknown
  >;
  const behind = rulesBehind(id).map((r) => ({ ...v.rules.ruled(r.rule), here: given[r.field] }));
  if (behind.length === 0) return null;
  return (
    <section className="mt-3">
      <h3 className="head border-b-2 border-ink pb-0.5">Rules of this site</h3>
      <ul className="rows">
        {behind.map((r) => {
          const changed = changeText(r, v.units);
          const other =
            typeof r.here === 'number' && Math.abs(r.here - r.value) > 1e-9 * Math.abs(r.value)
              ? r.here
              : null;
          return (
            <li key={r.id} className="py-1.5">
              <p className="flex justify-between gap-3">
                <span>{r.title}</span>
                <b className="shrink-0 font-semibold">
                  <T>{ruleText(r.id, r.value, v.units)}</T>
                </b>
              </p>
              <p
                className={`text-[14px] leading-[18px] ${changed ? 'font-semibold text-ochre-t' : 'text-ink2'}`}
              >
                <T>{changed ?? r.source}</T>
              </p>
              {other !== null && (
                <p className="text-[14px] font-semibold leading-[18px]">
                  <T>{`this figure went by ${ruleText(r.id, other, v.units)}`}</T>
                </p>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}

function WorkingBody({ origin }: { origin: Origin }) {
  const v = usePour();
  const calc = calculationNamed(origin.id);
  if (!calc) return null;
  const { steps, cautions } = evaluate(calc, origin.input);
  const link = JSON.stringify(origin.input);
  return (
    <>
      <p className="mb-2">{calc.purpose}</p>
      <p className="mb-3 border-l-4 border-line pl-3 text-ink2 [overflow-wrap:anywhere]">
        {calc.formula}
      </p>
      <Steps steps={origin.only ? steps.filter(origin.only) : steps} />
      <p className="mt-1 text-[14px] leading-[18px] text-ink2">
        Expressions are in SI{v.units === 'us' ? ', values in this site’s units' : ''}.
      </p>
      <RulesBehind id={origin.id} input={origin.input} />
      {cautions.map((c) => (
        <p key={c} className="mt-2 flex gap-2">
          <Mark verdict="held" />
          {sentenceIn(c, v.units)}
        </p>
      ))}
      <p className="mt-3 text-[14px] leading-[18px] text-ink2">
        Source: {calc.source}. {calc.limits}
      </p>
      {link.length < LINKED_INPUT && (
        <Link
          className="btn line mt-4 w-full"
          to={`/pours/${v.record.id}/workbench/${origin.id}?in=${encodeURIComponent(link)}`}
        >
          Try other numbers
        </Link>
      )}
    </>
  );
}

/** The working behind a figure: formula, numbers put in, source, and the rules of the site that stand behind it. */
export default function WorkingSheet({ origin, onClose }: { origin: Origin; onClose: () => void }) {
  return (
    <Sheet open onClose={onClose} title={calculationNamed(origin.id)?.title ?? origin.id}>
      <WorkingBody origin={origin} />
    </Sheet>
  );
}
