import { z } from 'zod';
import { calculation, fig, nonNegative, positive, share } from '#core/kit';

const LOAD_STANDINGS = ['ordered', 'here', 'empty', 'sentBack', 'cancelled'] as const;
/** How a load counts in the balance. */
export type LoadStanding = (typeof LOAD_STANDINGS)[number];

/** Most loads of a day. */
const MOST_LOADS = 1000;

const load = z.object({
  id: z.string().min(1, 'is empty'),
  /** Volume of its ticket, or as it was ordered, m³. */
  ticketM3: positive(),
  /** Neat volume of what was placed from it, m³. */
  placedM3: nonNegative().default(0),
  state: z.enum(LOAD_STANDINGS, { error: `must be one of ${LOAD_STANDINGS.join(', ')}` }),
  /** What went back of it, m³. */
  returnedM3: nonNegative().default(0),
});

const sum = <T>(list: readonly T[], of: (x: T) => number): number =>
  list.reduce((total, x) => total + of(x), 0);

/**
 * What is missing of a pour at a moment. Concrete placed from a truck that still stands here has
 * left it already: only the rest of the truck is usable. The use of concrete per neat volume is
 * measured on finished loads and blended by volume with what was planned.
 */
export const dayBalance = calculation({
  id: 'day-balance',
  title: 'Balance of the day',
  purpose: 'What is still needed, what stands here, what is on order, and what is missing.',
  formula:
    'u = (U + k(1 + waste))/(P + k), k = share·neat, U = Σ(ticket − returned) − hose and P = Σ placed over empty loads; still = u·(neat − placed) + hose while no load is begun; here = Σ max(0, ticket − u·placed − hose once); missing = still − here − on order',
  source:
    'Conservation of volume; the plan counts as a share of the pour (site practice, a quarter)',
  limits:
    'As true as the marks on the forms and the tickets. A load sent back or called off gives nothing more.',
  input: z.object({
    neatM3: positive(),
    wasteRatio: share(),
    /** What stays in hose and hopper, once, m³. */
    heldBackM3: nonNegative().default(0),
    loads: z.array(load).max(MOST_LOADS, `must hold at most ${MOST_LOADS} loads`),
    /** The plan weighs as so much of the pour. */
    priorShare: share().gt(0, 'must be above 0').default(0.25),
  }),
  output: z.object({
    usePerNeat: z.number(),
    placedM3: z.number(),
    stillM3: z.number(),
    hereM3: z.number(),
    onOrderM3: z.number(),
    missingM3: z.number(),
  }),
  compute(v, trace) {
    const primed = v.loads.find((l) => l.placedM3 > 0 || l.state === 'empty')?.id;
    const heldBy = (l: { id: string }) => (l.id === primed ? v.heldBackM3 : 0);
    const empty = v.loads.filter((l) => l.state === 'empty');
    const measured = sum(empty, (l) => l.placedM3);
    const used = sum(empty, (l) => l.ticketM3 - l.returnedM3 - heldBy(l));
    const k = v.priorShare * v.neatM3;
    const planned = 1 + v.wasteRatio;
    const usePerNeat = measured > 0 ? (used + k * planned) / (measured + k) : planned;
    const placedM3 = sum(v.loads, (l) => l.placedM3);
    const toFill = Math.max(0, v.neatM3 - placedM3);
    const stillM3 = usePerNeat * toFill + (primed === undefined ? v.heldBackM3 : 0);
    const hereM3 = sum(v.loads, (l) =>
      l.state === 'here' ? Math.max(0, l.ticketM3 - usePerNeat * l.placedM3 - heldBy(l)) : 0,
    );
    const onOrderM3 = sum(v.loads, (l) => (l.state === 'ordered' ? l.ticketM3 : 0));
    const missingM3 = stillM3 - hereM3 - onOrderM3;
    trace.step(
      'use',
      measured > 0
        ? `(${fig(used)} + ${fig(k)}·${fig(planned)})/(${fig(measured)} + ${fig(k)})`
        : 'as planned: no load is finished',
      usePerNeat,
    );
    trace.step('still', `${fig(usePerNeat)}·(${fig(v.neatM3)} − ${fig(placedM3)})`, stillM3, 'm³');
    trace.step('here', 'what the trucks here still hold', hereM3, 'm³');
    trace.step('on order', 'loads that are on order and not here', onOrderM3, 'm³');
    trace.step('missing', `${fig(stillM3)} − ${fig(hereM3)} − ${fig(onOrderM3)}`, missingM3, 'm³');
    return { usePerNeat, placedM3, stillM3, hereM3, onOrderM3, missingM3 };
  },
});
