/** Writes docs/calculations.md from the register and docs/rights.md from the kinds: `npm run docs`. A test fails when they are stale. */
import fs from 'node:fs';
import { rightsPage } from '#core/log';
import { calculationsPage } from '#core/register';

fs.writeFileSync('docs/calculations.md', calculationsPage());
fs.writeFileSync('docs/rights.md', rightsPage());
