import { nextStop, type PointState, typeChanges, wantedText } from '#core/check';
import type { NextLine, PourNow, Stage } from './stage.ts';

const at = (p: PointState, place: number) => ({ run: p.point.elementId, check: p.point.id, place });

/** Something is out: it is put right before anything else is read. */
function outLine(v: PourNow): NextLine | null {
  const out = v.points.find((p) => p.places.some((x) => x.verdict === 'out'));
  if (!out) return null;
  const i = out.places.findIndex((x) => x.verdict === 'out');
  const fix = out.places[i]?.fix;
  const what = `${out.point.elementId} ${out.point.title.toLowerCase()} is out. `;
  return {
    sentence: fix ? `${what}Fixed: ${fix.body.what}. Read again.` : `${what}${out.point.advice}`,
    label: fix ? 'Read again' : 'Fix',
    stage: 'check',
    focus: at(out, i),
  };
}

/** A change of type along the way that nobody has looked at. */
function changeLine(v: PourNow): NextLine | null {
  const unseen = new Set(v.gate.rows.flatMap((r) => (r.kind === 'change' ? [r.ref] : [])));
  const change = typeChanges(v.record.site, v.record.pour.elements).find((c) => unseen.has(c.id));
  return change
    ? {
        sentence: `${change.toType} takes over from ${change.fromType} at ${change.nodeId}: ${change.words[0] ?? ''}. Look at it once.`,
        label: 'Look',
        stage: 'check',
        focus: { sheet: `change:${change.id}` },
      }
    : null;
}

/** Sizes that nobody has compared with the drawing: what is read against them is read against nothing. */
function usualLine(v: PourNow): NextLine | null {
  const usual = v.gate.rows.filter((r) => r.kind === 'usual').map((r) => r.ref);
  if (usual.length === 0) return null;
  return {
    sentence: `${usual.join(', ')}: usual sizes only. Compare them with the drawing before anything is read against them.`,
    label: 'Compare',
    stage: 'setout',
    focus: { tab: 'schedule' },
  };
}

function readLine(v: PourNow): NextLine | null {
  const next = nextStop(v.points, v.walk, null);
  if (!next) return null;
  const { point } = next.point;
  const left = next.point.wanted - next.point.read;
  const looked = point.wanted.type === 'eye' || point.wanted.type === 'bolts';
  const wanted = looked ? '' : `, ${wantedText(point.wanted, v.units)} wanted`;
  return {
    sentence: `${v.elementName(point.elementId)}, ${point.title.toLowerCase()}: ${left} to read${wanted}. ${v.gate.counts.unread} left in all.`,
    label: point.wanted.type === 'eye' ? 'Look' : 'Read',
    stage: 'check',
    focus: at(next.point, next.place),
  };
}

function heldLine(v: PourNow): NextLine | null {
  const question = v.gate.rows.find((r) => r.kind === 'question');
  if (question)
    return {
      sentence: 'A question holds the pour. Get it answered.',
      label: 'Answer',
      stage: 'check',
      focus: { sheet: `answer:${question.ref}` },
    };
  return v.gate.rows.some((r) => r.kind === 'loop')
    ? {
        sentence: 'The level loop does not close. Read it again from the benchmark.',
        label: 'Levels',
        stage: 'setout',
        focus: { tab: 'levels' },
      }
    : null;
}

function signLine(v: PourNow): NextLine | null {
  const sign = v.gate.signs.find((s) => s.state !== 'passed');
  if (!sign) return null;
  const own = sign.hold === 'own';
  const changed = sign.state === 'reopened' ? ', and the plan has changed since you signed' : '';
  const who =
    sign.hold === 'dowels'
      ? 'The special inspector looks at the drilled dowels'
      : 'The inspector passes or rejects it';
  const again = sign.state === 'rejected' ? ` again: ${sign.reason ?? ''}` : '';
  return {
    sentence: own ? `Everything is read${changed}. Sign your own check.` : `${who}${again}.`,
    label: own ? 'Sign' : 'Hand over',
    stage: 'check',
    focus: { sheet: `sign:${sign.hold}` },
  };
}

export const check: Stage = {
  id: 'check',
  name: 'Check',
  figure: ({ gate }) => ({
    text: `${gate.read} of ${gate.wanted} read`,
    done: gate.wanted ? gate.read / gate.wanted : 0,
  }),
  next: (v) =>
    outLine(v) ?? changeLine(v) ?? usualLine(v) ?? readLine(v) ?? heldLine(v) ?? signLine(v),
};
