import { z } from 'zod';
import { anyNumber, calculation, fig, nonNegative, positive } from '#core/kit';
import { atMost } from '#core/units';
import { angleField } from './brace-load.ts';

/** Which way, and how far, to turn a brace. */
export const braceTurn = calculation({
  id: 'brace-turn',
  title: 'Turn of a brace',
  purpose:
    'Which turnbuckle to turn, which way and how far, to bring the top of a wall to its string.',
  formula:
    'length change = offset·(a/h)·cos θ, offset = reading − gauge block (+ is out); turns = |length change|/pitch',
  source: 'Geometry of a brace that stands inside',
  limits:
    'Small offsets, a wall that turns about its foot. Only while the concrete is fresh, and never hard against a tie.',
  input: z
    .object({
      offsetMm: anyNumber(),
      wallHeightM: positive(),
      attachHeightM: positive(),
      angleDeg: angleField(),
      pitchMmPerTurn: positive(),
      toleranceMm: nonNegative().default(1.5),
      pushOnly: z.boolean({ error: 'must be true or false' }).default(false),
    })
    .superRefine((v, ctx) => {
      if (!atMost(v.attachHeightM, v.wallHeightM))
        ctx.addIssue({ code: 'custom', path: ['attachHeightM'], message: 'is above the wall' });
    }),
  output: z.object({
    lengthChangeMm: z.number(),
    turns: z.number(),
    direction: z.enum(['in', 'out', 'none']),
    possible: z.boolean(),
  }),
  compute(v, trace) {
    const lengthChangeMm =
      v.offsetMm * (v.attachHeightM / v.wallHeightM) * Math.cos((v.angleDeg * Math.PI) / 180);
    const back = v.offsetMm > 0 ? ('in' as const) : ('out' as const);
    const direction = atMost(Math.abs(v.offsetMm), v.toleranceMm) ? ('none' as const) : back;
    const turns = direction === 'none' ? 0 : Math.abs(lengthChangeMm) / v.pitchMmPerTurn;
    const possible = !(v.pushOnly && direction === 'in');
    trace.step(
      'length change',
      `${fig(v.offsetMm)}·(${fig(v.attachHeightM)}/${fig(v.wallHeightM)})·cos ${fig(v.angleDeg)}°`,
      lengthChangeMm,
      'mm',
    );
    trace.step(
      'turns',
      direction === 'none'
        ? `within ${fig(v.toleranceMm)} mm: leave it`
        : `${fig(Math.abs(lengthChangeMm))}/${fig(v.pitchMmPerTurn)}`,
      turns,
      'turns',
    );
    if (!possible)
      trace.caution(
        'This brace only pushes, and the wall must come in: pull it with a come-along or a brace on the other side.',
      );
    return { lengthChangeMm, turns, direction, possible };
  },
});
