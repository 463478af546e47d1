import { Plus, Trash2 } from 'lucide-react';
import type { SitePlan } from '#core/model';
import { freeName } from '#core/siteplan';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { TypedField } from '../../ui/TypedField.tsx';
import { CellField } from './CellField.tsx';

const named = (text: string): string => text.trim().slice(0, 40);

/**
 * What every level stands on: the benchmark, points of the surveyor, the ground and how deep frost
 * goes. Changed while the plan is.
 */
export function GroundForm() {
  const { plan, apply } = usePlan();
  if (!plan) return null;
  const { benchmark, ground, points } = plan;
  // Of the plan as it stands: the name of one put in a moment ago is taken.
  const add = () =>
    apply((now) => {
      const id = freeName(
        'CP',
        now.points.map((p) => p.id),
      );
      const item = { id, xM: 0, yM: 0, zM: now.benchmark?.elevationM ?? 0 };
      return { do: 'put', list: 'points', item };
    });
  return (
    <section
      aria-label="Benchmark and ground"
      className="flex flex-col gap-2 border-y-2 border-press py-3"
    >
      <Benchmark benchmark={benchmark} points={points} />
      <Ground ground={ground} benchmark={benchmark} />
      <Points points={points} />
      <button type="button" className="chip self-start" onClick={add}>
        <Plus size={18} aria-hidden="true" />
        surveyor’s point
      </button>
    </section>
  );
}

/** A surveyor’s points. */
function Points({ points }: { points: SitePlan['points'] }) {
  const { units } = usePour();
  const { apply } = usePlan();
  const set = (id: string, change: Partial<SitePlan['points'][number]>) =>
    apply({ do: 'change', list: 'points', id, change });
  return points.map((p) => (
    <div key={p.id} className="flex items-end gap-2">
      <b className="w-14 pb-3 font-semibold">{p.id}</b>
      <div className="grid flex-1 grid-cols-3 gap-2">
        <TypedField
          label="East"
          quantity="M"
          units={units}
          value={p.xM}
          onCommit={(xM) => set(p.id, { xM })}
        />
        <TypedField
          label="North"
          quantity="M"
          units={units}
          value={p.yM}
          onCommit={(yM) => set(p.id, { yM })}
        />
        <TypedField
          label="Level"
          quantity="Level"
          units={units}
          value={p.zM ?? null}
          onCommit={(zM) => set(p.id, { zM })}
        />
      </div>
      <button
        type="button"
        className="flex h-12 w-12 items-center justify-center text-chalk-t"
        aria-label={`Remove point ${p.id}`}
        onClick={() => {
          apply({ do: 'remove', list: 'points', id: p.id });
        }}
      >
        <Trash2 size={18} />
      </button>
    </div>
  ));
}

/** How high the ground stands. */
function Ground({
  ground,
  benchmark,
}: {
  ground: SitePlan['ground'];
  benchmark: SitePlan['benchmark'];
}) {
  const { units } = usePour();
  const { apply } = usePlan();
  // Of the plan as it stands: the other figure may have been changed a moment ago.
  const set = (c: Partial<NonNullable<SitePlan['ground']>>) =>
    apply(({ ground: now }) => (now ? { do: 'setGround', ground: { ...now, ...c } } : null));
  return ground ? (
    <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
      <TypedField
        label="Ground outside"
        quantity="Level"
        units={units}
        value={ground.gradeM}
        onCommit={(gradeM) => set({ gradeM })}
      />
      <TypedField
        label="Frost reaches"
        quantity="M"
        units={units}
        value={ground.frostDepthM}
        onCommit={(frostDepthM) => set({ frostDepthM })}
      />
      <button
        type="button"
        className="btn line self-end"
        onClick={() => {
          apply({ do: 'setGround', ground: undefined });
        }}
      >
        Not known
      </button>
    </div>
  ) : (
    <button
      type="button"
      className="btn line"
      onClick={() => {
        apply({
          do: 'setGround',
          ground: {
            gradeM: benchmark?.elevationM ?? 0,
            frostDepthM: units === 'us' ? 1.0668 : 0.8,
          },
        });
      }}
    >
      Say how high the ground lies and how deep frost goes
    </button>
  );
}

/** Where levels come from. */
function Benchmark({
  benchmark,
  points,
}: {
  benchmark: SitePlan['benchmark'];
  points: SitePlan['points'];
}) {
  const { apply } = usePlan();
  const { units } = usePour();
  // Of the plan as it stands: another field may have been changed a moment ago.
  const set = (c: Partial<NonNullable<SitePlan['benchmark']>>) =>
    apply(({ benchmark: now }) =>
      now ? { do: 'setBenchmark', benchmark: { ...now, ...c } } : null,
    );
  return benchmark ? (
    <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
      <label>
        Benchmark
        <span className="mt-0.5 block [&>input]:w-full">
          <CellField
            label="Benchmark"
            value={benchmark.id}
            onCommit={(t) => {
              const id = named(t);
              if (!id) return 'Give it a name.';
              return set({ id }) ? null : '';
            }}
          />
        </span>
      </label>
      <TypedField
        label="stands at"
        quantity="Level"
        units={units}
        value={benchmark.elevationM}
        onCommit={(elevationM) => set({ elevationM })}
      />
      <label>
        what it is
        <span className="mt-0.5 block [&>input]:w-full">
          <CellField
            label="What the benchmark is"
            value={benchmark.label ?? ''}
            onCommit={(t) => (set({ label: t.trim().slice(0, 120) || undefined }) ? null : '')}
          />
        </span>
      </label>
    </div>
  ) : (
    <button
      type="button"
      className="btn line"
      onClick={() => {
        apply({
          do: 'setBenchmark',
          benchmark: {
            id: freeName(
              'BM',
              points.map((p) => p.id),
            ),
            elevationM: units === 'us' ? 30.48 : 100,
          },
        });
      }}
    >
      Give it a benchmark
    </button>
  );
}
