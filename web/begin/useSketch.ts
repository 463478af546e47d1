import { useEffect, useMemo, useState } from 'react';
import { v7 as uuid } from 'uuid';
import {
  drawSketch,
  judgeSizes,
  judgeTyped,
  type LengthsTo,
  type MadeOf,
  type Shape,
  type Sizes,
  sizesWanted,
  type Sketch,
  sketchFigures,
  type Typed,
  USUAL_WALL_M,
  usualBeam,
  usualFooting,
  usualPad,
  usualWall,
  WANTED,
} from '#core/begin';
import type { RuleProfile } from '#core/model';
import type { UnitSystem } from '#core/units';

/** All that is typed of a new site; kept on the device until the site is made. */
export interface Draft {
  id: string;
  name: string;
  where: string;
  place: string;
  units: UnitSystem;
  ruleProfile: RuleProfile;
  shape: Shape;
  madeOf: MadeOf;
  to: LengthsTo;
  typed: Typed;
  sizes: Sizes;
}

const KEPT = 'new-site';

/** A device set to American English measures in feet. */
const fresh = (): Draft => {
  const us = navigator.language === 'en-US';
  return {
    id: uuid(),
    name: '',
    where: '',
    place: '',
    units: us ? 'us' : 'metric',
    ruleProfile: us ? 'us-aci' : 'metric-en',
    shape: 'ring',
    madeOf: 'footing',
    to: 'middle',
    typed: {},
    sizes: {},
  };
};

/** The figures among what was kept. */
const figuresOf = (kept: object = {}): Record<string, number> =>
  Object.fromEntries(Object.entries(kept).filter(([, v]) => Number.isFinite(v)));

/** What was kept; what of it can be drawn no more is left out, so that the screen opens. */
function kept(): Draft {
  try {
    const text = localStorage.getItem(KEPT);
    const read = text ? (JSON.parse(text) as Partial<Draft>) : {};
    const draft = {
      ...fresh(),
      ...read,
      typed: figuresOf(read.typed),
      sizes: figuresOf(read.sizes),
    };
    try {
      sketchFigures(sketchOf(draft));
      return draft;
    } catch {
      const { shape, madeOf, to, typed, sizes } = fresh();
      return { ...draft, shape, madeOf, to, typed, sizes };
    }
  } catch {
    return fresh();
  }
}
export const forgetDraft = (): void => {
  localStorage.removeItem(KEPT);
};

/**
 * The sketch that a draft comes to: usual types of its rules, with the sizes that were typed over
 * them. What cannot be is as if it were not typed.
 */
export function sketchOf(draft: Draft): Sketch {
  const { shape, madeOf, to, ruleProfile, units } = draft;
  const sizes = judgeSizes(draft.sizes, units).can;
  const typed = judgeTyped(shape, draft.typed, units).can;
  const base = shape === 'beam' ? usualBeam(ruleProfile, 'GB1') : usualFooting(ruleProfile, 'F1');
  const wall = usualWall(ruleProfile, 'W1');
  const pad = usualPad(ruleProfile);
  return {
    shape,
    madeOf,
    to,
    typed,
    footing: {
      ...base,
      widthM: sizes.footingWidthM ?? base.widthM,
      depthM: sizes.footingDepthM ?? base.depthM,
    },
    wall: { ...wall, thicknessM: sizes.wallThicknessM ?? wall.thicknessM },
    wallHeightM: sizes.wallHeightM ?? USUAL_WALL_M[ruleProfile],
    pad: {
      ...pad,
      widthM: sizes.padWidthM ?? pad.widthM,
      lengthM: sizes.padLengthM ?? pad.lengthM,
      depthM: sizes.padDepthM ?? pad.depthM,
    },
  };
}

/** Why sizes that this sketch wants cannot be; what it does not want is not in the way. */
function wrongSizes({ sizes, units, shape, madeOf }: Draft): Record<string, string> {
  const wanted = new Set<string>(sizesWanted(shape, madeOf));
  const { wrong } = judgeSizes(sizes, units);
  return Object.fromEntries(Object.entries(wrong).filter(([name]) => wanted.has(name)));
}

/** A new site as it is being typed, and what it comes to. */
export function useSketch() {
  const [draft, setDraft] = useState(kept);
  useEffect(() => {
    localStorage.setItem(KEPT, JSON.stringify(draft));
  }, [draft]);
  const sketch = useMemo(() => sketchOf(draft), [draft]);
  const figures = useMemo(() => sketchFigures(sketch), [sketch]);
  const drawn = useMemo(() => drawSketch(sketch), [sketch]);
  const wrong = useMemo(
    () => ({
      sizes: wrongSizes(draft),
      lengths: {
        ...drawn.traced.wrong,
        ...judgeTyped(draft.shape, draft.typed, draft.units).wrong,
      },
    }),
    [draft, drawn],
  );
  const change = (over: Partial<Draft>) => {
    setDraft((d) => ({ ...d, ...over }));
  };
  return {
    draft,
    change,
    sketch,
    figures,
    drawn,
    /** Why what is typed cannot be, by what it is called. */
    wrong,
    /** Everything is typed, and all of it can be. */
    whole: figures.whole && Object.keys({ ...wrong.sizes, ...wrong.lengths }).length === 0,
    wanted: WANTED[draft.shape],
    /** Another shape keeps the lengths that it wants too. */
    type: (id: string, value: number | null) => {
      setDraft((d) => ({ ...d, typed: { ...d.typed, [id]: value } }));
    },
    size: (over: Sizes) => {
      setDraft((d) => ({ ...d, sizes: { ...d.sizes, ...over } }));
    },
  };
}
export type SketchWork = ReturnType<typeof useSketch>;
