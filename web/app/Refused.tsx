import { usePour, usePourLog } from './pour-context.tsx';

/** Entries the server would not take, each with why. */
export function Refused() {
  const { store } = usePour();
  return usePourLog().refused.map((r) => (
    <div key={r.id} role="alert" className="mb-3 border-2 border-chalk p-3">
      <p className="font-semibold text-chalk-t">Not taken: {r.reason}</p>
      <button type="button" className="btn line mt-2" onClick={() => void store.dismiss(r.id)}>
        Put away
      </button>
    </div>
  ));
}
