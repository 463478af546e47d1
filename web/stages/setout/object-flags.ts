import type { Anchor, Opening, Plate } from '#core/model';

/** Something of an object that is so or not, at a press. */
export interface Flag {
  label: string;
  on: boolean;
  press: () => void;
}

const COATINGS = ['plain', 'galvanised', 'stainless'] as const;

/** How an anchor is set and what it is coated with. */
export function anchorFlags(a: Anchor, change: (c: Partial<Anchor>) => void): Flag[] {
  const coating = COATINGS.map((c): Flag => ({
    label: c,
    on: a.coating === c,
    press: () => {
      change({ coating: a.coating === c ? undefined : c });
    },
  }));
  const set: Flag = {
    label: 'set wet',
    on: a.wetSet,
    press: () => {
      change({ wetSet: !a.wetSet });
    },
  };
  const drilled: Flag = {
    label: 'drilled and glued',
    on: a.drilled === true,
    press: () => {
      change({ drilled: a.drilled !== true });
    },
  };
  return [set, ...(a.kind === 'dowel' ? [drilled] : []), ...coating];
}

export const plateFlags = (p: Plate, change: (c: Partial<Plate>) => void): Flag[] => [
  {
    label: 'a short piece, one bolt',
    on: p.single,
    press: () => {
      change({ single: !p.single });
    },
  },
];

/** How deep a pocket is; other openings go through. */
export const pocketDepth = (o: Opening): number | null =>
  o.kind === 'pocket' ? (o.depthM ?? null) : null;
