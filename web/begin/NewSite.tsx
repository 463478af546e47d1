import { ArrowRight } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { LENGTHS_TO, MADE_OF } from '#core/begin';
import { textOf, volume } from '#core/units';
import { BackRail } from '../app/BackRail.tsx';
import { FigureStrip } from './FigureStrip.tsx';
import { Choice } from './Choice.tsx';
import { HeadFields } from './HeadFields.tsx';
import { LengthRows } from './LengthRows.tsx';
import { draftFaults, makeSite } from './make-site.ts';
import { ShapeChoice } from './ShapeChoice.tsx';
import { MADE_WORDS, TO_WORDS } from './shape-words.ts';
import { SizeFields } from './SizeFields.tsx';
import { SketchGround } from './SketchGround.tsx';
import { forgetDraft, type SketchWork, useSketch } from './useSketch.ts';

/** A site from nothing: four answers, then a first plan that draws itself from lengths off the tape. */
export function NewSite() {
  const work = useSketch();
  const make = useMaking(work);
  const { draft, figures } = work;
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <BackRail
        title={draft.name.trim() || 'New site'}
        tells="kept on this device until it is made"
        help="new"
      />
      <main className="grid min-h-0 flex-1 grid-cols-1 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <div className="flex min-h-[230px] flex-col max-lg:sticky max-lg:top-0 max-lg:z-10 max-lg:h-[230px] max-lg:border-b-2 max-lg:border-ink max-lg:bg-ground lg:min-h-0">
          <div className="min-h-0 flex-1">
            <SketchGround
              sketch={work.sketch}
              drawn={work.drawn}
              figures={figures}
              units={draft.units}
            />
          </div>
          <div className="max-lg:hidden">
            <FigureStrip figures={figures} units={draft.units} />
          </div>
        </div>
        <SketchBench work={work} make={make} />
      </main>
      <MakeLine work={work} make={make} />
    </div>
  );
}

type Making = ReturnType<typeof useMaking>;

/** Makes the site when all that it needs is there; says what is missing beside its field. */
function useMaking({ draft, whole }: SketchWork) {
  const navigate = useNavigate();
  const [busy, setBusy] = useState(false);
  const [asked, setAsked] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const faults = draftFaults(draft);
  const go = async (drawn: boolean) => {
    setAsked(true);
    if (drawn && !whole) return;
    if (Object.keys(faults).length > 0) {
      document.querySelector('[data-head]')?.scrollIntoView({ block: 'start' });
      return;
    }
    setBusy(true);
    setRefused(null);
    try {
      const { id, pours } = await makeSite(draft, drawn);
      forgetDraft();
      const first = pours[0];
      await navigate(first ? `/pours/${first.id}/setout` : `/sites/${id}`);
    } catch (e) {
      setRefused(e instanceof Error ? e.message : 'That did not work.');
      setBusy(false);
    }
  };
  return { busy, refused, wrong: asked ? faults : {}, go, whole };
}

function SketchBench({ work, make }: { work: SketchWork; make: Making }) {
  const { draft, change } = work;
  const runs = draft.shape !== 'pads' && draft.shape !== 'beam';
  return (
    <div className="flex flex-col gap-2.5 border-l border-line bg-sheet p-4 lg:overflow-auto">
      <div data-head="">
        <HeadFields draft={draft} change={change} wrong={make.wrong} />
      </div>
      <div className="flex items-baseline justify-between border-t-2 border-ink pt-2">
        <h2 className="head text-[20px] leading-6">The first plan</h2>
        <span className="text-ink2">type lengths, it draws itself</span>
      </div>
      <ShapeChoice
        value={draft.shape}
        onPick={(shape) => {
          change({ shape });
        }}
      />
      <div className="grid grid-cols-1 gap-2 sm:grid-cols-2">
        {' '}
        {runs && (
          <Choice
            label="Made of"
            options={MADE_OF}
            words={MADE_WORDS}
            value={draft.madeOf}
            onPick={(madeOf) => {
              change({ madeOf });
            }}
          />
        )}
        {draft.shape !== 'pads' && draft.shape !== 'piece' && (
          <Choice
            label="Lengths to"
            options={LENGTHS_TO}
            words={TO_WORDS}
            value={draft.to}
            onPick={(to) => {
              change({ to });
            }}
          />
        )}
      </div>{' '}
      <SizeFields work={work} />
      <LengthRows
        work={work}
        finish={() => {
          void make.go(true);
        }}
      />
      <p className="text-[14px] leading-[18px] text-ink2">
        Sizes and bars are usual ones, not designed. Set out asks to compare them with the drawing.
      </p>
    </div>
  );
}

/** The foot of the screen: what is wanted next, and the press that makes the site. */
function MakeLine({ work, make }: { work: SketchWork; make: Making }) {
  const { draft, figures, wanted, whole } = work;
  const missing = wanted.find((w) => draft.typed[w.id] == null);
  const nothing = figures.after.length === 0;
  const sentence = () => {
    if (make.refused) return make.refused;
    if (make.wrong.name ?? make.wrong.place) return make.wrong.name ?? make.wrong.place;
    const volumeText = textOf(volume(figures.concreteM3, draft.units, 1));
    if (whole) return `${volumeText} neat. Levels, steps and openings come on Set out.`;
    if (nothing) return `Type the ${missing?.label ?? 'first length'}.`;
    return `${volumeText} so far. Next: ${missing?.label ?? 'put right what is marked'}.`;
  };
  return (
    <footer className="next sticky bottom-0 min-h-16 py-2">
      <span className="head hidden text-[14px] text-ink2 sm:inline">Next</span>
      <p role={make.refused ? 'alert' : undefined}>{sentence()}</p>
      {nothing && (
        <button
          type="button"
          className="btn line"
          disabled={make.busy}
          onClick={() => void make.go(false)}
        >
          Without a plan yet
        </button>
      )}
      {!nothing && (
        <button
          type="button"
          className="btn"
          disabled={make.busy || !make.whole}
          onClick={() => void make.go(true)}
        >
          Make the site
          <ArrowRight size={22} aria-hidden="true" />
        </button>
      )}
    </footer>
  );
}
