import { z } from 'zod';
import { anyNumber, calculation, fig, nonNegative, positive, someOf } from '#core/kit';
import { atLeast, atMost } from '#core/units';

const place = z.object({ xM: anyNumber(), yM: anyNumber(), zM: anyNumber().default(0) });

const input = z
  .object({
    kind: z.enum(['boom', 'line'], { error: 'must be boom or line' }),
    setUp: place,
    cells: someOf(place.extend({ id: z.string().min(1, 'is empty') })),
    reachM: positive(),
    slackM: nonNegative().default(3),
    lineDiameterMm: positive().default(125),
    primeM3: nonNegative().default(0.2),
    outriggerKN: positive().optional(),
    bearingKPa: positive().optional(),
    edgeM: nonNegative().optional(),
    excavationDepthM: nonNegative().optional(),
    edgeRatio: positive().default(1),
    wiresM: nonNegative().optional(),
    wiresLeastM: positive().default(6.096),
  })
  .superRefine((v, ctx) => {
    const pairs = [
      ['outriggerKN', 'bearingKPa', 'what the ground bears'],
      ['bearingKPa', 'outriggerKN', 'what a leg presses with'],
      ['edgeM', 'excavationDepthM', 'how deep the excavation is'],
      ['excavationDepthM', 'edgeM', 'how far the edge is'],
    ] as const;
    for (const [given, other, what] of pairs)
      if (v[given] !== undefined && v[other] === undefined)
        ctx.addIssue({ code: 'custom', path: [other], message: `is missing: ${what}` });
  });
type Input = z.output<typeof input>;
interface CellReach {
  id: string;
  marginM: number;
  ok: boolean;
}

/** Whether a pump reaches every place, and stands safely. */
export const pumpReach = calculation({
  id: 'pump-reach',
  title: 'Reach and stand of the pump',
  purpose:
    'Which places the boom or line reaches from where it stands, what stays in the line, and whether it stands safely.',
  formula:
    'distance = √(Δx² + Δy²), rise = Δz; boom: √(distance² + rise²) ≤ reach; line = distance + |rise| + slack; pad area = reaction/bearing; edge ≥ depth·ratio; wires ≥ least clearance',
  source:
    'Geometry; edge 1:1 and wires 6.1 m (20 ft) as 29 CFR 1926.1408 for lines to 350 kV, both editable defaults',
  limits:
    'The maker’s reach diagram, the operator and the power company rule. Height to clear what stands between is not in it.',
  input,
  output: z.object({
    ok: z.boolean(),
    cells: z.array(
      z.object({
        id: z.string(),
        distanceM: z.number(),
        needM: z.number(),
        marginM: z.number(),
        ok: z.boolean(),
      }),
    ),
    furthestM: z.number(),
    leftInLineM3: z.number(),
    padAreaM2: z.number().nullable(),
    edgeOk: z.boolean().nullable(),
    wiresOk: z.boolean().nullable(),
    reasons: z.array(z.string()),
  }),
  compute(v, trace) {
    const cells = v.cells.map((c) => {
      const distanceM = Math.hypot(c.xM - v.setUp.xM, c.yM - v.setUp.yM);
      const rise = c.zM - v.setUp.zM;
      const needM =
        v.kind === 'boom' ? Math.hypot(distanceM, rise) : distanceM + Math.abs(rise) + v.slackM;
      return { id: c.id, distanceM, needM, marginM: v.reachM - needM, ok: atMost(needM, v.reachM) };
    });
    const furthestM = Math.max(...cells.map((c) => c.needM));
    const leftInLineM3 =
      (Math.PI / 4) * (v.lineDiameterMm / 1000) ** 2 * (v.kind === 'boom' ? v.reachM : furthestM) +
      v.primeM3;
    const padAreaM2 =
      v.outriggerKN !== undefined && v.bearingKPa !== undefined
        ? v.outriggerKN / v.bearingKPa
        : null;
    const edgeOk =
      v.edgeM !== undefined && v.excavationDepthM !== undefined
        ? atLeast(v.edgeM, v.excavationDepthM * v.edgeRatio)
        : null;
    const wiresOk = v.wiresM === undefined ? null : atLeast(v.wiresM, v.wiresLeastM);
    const reasons = reasonsAgainst(cells, edgeOk, v, wiresOk);
    trace.step(
      'furthest',
      v.kind === 'boom' ? 'along the boom' : `distance + rise + ${fig(v.slackM)} slack`,
      furthestM,
      'm',
    );
    trace.step(
      'left in the line',
      `π/4·${fig(v.lineDiameterMm / 1000)}²·length + ${fig(v.primeM3)}`,
      leftInLineM3,
      'm³',
    );
    if (padAreaM2 !== null)
      trace.step('pad', `${fig(v.outriggerKN ?? 0)}/${fig(v.bearingKPa ?? 0)}`, padAreaM2, 'm²');
    trace.caution(
      'Outriggers sink and booms touch wires: pads under every leg, a spotter for the wires, nobody under the boom.',
    );
    trace.caution(
      'Hoses whip when a blockage clears: stand clear of the end while it starts and when it is cleared.',
    );
    return {
      ok: reasons.length === 0,
      cells,
      furthestM,
      leftInLineM3,
      padAreaM2,
      edgeOk,
      wiresOk,
      reasons,
    };
  },
});

/** What speaks against standing there. */
function reasonsAgainst(
  cells: CellReach[],
  edgeOk: boolean | null,
  v: Input,
  wiresOk: boolean | null,
) {
  const reasons = cells
    .filter((c) => !c.ok)
    .map((c) => `${c.id} is ${fig(-c.marginM)} m out of reach`);
  if (edgeOk === false)
    reasons.push(
      `stands ${fig(v.edgeM ?? 0)} m from the edge, needs ${fig((v.excavationDepthM ?? 0) * v.edgeRatio)}`,
    );
  if (wiresOk === false)
    reasons.push(`wires ${fig(v.wiresM ?? 0)} m away, needs ${fig(v.wiresLeastM)}`);
  return reasons;
}
