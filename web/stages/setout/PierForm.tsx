import { countedFromText, countedText, isNone, spacedFromText, spacedText } from '#core/exchange';
import type { Pier } from '#core/model';
import { usualCoverMm } from '#core/steel';
import type { UnitSystem } from '#core/units';
import { usePour, usePlan } from '../../app/pour-context.tsx';
import { TypedField } from '../../ui/TypedField.tsx';
import { BarField, type SetSome } from './StandForms.tsx';

/** A pier changed by typing: round or square, its levels, where it stands, and its cage. */
export function PierForm({ pier }: { pier: Pier }) {
  const { units } = usePour();
  const { apply } = usePlan();
  // Of the plan as it stands: another field may have been changed a moment ago.
  const set: SetSome<Pier> = (c) =>
    apply((now) => {
      const is = now.piers.find((x) => x.id === pier.id) ?? pier;
      const change = typeof c === 'function' ? c(is) : c;
      return change && { do: 'change', list: 'piers', id: pier.id, change };
    });
  const round = pier.diameterM !== undefined;
  const sideM = pier.diameterM ?? pier.widthM ?? 0;
  const reshape = (toRound: boolean) =>
    set((now) => {
      const side = now.diameterM ?? now.widthM ?? 0;
      return toRound
        ? { diameterM: side, widthM: undefined, lengthM: undefined }
        : { diameterM: undefined, widthM: side, lengthM: side };
    });
  return (
    <div className="flex flex-col gap-2 border-y-2 border-press py-3">
      <div className="flex gap-2" role="group" aria-label="Shape">
        {(
          [
            ['round', true],
            ['square', false],
          ] as const
        ).map(([word, is]) => (
          <button
            key={word}
            type="button"
            className="chip"
            aria-pressed={round === is}
            onClick={() => {
              if (round !== is) reshape(is);
            }}
          >
            {word}
          </button>
        ))}
      </div>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
        {round ? (
          <TypedField
            label="Across"
            range="pierSide"
            quantity="M"
            units={units}
            value={sideM}
            onCommit={(n) => set({ diameterM: n })}
          />
        ) : (
          <>
            <TypedField
              label="Wide"
              range="padSide"
              quantity="M"
              units={units}
              value={sideM}
              onCommit={(n) => set({ widthM: n })}
            />
            <TypedField
              label="Long"
              range="padSide"
              quantity="M"
              units={units}
              value={pier.lengthM ?? sideM}
              onCommit={(n) => set({ lengthM: n })}
            />
          </>
        )}
        <TypedField
          label="Bottom"
          range="elevation"
          quantity="Level"
          units={units}
          value={pier.bottomM}
          onCommit={(n) => set({ bottomM: n })}
        />
        <TypedField
          label="Top"
          quantity="Level"
          units={units}
          value={pier.topM}
          onCommit={(n) => set({ topM: n })}
        />
        <TypedField
          label="East"
          range="coordinate"
          quantity="M"
          units={units}
          value={pier.xM}
          onCommit={(n) => set({ xM: n })}
        />
        <TypedField
          label="North"
          range="coordinate"
          quantity="M"
          units={units}
          value={pier.yM}
          onCommit={(n) => set({ yM: n })}
        />
      </div>
      <CageFields pier={pier} units={units} set={set} />
      <button
        type="button"
        className="btn warn"
        onClick={() => {
          apply({ do: 'removeElement', id: pier.id });
        }}
      >
        Remove {pier.id}
      </button>
    </div>
  );
}

function CageFields({ pier, units, set }: { pier: Pier; units: UnitSystem; set: SetSome<Pier> }) {
  const s = pier.steel;
  const { ruleProfile } = usePour().record.site;
  const steel = (c: Partial<NonNullable<Pier['steel']>>) =>
    set(({ steel: now }) => (now ? { steel: { ...now, ...c } } : null));
  const uprights = (text: string): string | null => {
    if (isNone(text)) {
      set({ steel: undefined });
      return null;
    }
    const vertical = countedFromText(text, units);
    if (typeof vertical === 'string') return vertical;
    set((now) => ({
      steel: {
        coverMm: usualCoverMm(ruleProfile, 'weather', vertical.bar),
        coverUsual: true,
        ties: null,
        ...now.steel,
        vertical,
      },
    }));
    return null;
  };
  const ties = (text: string): string | null => {
    const got = isNone(text) ? null : spacedFromText(text, units);
    if (typeof got === 'string') return got;
    steel({ ties: got && { bar: got.bar, spacingM: got.spacingM } });
    return null;
  };
  return (
    <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
      <BarField label="Uprights" value={s ? countedText(s.vertical) : 'none'} onText={uprights} />
      {s && (
        <>
          <BarField
            label="Ties"
            value={s.ties ? spacedText(s.ties, units) : 'none'}
            onText={ties}
          />
          <TypedField
            label="Cover"
            quantity="Mm"
            units={units}
            value={s.coverMm}
            onCommit={(n) => steel({ coverMm: n, coverUsual: undefined })}
          />
        </>
      )}
    </div>
  );
}
