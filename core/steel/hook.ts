import { z } from 'zod';
import { calculation, fig } from '#core/kit';
import { barNamed } from '#core/model';
import { atMost } from '#core/units';
import { barField } from './bar.ts';

const TURNS = [90, 135, 180] as const;
type Turn = (typeof TURNS)[number];
interface HookShape {
  /** Inside bend diameter in bar diameters. */
  bendDb: number;
  /** Straight end in bar diameters, and the least it may be, mm. */
  endDb: number;
  leastMm: number;
}

/** Inside bend of a standard hook (ACI 318-19 table 25.3.1): to #8, to #11, #14 and #18. */
function aciBendDb(diameterMm: number): number {
  if (atMost(diameterMm, 25.4)) return 6;
  return atMost(diameterMm, 35.814) ? 8 : 10;
}
/** 65 and 75 mm (2½ and 3 in): the least straight ends of ACI 318-19 tables 25.3.1 and 25.3.2. */
const ACI_180_LEAST_MM = 65;
const ACI_TIE_LEAST_MM = 75;

/** Standard hooks, and those of ties and stirrups to #8, under ACI 318-19. */
function aciHook(db: number, turn: Turn, tie: boolean): HookShape {
  const half = { endDb: 4, leastMm: ACI_180_LEAST_MM };
  if (!tie) return { bendDb: aciBendDb(db), ...(turn === 180 ? half : { endDb: 12, leastMm: 0 }) };
  const small = atMost(db, 15.875);
  const bendDb = small ? 4 : 6;
  if (turn === 180) return { bendDb, ...half };
  return turn === 90 && !small
    ? { bendDb, endDb: 12, leastMm: 0 }
    : { bendDb, endDb: 6, leastMm: ACI_TIE_LEAST_MM };
}

/** Bends and hooks under EN 1992-1-1: mandrel of table 8.1N, ends of §8.4.1; of links §8.5. */
function enHook(db: number, turn: Turn, tie: boolean): HookShape {
  const bendDb = atMost(db, 16) ? 4 : 7;
  if (!tie) return { bendDb, endDb: 5, leastMm: 0 };
  return turn === 90 ? { bendDb, endDb: 10, leastMm: 70 } : { bendDb, endDb: 5, leastMm: 50 };
}

/** Standard hooks of bars and ties. */
export const hook = calculation({
  id: 'hook',
  title: 'Standard hook',
  purpose: 'How tight a bar may be bent and how much stands beyond the bend.',
  formula:
    'ACI: inside bend 6 db (to #8), 8 (to #11), 10; straight end 12 db at 90°, 4 db or 2½ in at 180°; ties bend 4 db (to #5) or 6, end 6 db or 3 in (90° of #6 and over 12 db). EN: mandrel 4 ø to 16 mm, 7 over; end 5 ø, links 10 ø or 70 mm at 90°, 5 ø or 50 mm beyond; leg = end + half the bend + db',
  source: 'ACI 318-19 tables 25.3.1 and 25.3.2; EN 1992-1-1 table 8.1N, §8.4.1 and §8.5',
  limits:
    'Deformed bars in tension. 135° is for ties. Bars partly in concrete are bent only as the engineer allows.',
  input: z.object({
    bar: barField(),
    code: z.enum(['aci', 'en'], { error: 'must be aci or en' }).default('aci'),
    turnDeg: z.literal(TURNS, { error: 'must be 90, 135 or 180' }).default(90),
    /** A tie, stirrup or link. */
    tie: z.boolean({ error: 'must be true or false' }).default(false),
  }),
  output: z.object({
    bendDiameterMm: z.number(),
    extensionMm: z.number(),
    legMm: z.number(),
    arcMm: z.number(),
  }),
  compute(v, trace) {
    const { diameterMm: db } = barNamed(v.bar);
    const shape = (v.code === 'en' ? enHook : aciHook)(db, v.turnDeg, v.tie);
    const bendDiameterMm = shape.bendDb * db;
    const extensionMm = Math.max(shape.endDb * db, shape.leastMm);
    const legMm = extensionMm + bendDiameterMm / 2 + db;
    const arcMm = ((Math.PI * v.turnDeg) / 180) * (bendDiameterMm / 2 + db / 2);
    trace.step('bend', `${shape.bendDb}·${fig(db)}`, bendDiameterMm, 'mm');
    trace.step(
      'extension',
      shape.leastMm > 0
        ? `max(${shape.endDb}·${fig(db)}, ${shape.leastMm})`
        : `${shape.endDb}·${fig(db)}`,
      extensionMm,
      'mm',
    );
    trace.step(
      'leg',
      `${fig(extensionMm)} + ${fig(bendDiameterMm)}/2 + ${fig(db)}, outside the bend`,
      legMm,
      'mm',
    );
    trace.step(
      'arc',
      `${v.turnDeg}/180·π·(${fig(bendDiameterMm)} + ${fig(db)})/2, along the middle of the bar`,
      arcMm,
      'mm',
    );
    return { bendDiameterMm, extensionMm, legMm, arcMm };
  },
});

/** Where the standard hook of a code is from. */
export const HOOK_SOURCE = {
  aci: 'standard hook, ACI 318-19 table 25.3.1',
  en: 'bend, EN 1992-1-1 §8.4.1',
} as const;
