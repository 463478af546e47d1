import fs from 'node:fs';
import path from 'node:path';
import { z } from 'zod';
import {
  mixSchema,
  plantSchema,
  pourDocSchema,
  ruledMix,
  type Mix,
  type Plant,
  type PourDoc,
} from '../model/pour.ts';
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

export function demoPour(file: 'quillback' | 'kestrel', code: string): DemoPour {
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
