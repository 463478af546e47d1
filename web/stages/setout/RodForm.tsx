import type { SetUp } from '#core/check';
import { usePour } from '../../app/pour-context.tsx';
import { useSession } from '../../app/session.tsx';

/** What the rod reads. */
export function RodForm({
  rodM,
  wrong,
  read,
  rod,
  setRod,
  busy,
  setup,
  laser,
  known,
  pointId,
  turn,
}: {
  rodM: number | null;
  /** What is wrong with what is typed. */
  wrong: string | null;
  read: (m: number) => Promise<void>;
  rod: string;
  setRod: (text: string) => void;
  busy: boolean;
  setup: SetUp | undefined;
  laser: (again: boolean) => Promise<void>;
  known: boolean;
  pointId: string;
  turn: (m: number) => Promise<void>;
}) {
  const v = usePour();
  const { demo } = useSession();
  return (
    <form
      className="flex flex-wrap gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (rodM !== null) void read(rodM);
      }}
    >
      <input
        className="field min-w-[140px] flex-1 text-[22px]!"
        aria-label="Rod reading"
        aria-invalid={wrong !== null}
        placeholder={v.units === 'us' ? 'Rod, ft: 4.27' : 'Rod, m: 1.302'}
        inputMode="decimal"
        value={rod}
        onChange={(e) => {
          setRod(e.target.value);
        }}
      />
      <button className="btn" disabled={busy || rodM === null}>
        {setup ? 'Take' : 'Set up here'}
      </button>
      {demo && (
        <button
          type="button"
          className="btn line"
          disabled={busy}
          onClick={() => void laser(false)}
        >
          Laser
        </button>
      )}
      {setup && known && pointId !== setup.onId && (
        <button
          type="button"
          className="btn line"
          disabled={busy || (rodM === null && !demo)}
          onClick={() => {
            if (rodM !== null) void turn(rodM);
            else if (demo) void laser(true);
          }}
        >
          Instrument moved: back-sight on {pointId}
        </button>
      )}
      {wrong && (
        <p role="alert" className="basis-full font-semibold text-chalk-t">
          {wrong}
        </p>
      )}
    </form>
  );
}
