import { kindOf } from '#core/log';
import { T } from '../ui/Text.tsx';
import { usePour, usePourLog } from './pour-context.tsx';

/** The register is not fetched for a name: that of a calculation stands as it is written down. */
const calculationTitle = (id: string): string => id;

/** Entries the server would not take, each with why. */
export default function Refused() {
  const { store, units } = usePour();
  return usePourLog().refused.map((r) => (
    <div key={r.id} role="alert" className="mb-3 border-2 border-chalk p-3">
      <p className="font-semibold text-chalk-t">Not taken: {r.reason}</p>
      <p className="mt-1">
        <T>{kindOf(r.event.kind).text(r.event.body, { units, calculationTitle })}</T>, by{' '}
        {r.event.actor}
      </p>
      <button type="button" className="btn line mt-2" onClick={() => void store.dismiss(r.id)}>
        Put away
      </button>
    </div>
  ));
}
