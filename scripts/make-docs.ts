/**
 * Writes docs/calculations.md from the register, docs/rights.md from the kinds and the fields of
 * docs/site-file.md from the schema: `npm run docs`. A test fails when they are stale.
 */
import fs from 'node:fs';
import { rightsPage } from '#core/log';
import { calculationsPage } from '#core/register';
import { withFields } from '../contract/site-file-page.ts';

fs.writeFileSync('docs/calculations.md', calculationsPage());
fs.writeFileSync('docs/rights.md', rightsPage());
fs.writeFileSync('docs/site-file.md', withFields(fs.readFileSync('docs/site-file.md', 'utf8')));
