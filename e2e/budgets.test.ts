/** Budgets that do not depend on the machine: what a first load fetches, how much there is on Map, how often it is laid out. */
import type { Page } from 'puppeteer-core';
import { sizeRatios } from '../scripts/bench/web.mjs';
import { NOTE } from './notes.ts';
import { eventually, keys, openStage, type Stage } from './stage.ts';

let stage: Stage;
let page: Page;
beforeAll(async () => {
  stage = await openStage({ SAME_SONG_DEMO: '1' });
});
afterAll(() => stage.close());
afterEach(() => page.close());

test('the script of every place keeps within its budget', async () => {
  page = await stage.page('/map');
  const ratios = sizeRatios();
  expect(ratios.length).toBeGreaterThanOrEqual(5);
  expect(ratios.filter(({ ratio }) => ratio > 1)).toEqual([]);
});

test.each(['/map', '/keys', '/songs', '/practice', '/cabinet'])(
  '%s is fetched in fewer than 20 files of script, style and page',
  async (path) => {
    page = await stage.page(path, { apart: true });
    const fetched = await page.evaluate(() =>
      performance.getEntriesByType('resource').map(({ name }) => new URL(name).pathname),
    );
    // What a worker asks for again comes from the cache.
    const files = new Set(fetched.filter((name) => /\.(js|css)$/.test(name)));
    expect(files.size).toBeGreaterThan(2);
    expect(files.size).toBeLessThan(19);
  },
);

test('Map has few elements, and is laid out seldom for another key', async () => {
  page = await stage.page('/map?in=Eb&play=major');
  await page.waitForSelector(NOTE);
  expect(await page.evaluate(() => document.querySelectorAll('*').length)).toBeLessThan(850);
  // Not the text as it is seen: to read that lays out.
  const tab = () => page.$eval('[aria-label="Tab of the line"]', (line) => line.textContent);
  const layouts: number[] = [];
  for (const scale of ['dorian', 'lydian', 'phrygian']) {
    await page.goto(`${stage.address}/map?in=Eb&play=${scale}`, { waitUntil: 'networkidle0' });
    await page.waitForSelector(NOTE);
    const [before, { LayoutCount: begin }] = [await tab(), await page.metrics()];
    await keys(page, 'l');
    await eventually(tab, (now) => expect(now).not.toBe(before));
    const { LayoutCount: end } = await page.metrics();
    layouts.push(end! - begin!);
  }
  // One is wanted; two are measured on a quiet machine, and one more is left to a busy one.
  expect(Math.max(...layouts)).toBeLessThanOrEqual(3);
  expect(Math.min(...layouts)).toBeGreaterThan(0);
});
