import { countedFromText, countedText, isNone, spacedFromText, spacedText } from '#core/exchange';
import type { Pad } from '#core/model';
import { usualCoverMm } from '#core/steel';
import type { UnitSystem } from '#core/units';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { TypedField } from '../../ui/TypedField.tsx';
import { CellField } from './CellField.tsx';

/** Bars as a drawing writes them; what cannot be read is said under the field. */
export function BarField({
  label,
  value,
  onText,
}: {
  label: string;
  value: string;
  onText: (text: string) => string | null;
}) {
  return (
    <label>
      {label}
      <span className="mt-0.5 block [&>input]:w-full">
        <CellField label={label} value={value} onCommit={onText} />
      </span>
    </label>
  );
}

/** Changes some of a thing; what hangs on the rest of it is made of the thing as it stands. */
export type SetSome<Thing> = (
  c: Partial<Thing> | ((now: Thing) => Partial<Thing> | null),
) => boolean;

/** A pad changed by typing: its size, where it stands, and its bars each way. */
export function PadForm({ pad }: { pad: Pad }) {
  const { units } = usePour();
  const { apply } = usePlan();
  // Of the plan as it stands: another field may have been changed a moment ago.
  const set: SetSome<Pad> = (c) =>
    apply((now) => {
      const is = now.pads.find((x) => x.id === pad.id) ?? pad;
      const change = typeof c === 'function' ? c(is) : c;
      return change && { do: 'change', list: 'pads', id: pad.id, change };
    });
  return (
    <div className="flex flex-col gap-2 border-y-2 border-press py-3">
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
        <TypedField
          label="Wide"
          range="padSide"
          quantity="M"
          units={units}
          value={pad.widthM}
          onCommit={(n) => set({ widthM: n })}
        />
        <TypedField
          label="Long"
          range="padSide"
          quantity="M"
          units={units}
          value={pad.lengthM}
          onCommit={(n) => set({ lengthM: n })}
        />
        <TypedField
          label="Deep"
          range="padDepth"
          quantity="M"
          units={units}
          value={pad.depthM}
          onCommit={(n) => set({ depthM: n })}
        />
        <TypedField
          label="Bottom"
          range="elevation"
          quantity="Level"
          units={units}
          value={pad.bottomM}
          onCommit={(n) => set({ bottomM: n })}
        />
        <TypedField
          label="East"
          range="coordinate"
          quantity="M"
          units={units}
          value={pad.xM}
          onCommit={(n) => set({ xM: n })}
        />
        <TypedField
          label="North"
          range="coordinate"
          quantity="M"
          units={units}
          value={pad.yM}
          onCommit={(n) => set({ yM: n })}
        />
      </div>
      <MatFields pad={pad} units={units} set={set} />
      <button
        type="button"
        className="btn warn"
        onClick={() => {
          apply({ do: 'removeElement', id: pad.id });
        }}
      >
        Remove {pad.id}
      </button>
    </div>
  );
}

function MatFields({ pad, units, set }: { pad: Pad; units: UnitSystem; set: SetSome<Pad> }) {
  const s = pad.steel;
  const m = s?.eachWay;
  const { ruleProfile } = usePour().record.site;
  /** Nobody has given a cover yet: what the code asks for, and marked so. */
  const usual = (bar: string) => {
    const coverMm = usualCoverMm(ruleProfile, 'ground', bar);
    return { coverBottomMm: coverMm, coverSideMm: coverMm, coverUsual: true };
  };
  const steel = (c: Partial<NonNullable<Pad['steel']>>) =>
    set(({ steel: now }) => (now ? { steel: { ...now, ...c } } : null));
  const read = (text: string) => {
    const counted = countedFromText(text, units);
    const got = typeof counted === 'string' ? spacedFromText(text, units) : counted;
    return typeof got === 'string'
      ? `${counted as string}, or ${units === 'us' ? 'No. 5 at 12' : '12 mm at 200'}`
      : got;
  };
  const eachWay = (text: string): string | null => {
    const got = isNone(text) ? null : read(text);
    if (typeof got === 'string') return got;
    set((now) => ({ steel: got ? { ...usual(got.bar), ...now.steel, eachWay: got } : undefined }));
    return null;
  };
  const top = (text: string): string | null => {
    const got = isNone(text) ? undefined : read(text);
    if (typeof got === 'string') return got;
    steel({ topEachWay: got });
    return null;
  };
  const matText = (x: NonNullable<typeof s>['eachWay'] | undefined): string => {
    if (!x) return 'none';
    if (x.count !== undefined) return countedText({ ...x, count: x.count });
    return spacedText({ ...x, spacingM: x.spacingM ?? 0 }, units);
  };
  return (
    <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
      <BarField label="Bars each way" value={matText(m)} onText={eachWay} />
      {s && (
        <>
          <TypedField
            label="Cover below"
            range="cover"
            quantity="Mm"
            units={units}
            value={s.coverBottomMm}
            onCommit={(n) => steel({ coverBottomMm: n, coverUsual: undefined })}
          />
          <TypedField
            label="Cover at sides"
            range="cover"
            quantity="Mm"
            units={units}
            value={s.coverSideMm}
            onCommit={(n) => steel({ coverSideMm: n, coverUsual: undefined })}
          />
          <BarField label="Top mat each way" value={matText(s.topEachWay)} onText={top} />
          {s.topEachWay && (
            <TypedField
              label="Cover above"
              range="cover"
              quantity="Mm"
              units={units}
              value={s.coverTopMm ?? s.coverSideMm}
              onCommit={(n) => steel({ coverTopMm: n, coverUsual: undefined })}
            />
          )}
        </>
      )}
    </div>
  );
}
