import { Plus, Scissors, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { sayWrong } from '../../ui/say.ts';
import { angleOf, lengthOf, type Run } from '#core/model';
import { readQuantity } from '../../ui/quantity-text.ts';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { useSetFocus } from '../../app/useFocus.ts';
import { TypedField } from '../../ui/TypedField.tsx';

/** A run changed by typing: its type, length, direction and levels; cut in two, or taken away. */
export function RunForm({ run }: { run: Run }) {
  const v = usePour();
  const { plan, apply, offers } = usePlan();
  const set = useSetFocus();
  const [cut, setCut] = useState('');
  if (!plan) return <p>One moment.</p>;
  const types = run.kind === 'wall' ? plan.wallTypes : plan.footingTypes;
  const change = (
    c: Partial<Pick<Run, 'type' | 'label' | 'bottomM' | 'topM' | 'step' | 'crawl'>>,
  ) => apply({ do: 'setRun', id: run.id, change: c });
  // Of the plan as it stands: the other level may have been changed a moment ago.
  const crawl = (c: Partial<NonNullable<Run['crawl']>>): boolean =>
    apply((now) => {
      const is = now.runs.find((r) => r.id === run.id) ?? run;
      const next = { groundM: 0, joistsM: 0, ...is.crawl, ...c };
      if (next.joistsM > next.groundM) return { do: 'setRun', id: run.id, change: { crawl: next } };
      sayWrong('The joists have to be above the ground of the crawl space.');
      return null;
    });
  const offer = offers.find((o) => o.elementId === run.id);
  const cutAt = readQuantity(cut, 'M', v.units, false);
  return (
    <section
      aria-label={`Change ${run.id}`}
      className="flex flex-col gap-2 border-y-2 border-press py-3"
    >
      <div className="flex flex-wrap gap-2" role="group" aria-label="Type">
        {types.map((t) => (
          <button
            key={t.mark}
            type="button"
            className="chip"
            aria-pressed={t.mark === run.type}
            onClick={() => {
              change({ type: t.mark });
            }}
          >
            {t.mark}
          </button>
        ))}
      </div>
      <RunSizes run={run} change={change} />
      <CrawlFields run={run} crawl={crawl} change={change} />
      <label>
        Called
        <input
          className="field mt-0.5"
          defaultValue={run.label ?? ''}
          key={run.id}
          onBlur={(e) => {
            const label = e.target.value.trim();
            if (label !== (run.label ?? '')) change({ label: label || undefined });
          }}
        />
      </label>
      <div className="flex flex-wrap items-end gap-2">
        <label className="flex-1">
          Cut it at, from {run.from}
          <input
            className="field mt-0.5"
            value={cut}
            onChange={(e) => {
              setCut(e.target.value);
            }}
          />
        </label>
        <button
          type="button"
          className="btn line"
          disabled={cutAt === null || Number.isNaN(cutAt)}
          onClick={() => {
            if (cutAt !== null && apply({ do: 'splitRun', id: run.id, atM: cutAt })) setCut('');
          }}
        >
          <Scissors size={18} aria-hidden="true" />
          Cut
        </button>
        <button
          type="button"
          className="btn warn"
          onClick={() => {
            if (apply({ do: 'removeElement', id: run.id })) set({ run: null });
          }}
        >
          <Trash2 size={18} aria-hidden="true" />
          Remove {run.id}
        </button>
      </div>
      {offer && (
        <p className="flex items-center gap-3">
          <span className="flex-1">{offer.text}</span>
          <button
            type="button"
            className="btn line"
            onClick={() => {
              apply(offer.edit);
            }}
          >
            Put one under it
          </button>
        </p>
      )}
    </section>
  );
}

/** The crawl space inside a wall. */
function CrawlFields({
  run,
  crawl,
  change,
}: {
  run: Run;
  crawl: (c: Partial<NonNullable<Run['crawl']>>) => boolean;
  change: (
    c: Partial<Pick<Run, 'type' | 'label' | 'bottomM' | 'topM' | 'step' | 'crawl'>>,
  ) => boolean;
}) {
  const v = usePour();
  return (
    run.topM !== undefined &&
    run.kind === 'wall' &&
    (run.crawl ? (
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-4" role="group" aria-label="Crawl space">
        <TypedField
          label="Crawl ground"
          range="elevation"
          quantity="Level"
          units={v.units}
          value={run.crawl.groundM}
          onCommit={(groundM) => crawl({ groundM })}
        />
        <TypedField
          label="Joists over it"
          range="elevation"
          quantity="Level"
          units={v.units}
          value={run.crawl.joistsM}
          onCommit={(joistsM) => crawl({ joistsM })}
        />
        <button
          type="button"
          className="chip self-end"
          onClick={() => {
            change({ crawl: undefined });
          }}
        >
          no crawl space
        </button>
      </div>
    ) : (
      <button
        type="button"
        className="chip self-start"
        onClick={() => {
          change({
            crawl: {
              joistsM: run.topM ?? 0,
              groundM: Math.max(run.bottomM, (run.topM ?? 0) - v.rules.value('crawl')),
            },
          });
        }}
      >
        <Plus size={18} aria-hidden="true" />
        crawl space inside
      </button>
    ))
  );
}

/** Length, direction and levels of a run. */
function RunSizes({
  run,
  change,
}: {
  run: Run;
  change: (
    c: Partial<Pick<Run, 'type' | 'label' | 'bottomM' | 'topM' | 'step' | 'crawl'>>,
  ) => boolean;
}) {
  const v = usePour();
  const { plan, apply } = usePlan();
  if (!plan) return null;
  return (
    <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
      <TypedField
        label="Length"
        range="runLength"
        quantity="M"
        units={v.units}
        value={lengthOf(plan, run)}
        onCommit={(lengthM) => apply({ do: 'setLength', id: run.id, lengthM })}
      />
      <TypedField
        label="From east"
        quantity="Deg"
        units={v.units}
        value={angleOf(plan, run)}
        onCommit={(angleDeg) => apply({ do: 'setAngle', id: run.id, angleDeg })}
      />
      <TypedField
        label="Bottom"
        range="elevation"
        quantity="Level"
        units={v.units}
        value={run.bottomM}
        onCommit={(bottomM) => change({ bottomM })}
      />
      {run.topM !== undefined && (
        <TypedField
          label="Top"
          range="elevation"
          quantity="Level"
          units={v.units}
          value={run.topM}
          onCommit={(topM) => change({ topM })}
        />
      )}
      {run.kind !== 'wall' && (
        <TypedField
          label="Step lap"
          range="padSide"
          quantity="M"
          units={v.units}
          value={run.step?.lapM ?? null}
          onCommit={(lapM) => change({ step: lapM > 0 ? { lapM } : null })}
        />
      )}
    </div>
  );
}
