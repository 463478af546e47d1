import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { atRest } from './server.ts';

const told = (where: string, found: { id: string; nodes: { html: string }[] }[]): string[] =>
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
  await page.goto(url);
  await page.locator('.frame h1').waitFor({ state: 'attached' });
  if (url.includes('sheet=')) await page.getByRole('dialog').waitFor();
}

/**
 * What breaks the rules of accessibility on the screen as it stands, in both themes. The themes differ in colours alone, so
 * the other is held to the rules about colour. The app has no frames of another origin: one pass in the page itself sees all
 * of it, in a third of the time.
 */
export async function violations(page: Page, where: string): Promise<string[]> {
  await atRest(page);
  const inTheme = (theme: 'sun' | 'dusk') =>
    page.evaluate((t) => {
      document.documentElement.dataset.theme = t;
    }, theme);
  await inTheme('sun');
  const sun = await new AxeBuilder({ page }).setLegacyMode().analyze();
  await inTheme('dusk');
  const dusk = await new AxeBuilder({ page }).setLegacyMode().withRules(COLOUR_RULES).analyze();
  await inTheme('sun');
  return [...told(`${where}, sun,`, sun.violations), ...told(`${where}, dusk,`, dusk.violations)];
}
