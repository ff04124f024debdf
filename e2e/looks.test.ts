/** Every family and every place at the sizes and in the themes in which teachers see them. */
import type { Page } from 'puppeteer-core';
import { families, FAMILY_IDS } from '@same-song/core/instruments';
import { SOUNDING_NOTE, counts } from './notes.ts';
import { barriers, click, eventually, keys, lookAgain, openStage, sees, shows, type Stage } from './stage.ts';

let stage: Stage;
let page: Page;
beforeAll(async () => {
  stage = await openStage();
});
afterAll(() => stage.close());
afterEach(() => page.close());

const mapOf = (id: string, more = '') => {
  const preset = families[id as 'drum'].presets[0]!.id;
  return `/map?on=${encodeURIComponent(`preset:${id}/${preset}`)}&play=major${more}`;
};

/** Place in the line of the note that sounds; −1 for none. */
const soundingAt = () =>
  [...document.querySelectorAll('[role="option"]')].findIndex((note) => note.hasAttribute('aria-current'));

describe.each(FAMILY_IDS)('%s', (id) => {
  test('on a wide light screen and a small dark one the drawing is whole, nothing runs over, no barrier', async () => {
    page = await stage.page(mapOf(id, '&range=2'));
    await page.waitForSelector('svg[role="listbox"] [role="option"]');
    for (let i = 0; i < 2; i += 1) await page.keyboard.press('ArrowRight');
    await page.waitForSelector('section[aria-label="The note"]');
    for (const look of [{}, { width: 768, height: 1024, dark: true }]) {
      await lookAgain(page, look);
      const { over, right, tall } = await page.evaluate(() => {
        const main = document.querySelector('main')!;
        const svg = document.querySelector('svg[role="listbox"]')!.getBoundingClientRect();
        return {
          over: main.scrollWidth - main.clientWidth,
          right: svg.right - main.getBoundingClientRect().right,
          tall: svg.height,
        };
      });
      expect(over).toBeLessThanOrEqual(0);
      expect(right).toBeLessThanOrEqual(0);
      expect(tall).toBeGreaterThan(150);
      expect(await barriers(page)).toEqual([]);
    }
  });

  test('every way is named, no two alike, and reached by the arrow keys; the line sounds in its own way', async () => {
    page = await stage.page(mapOf(id, '&dir=up'));
    await page.waitForSelector('svg[role="listbox"] [role="option"]');
    const count = await page.$$eval('svg[role="listbox"] [role="option"]', (ways) => ways.length);
    const names = await page.$$eval('svg[role="listbox"] [role="option"] title', (titles) =>
      titles.map((t) => t.textContent),
    );
    expect(names).toHaveLength(count);
    expect(new Set(names).size).toBe(count);
    await keys(page, 'ArrowUp', 'ArrowUp');
    await page.waitForSelector('svg[role="listbox"] [aria-selected="true"]');
    const first = await page.$eval('svg[role="listbox"] [aria-selected="true"] title', (t) => t.textContent);
    expect(names).toContain(first);
    await shows(page, 'section[aria-label="The note"] h2', 'degree');
    await keys(page, ' ');
    await page.waitForSelector(SOUNDING_NOTE, { timeout: 15_000 });
    const begun = await page.evaluate(soundingAt);
    await eventually(
      () => page.evaluate(soundingAt),
      (now) => expect(now).toBeGreaterThan(begun),
    );
    await keys(page, ' ');
    await counts(page, SOUNDING_NOTE, 0);
  });
});

test('with the server away Map still answers, and says that nothing can be saved', async () => {
  page = await stage.page(mapOf('harp'));
  await page.waitForSelector('svg[role="listbox"] [role="option"]');
  await stage.kill();
  await keys(page, 'k', '“D”', 'Enter');
  await sees(page, 'levers up: F C');
  await click(page, 'Put it into the cabinet');
  await sees(page, 'The Same Song server does not answer');
  await stage.restart();
  await page.waitForFunction(
    () => !document.body.innerText.includes('changes can be saved when it is back'),
    {
      timeout: 15_000,
    },
  );
});

test('no page complained in the console', async () => {
  page = await stage.page('/map');
  expect(stage.complaints()).toEqual([]);
});
