import {
  atMostOf,
  checkSitePlan,
  elementIds,
  mixSchema,
  MOST,
  plantSchema,
  pourDocSchema,
  resourcesShape,
  sitePlanShape,
} from '#core/model';
import { z } from 'zod';

/** A whole `jactum.site/1` file: what is to be built, and the mixes, plants, crew and pours that go with it. */
export const siteFileShape = sitePlanShape.extend({
  mixes: atMostOf(mixSchema, MOST.types).default([]),
  plants: atMostOf(plantSchema, MOST.types).default([]),
  ...resourcesShape,
  pours: atMostOf(pourDocSchema, MOST.pours).default([]),
});

interface IssueSink {
  addIssue(issue: { code: 'custom'; path: (string | number)[]; message: string }): void;
}

/** What takes more than one field to see, in the site and in its pours. */
export function checkSiteFile(file: SiteFile, ctx: IssueSink): void {
  checkSitePlan(file, ctx);
  for (const [list, key] of [
    ['mixes', 'mark'],
    ['plants', 'id'],
    ['conveyances', 'id'],
    ['mixers', 'id'],
  ] as const) {
    const taken = new Set<string>();
    file[list].forEach((x, i) => {
      const name = (x as unknown as Record<string, string>)[key] ?? '';
      if (taken.has(name))
        ctx.addIssue({ code: 'custom', path: [list, i, key], message: `${name} is used twice` });
      taken.add(name);
    });
  }
  const elements = new Set(elementIds(file));
  const codes = new Set<string>();
  file.pours.forEach((pour, i) => {
    const say = (path: (string | number)[], message: string) => {
      ctx.addIssue({ code: 'custom', path: ['pours', i, ...path], message });
    };
    if (codes.has(pour.code)) say(['code'], `${pour.code} is used twice`);
    codes.add(pour.code);
    pour.elements.forEach((e, k) => {
      if (!elements.has(e)) say(['elements', k], `names ${e}, which is not a run, pad or pier`);
    });
    if (!file.mixes.some((m) => m.mark === pour.mix))
      say(['mix'], `names mix ${pour.mix}, which is not in mixes`);
    if (!file.plants.some((p) => p.id === pour.plant))
      say(['plant'], `names plant ${pour.plant}, which is not in plants`);
    const by = pour.settings.conveyance;
    if (by !== null && !file.conveyances.some((c) => c.id === by))
      say(['settings', 'conveyance'], `names ${by}, which is not in conveyances`);
    const mixer = pour.settings.mixer;
    if (mixer !== null && !file.mixers.some((m) => m.id === mixer))
      say(['settings', 'mixer'], `names ${mixer}, which is not in mixers`);
    if (pour.settings.startAt >= pour.elements.length)
      say(['settings', 'startAt'], 'is past the last run of the pour');
  });
}

export const siteFileSchema = siteFileShape.superRefine(checkSiteFile);
export type SiteFile = z.output<typeof siteFileShape>;
