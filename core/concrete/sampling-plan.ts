import { z } from 'zod';
import { mersenne } from 'pure-rand/generator/mersenne';
import { calculation, count, fig, nonNegative, positive, drawSeed, someOf } from '#core/kit';
import { ceilWhole } from '#core/units';

/** Which of `n` loads to sample, drawn at random by a seed (a partial shuffle), in their order. */
function drawn(n: number, wanted: number, seed: number): number[] {
  const rng = mersenne(seed);
  const left = Array.from({ length: n }, (_, i) => i);
  const out: number[] = [];
  while (out.length < wanted && left.length)
    out.push(...left.splice(Math.floor(((rng.next() >>> 0) / 0x1_0000_0000) * left.length), 1));
  return out.sort((a, b) => a - b);
}

/** How many strength tests a pour needs, and from which loads. */
export const samplingPlan = calculation({
  id: 'sampling-plan',
  title: 'Sampling plan',
  purpose:
    'How many strength tests this pour needs, and which loads they are taken from, drawn before the first one comes.',
  formula:
    'tests = max(days, ⌈volume/115 m³⌉, ⌈wall or slab face/465 m²⌉), none if waived under 38 m³; loads drawn at random',
  source: 'ACI 318-19 §26.12.2 (150 yd³, 5000 ft², waiver under 50 yd³ by the building official)',
  limits:
    'One class of concrete. A project with fewer than five tests in all takes them from five loads, or from every load.',
  input: z.object({
    volumeM3: positive(),
    areaM2: nonNegative().default(0),
    days: count().default(1),
    waived: z.boolean({ error: 'must be true or false' }).default(false),
    loads: someOf(z.string().min(1)),
    seed: drawSeed(),
    everyM3: positive().default(115),
    everyM2: positive().default(465),
    waiverM3: nonNegative().default(38),
  }),
  output: z.object({ tests: z.number(), loads: z.array(z.string()), reasons: z.array(z.string()) }),
  compute(v, trace) {
    const mayWaive = v.waived && v.volumeM3 < v.waiverM3;
    const byVolume = ceilWhole(v.volumeM3 / v.everyM3);
    const byArea = v.areaM2 > 0 ? ceilWhole(v.areaM2 / v.everyM2) : 0;
    const tests = mayWaive ? 0 : Math.max(v.days, byVolume, byArea);
    const reasons = mayWaive
      ? [`waived: under ${fig(v.waiverM3)} m³, by the building official`]
      : [
          `${v.days} a day of placing`,
          `${byVolume} by volume`,
          ...(byArea ? [`${byArea} by face area`] : []),
        ];
    if (v.waived && !mayWaive)
      reasons.push(`not waived: ${fig(v.volumeM3)} m³ is not under ${fig(v.waiverM3)}`);
    const loads = drawn(v.loads.length, tests, v.seed).map((i) => v.loads[i] as string);
    trace.step('by volume', `⌈${fig(v.volumeM3)}/${fig(v.everyM3)}⌉`, byVolume, 'tests');
    if (v.areaM2 > 0)
      trace.step('by face', `⌈${fig(v.areaM2)}/${fig(v.everyM2)}⌉`, byArea, 'tests');
    trace.step('tests', reasons.join('; '), tests, 'tests');
    trace.step('loads', `drawn by seed ${v.seed}`, loads.join(', '));
    if (tests > v.loads.length)
      trace.caution('There are fewer loads than tests: sample every load, some twice.');
    if (tests < 5)
      trace.caution(
        'A project with fewer than five tests in all takes them from five loads, or from every load if there are fewer.',
      );
    return { tests, loads, reasons };
  },
});
