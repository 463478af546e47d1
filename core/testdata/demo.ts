import fs from 'node:fs';
import path from 'node:path';
import { z } from 'zod';
import { type Mix, mixSchema, ruledMix } from '../model/mix.ts';
import { type Plant, plantSchema, type PourDoc, pourDocSchema } from '../model/pour.ts';
import { resourcesShape } from '../model/resources.ts';
import { rulesOf } from '../rules/rules.ts';
import { type SitePlan } from '../model/site.ts';
import { sitePlanSchema } from '../model/site-check.ts';

/** The demo sites, read for tests of the core: the same files that users see. */
export interface DemoPour {
  site: SitePlan;
  pour: PourDoc;
  mix: Mix;
  plant: Plant;
}

/** Nothing of it can be changed: whoever wants another pour makes one of it. */
function frozen<T>(value: T): T {
  if (typeof value === 'object' && value !== null && !Object.isFrozen(value)) {
    Object.freeze(value);
    for (const part of Object.values(value)) frozen(part);
  }
  return value;
}

/** Read once: most tests begin with a demo pour, and to read a site is the longest part of many. */
const read = new Map<string, DemoPour>();
export function demoPour(file: 'quillback' | 'kestrel', code: string): DemoPour {
  const key = `${file} ${code}`;
  const known = read.get(key) ?? frozen(readPour(file, code));
  read.set(key, known);
  return known;
}

function readPour(file: 'quillback' | 'kestrel', code: string): DemoPour {
  const raw = JSON.parse(
    fs.readFileSync(path.resolve(import.meta.dirname, `../../demo/sites/${file}.json`), 'utf8'),
  ) as Record<'mixes' | 'plants' | 'pours', unknown[]>;
  const pour = raw.pours.map((p) => pourDocSchema.parse(p)).find((p) => p.code === code);
  const mix = raw.mixes.map((m) => mixSchema.parse(m)).find((m) => m.mark === pour?.mix);
  const plant = raw.plants.map((p) => plantSchema.parse(p)).find((p) => p.id === pour?.plant);
  if (!pour || !mix || !plant) throw new Error(`${file} has no pour ${code}`);
  const site = sitePlanSchema.parse(raw);
  return { site, pour, mix: ruledMix(mix, rulesOf(site)), plant };
}

/** A whole demo site: its plan, its pours and what there is to plan with. */
export function demoSite(file: 'quillback' | 'kestrel') {
  const raw = JSON.parse(
    fs.readFileSync(path.resolve(import.meta.dirname, `../../demo/sites/${file}.json`), 'utf8'),
  ) as Record<string, unknown[]>;
  return {
    ...sitePlanSchema.parse(raw),
    ...z.object(resourcesShape).parse(raw),
    mixes: (raw.mixes ?? []).map((m) => mixSchema.parse(m)),
    plants: (raw.plants ?? []).map((p) => plantSchema.parse(p)),
    pours: (raw.pours ?? []).map((p) => pourDocSchema.parse(p)),
  };
}
