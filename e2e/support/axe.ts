import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import type { Session, SystemDetail } from '@yarnix/core';
import type axeCore from 'axe-core';
import { atRest, expect, isPhone, test, watchedDual } from './app.ts';

declare global {
  interface Window {
    axe?: typeof axeCore;
  }
}

const source = readFile(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** What a screen must do justice to: the guidelines up to level AA, and what is good practice beside them. */
const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/**
 * What keeps people from reading what is drawn, of these rules or tags: each by its id, and where. Only what is wrong is told, in the page
 * itself, and the page takes the looker in once: naming all that is right, and taking it in for each look, takes longer than looking.
 */
async function wrongOn(page: Page, runOnly: string[] = TAGS): Promise<string[]> {
  if (!(await page.evaluate(() => window.axe !== undefined))) await page.evaluate(await source);
  return page.evaluate(async (only) => {
    // Without a look into style sheets, which only rules for video and print would ask for.
    const { violations } = await window.axe!.run({ runOnly: only, resultTypes: ['violations'], preload: false });
    return violations.map(({ id, nodes }) => {
      const where = nodes.map(({ target }) => target.join(' ')).slice(0, 3);
      return `${id}: ${where.join(' | ')}`;
    });
  }, runOnly);
}

/**
 * What is wrong with what is drawn now: everything in the day theme, and on a phone, which goes into attics, the colors again in the
 * attic's. The page is at rest, and all of it is in view and laid out: a bar at its end covers nothing, and no row is left out for
 * being far away.
 */
export async function violations(page: Page): Promise<string[]> {
  await atRest(page);
  await page.addStyleTag({ content: '* { content-visibility: visible !important; }' });
  const { width, height: usual } = page.viewportSize()!;
  const height = await page.evaluate(() => document.documentElement.scrollHeight);
  await page.setViewportSize({ width, height: Math.max(usual, height) });
  await atRest(page);
  const wrong = await wrongOn(page);
  if (isPhone(page)) {
    // The themes differ in their colors and in nothing else, and colors do not go by the size of the screen.
    await page.evaluate(() => document.documentElement.classList.add('attic'));
    wrong.push(...(await wrongOn(page, ['color-contrast'])).map((line) => `in the attic theme, ${line}`));
    await page.evaluate(() => document.documentElement.classList.remove('attic'));
  }
  await page.setViewportSize({ width, height: usual });
  return wrong;
}

/** What the addresses of a screen are made of. */
interface Known {
  readonly systemId: string;
  readonly thread: string;
  readonly visitId: string;
  readonly personId: string;
}

/** A screen, where it is, and by what heading somebody knows to be there. */
export type Screen = readonly [name: string, path: (known: Known) => string, heading: RegExp];

/** One test for each screen. */
export function testEach(screens: readonly Screen[]): void {
  for (const [name, path, heading] of screens)
    test(`${name} can be read by everyone, in either theme`, async ({ page, server }) => {
      const row = await watchedDual(server.address);
      const { person } = (await (await fetch(`${server.address}/api/session`)).json()) as Session;
      const detail = (await (await fetch(`${server.address}/api/systems/${row.systemId}`)).json()) as SystemDetail;
      const visit = detail.visits.find(({ closedAt }) => closedAt !== null)!;
      const thread = `${row.componentId}/${row.kind}/${row.point}`;
      await page.goto(path({ systemId: row.systemId, thread, visitId: visit.id, personId: person.id }));
      await expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible();
      expect(await violations(page)).toEqual([]);
    });
}
