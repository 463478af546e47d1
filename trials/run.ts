/**
 * `npm run trial -- kill|fuzz|roles|crowd|streams|backup|append|upgrade|large|signal|flood|behind [how much]`: tries of what
 * docs/trust.md promises, on a server that they start themselves on the loopback. They take
 * minutes, print figures, and end with 1 when one is not as it has to be.
 */
import { append } from './append.ts';
import { backup } from './backup.ts';
import { behind } from './behind.ts';
import { crowd } from './crowd.ts';
import { flood } from './flood.ts';
import { fuzz } from './fuzz.ts';
import { kill } from './kill.ts';
import { large } from './large.ts';
import { roles } from './roles.ts';
import { signal } from './signal.ts';
import { streams } from './streams.ts';
import { upgrade } from './upgrade.ts';

const TRIALS: Record<string, { most: number; usual: number; run: (n: number) => Promise<void> }> = {
  kill: { usual: 200, most: 1000, run: kill },
  fuzz: { usual: 20_000, most: 200_000, run: fuzz },
  roles: { usual: 1, most: 1, run: roles },
  crowd: { usual: 60, most: 600, run: crowd },
  streams: { usual: 400, most: 2000, run: streams },
  backup: { usual: 5, most: 50, run: backup },
  upgrade: { usual: 24, most: 500, run: upgrade },
  flood: { usual: 300, most: 2000, run: flood },
  behind: { usual: 5, most: 12, run: behind },
  signal: { usual: 6, most: 6, run: signal },
  large: { usual: 200, most: 200, run: large },
  append: { usual: 800, most: 10_000, run: append },
};

const [name = '', much] = process.argv.slice(2);
const trial = TRIALS[name];
const n = Number(much ?? trial?.usual);
if (!trial || !Number.isInteger(n) || n < 1 || n > trial.most) {
  console.error(`Say which: npm run trial -- ${Object.keys(TRIALS).join('|')} [how much]`);
  process.exit(2);
}
await trial.run(n);
