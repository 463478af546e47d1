/** Writes docs/calculations.md from the register: `npm run docs`. A test fails when it is stale. */
import fs from 'node:fs';
import { calculationsPage } from '../core/register/reference-page.ts';

fs.writeFileSync('docs/calculations.md', calculationsPage());
