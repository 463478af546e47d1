import { createRequire } from 'node:module';
import fs from 'node:fs';
import type { Page } from '@playwright/test';
import type Axe from 'axe-core';
import { atRest, visit } from './server.ts';

const AXE = fs.readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

const told = (where: string, found: Axe.Result[]): string[] =>
  found.map(
    (x) =>
      `${where} ${x.id}: ${x.nodes
        .slice(0, 3)
        .map((n) => n.html.slice(0, 140))
        .join(' | ')}`,
  );

/** The rules about colour among those that are held to. */
const COLOUR_RULES = ['color-contrast', 'link-in-text-block'];

/** Opens a screen of a pour, with the sheet that its address names: both are fetched when they are first shown. */
export async function openScreen(page: Page, url: string): Promise<void> {
  await visit(page, url);
  await page.locator('.frame h1').waitFor({ state: 'attached' });
  if (url.includes('sheet=')) await page.getByRole('dialog').waitFor();
}

/**
 * What breaks the rules of accessibility on the screen as it stands, in both themes. The themes
 * differ in colours alone, so the other is held to the rules about colour. Behind an open sheet
 * stands a screen that is looked at without it, and that nobody reaches meanwhile. The rules are
 * read into a page once, and only what is wrong is written out.
 */
export async function violations(page: Page, where: string): Promise<string[]> {
  await atRest(page);
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(AXE);
  const found = await page.evaluate(async (colourRules) => {
    const { axe } = window as unknown as { axe: typeof Axe };
    const sheet = document.querySelector('[role="dialog"]');
    const inTheme = async (theme: 'sun' | 'dusk', only?: string[]) => {
      document.documentElement.dataset.theme = theme;
      const { violations: wrong } = await axe.run(sheet ?? document, {
        resultTypes: ['violations'],
        preload: false,
        ...(only ? { runOnly: only } : {}),
      });
      return wrong;
    };
    const sun = await inTheme('sun');
    const dusk = await inTheme('dusk', colourRules);
    document.documentElement.dataset.theme = 'sun';
    return { sun, dusk };
  }, COLOUR_RULES);
  return [...told(`${where}, sun,`, found.sun), ...told(`${where}, dusk,`, found.dusk)];
}
