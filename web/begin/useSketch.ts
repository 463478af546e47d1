import { useEffect, useMemo, useState } from 'react';
import { v4 as uuid } from 'uuid';
import {
  drawSketch,
  type LengthsTo,
  type MadeOf,
  type Shape,
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

/** Sizes typed over the usual ones, m. */
export interface Sizes {
  footingWidthM?: number;
  footingDepthM?: number;
  wallThicknessM?: number;
  wallHeightM?: number;
  padWidthM?: number;
  padLengthM?: number;
  padDepthM?: number;
}
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

function kept(): Draft {
  try {
    const text = localStorage.getItem(KEPT);
    return text ? { ...fresh(), ...(JSON.parse(text) as Partial<Draft>) } : fresh();
  } catch {
    return fresh();
  }
}
export const forgetDraft = (): void => {
  localStorage.removeItem(KEPT);
};

/** The sketch that a draft comes to: usual types of its rules, with the sizes that were typed over them. */
export function sketchOf({ shape, madeOf, to, typed, sizes, ruleProfile }: Draft): Sketch {
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

/** A new site as it is being typed, and what it comes to. */
export function useSketch() {
  const [draft, setDraft] = useState(kept);
  useEffect(() => {
    localStorage.setItem(KEPT, JSON.stringify(draft));
  }, [draft]);
  const sketch = useMemo(() => sketchOf(draft), [draft]);
  const figures = useMemo(() => sketchFigures(sketch), [sketch]);
  const drawn = useMemo(() => drawSketch(sketch), [sketch]);
  const change = (over: Partial<Draft>) => {
    setDraft((d) => ({ ...d, ...over }));
  };
  return {
    draft,
    change,
    sketch,
    figures,
    drawn,
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
