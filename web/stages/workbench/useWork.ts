import { useMemo } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { calculationNamed } from '#core/register';
import { attempt, type Calculation, type Evaluated, type InputIssue } from '#core/kit';
import { usePour } from '../../app/pour-context.tsx';
import { startOf, type Start } from './defaults.ts';

export interface Work {
  calc: Calculation;
  start: Start;
  input: Record<string, unknown>;
  out: Evaluated<unknown> | null;
  issues: InputIssue[];
}

/** The calculation in hand: its input stands in the address, so that a reload or a link keeps it. */
export function useWork(): {
  work: Work | null;
  setInput: (next: Record<string, unknown> | null) => void;
} {
  const v = usePour();
  const { calc: named = '' } = useParams();
  // The search is too long to run as one types: it has its own sheet on the Plan station.
  const id = named === 'sequence-search' ? '' : named;
  const [params, setParams] = useSearchParams();
  const typed = params.get('in');
  const calc = calculationNamed(id);
  // The clock ticks every second; what the form begins with changes only when its text does.
  const text = calc ? JSON.stringify(startOf(v, id)) : null;
  const start = useMemo(() => (text === null ? null : (JSON.parse(text) as Start)), [text]);
  const work = useMemo((): Work | null => {
    if (!calc || !start) return null;
    let given: Record<string, unknown> = {};
    try {
      given = typed === null ? {} : (JSON.parse(typed) as Record<string, unknown>);
    } catch {
      /* An address cut short: the start stands. */
    }
    const cleared = Object.fromEntries(Object.entries(given).filter(([, x]) => x === null));
    const input = Object.fromEntries(
      Object.entries({ ...start.input, ...given }).filter(([k]) => !(k in cleared)),
    );
    const { done, bad } = attempt(calc, input);
    return { calc, start, input, out: done, issues: bad?.issues ?? [] };
  }, [calc, start, typed]);
  const setInput = (next: Record<string, unknown> | null) => {
    setParams(
      (old) => {
        const q = new URLSearchParams(old);
        if (next === null || !start) {
          q.delete('in');
          return q;
        }
        // Only what differs from the start is kept in the address; what was taken out is kept as nothing.
        const names = new Set([...Object.keys(next), ...Object.keys(start.input)]);
        const changed = [...names]
          .filter((k) => JSON.stringify(next[k]) !== JSON.stringify(start.input[k]))
          .map((k) => [k, next[k] ?? null]);
        if (changed.length) q.set('in', JSON.stringify(Object.fromEntries(changed)));
        else q.delete('in');
        return q;
      },
      { replace: true },
    );
  };
  return { work, setInput };
}
