// Some of a thing is changed by somebody who saw it a moment ago; it may be another by now.
import { describe, expect, test } from '@jest/globals';
import { demoPour } from '../testdata/demo.ts';
import { type Drawn, drawnOf } from './drawn.ts';
import type { PlanEdit } from './edit/acts.ts';
import { applyEdit } from './edit/apply.ts';

const { site, pour } = demoPour('quillback', 'P2');
const plan = drawnOf(site, [pour]);
const after = (edit: PlanEdit) => applyEdit(site, plan, edit);
const run = (p: Drawn, id: string) => {
  const r = p.runs.find((x) => x.id === id);
  if (!r) throw new Error(id);
  return r;
};

describe('a change of some of a thing', () => {
  const opened = after({
    do: 'putOpening',
    id: 'N',
    index: null,
    opening: { kind: 'sleeve', mark: 'S1', atM: 0.3, widthM: 0.1, sillM: 0.3, headM: 0.4 },
  });
  const seenIn = (index: number) => {
    const opening = run(opened, 'N').openings[index];
    if (!opening) throw new Error(`N has no opening ${index}`);
    return { index, opening };
  };
  const on = (before: Drawn, edit: PlanEdit) => applyEdit(site, before, edit);
  const last = run(opened, 'N').openings.length - 1;

  test('leaves what was changed a moment ago, though the two were made of the same sight', () => {
    const [bolt] = plan.anchors;
    if (!bolt) throw new Error('no bolt');
    const { id } = bolt;
    const moved = on(plan, { do: 'change', list: 'anchors', id, change: { atM: 1.25 } });
    const both = on(moved, { do: 'change', list: 'anchors', id, change: { projectionMm: 70 } });
    expect(both.anchors[0]).toEqual({ ...bolt, atM: 1.25, projectionMm: 70 });
    const seen = seenIn(last);
    const wide = on(opened, { do: 'changeOpening', id: 'N', seen, change: { widthM: 0.15 } });
    const placed = on(wide, { do: 'changeOpening', id: 'N', seen, change: { atM: 0.5 } });
    expect(run(placed, 'N').openings[last]).toMatchObject({ atM: 0.5, widthM: 0.15 });
  });
  test('follows an opening whose place in the list is another by now, and takes no other for it', () => {
    const fewer = on(opened, { do: 'removeOpening', id: 'N', seen: seenIn(0) });
    const seen = seenIn(last);
    const placed = on(fewer, { do: 'changeOpening', id: 'N', seen, change: { atM: 0.5 } });
    expect(run(placed, 'N').openings[last - 1]).toMatchObject({ mark: 'S1', atM: 0.5 });
    // Pressed twice before the first was drawn.
    expect(() => on(fewer, { do: 'removeOpening', id: 'N', seen: seenIn(0) })).toThrow(
      /of N is gone, or was changed just now/,
    );
    expect(() =>
      on(fewer, { do: 'changeOpening', id: 'N', seen: seenIn(0), change: { atM: 4 } }),
    ).toThrow(/is not there any more/);
  });
  test('of a thing that is gone is refused, in words', () => {
    expect(() => on(plan, { do: 'change', list: 'embeds', id: 'E99', change: { atM: 1 } })).toThrow(
      /There is no E99 any more/,
    );
  });
});
