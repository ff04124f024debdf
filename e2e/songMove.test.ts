import type { ElementHandle, Page } from 'puppeteer-core';
import { chipsOf, factsOf, LOW_HARMONICA, songPath } from './songPage.ts';
import { NOTE, LOOPED_NOTE, counts } from './notes.ts';
import {
  barriers,
  choose,
  click,
  eventually,
  keys,
  openStage,
  sees,
  shows,
  textOf,
  type Stage,
} from './stage.ts';

let stage: Stage;
let page: Page;
beforeAll(async () => {
  stage = await openStage({ SAME_SONG_DEMO: '1' });
});
afterAll(async () => {
  expect(stage.complaints()).toEqual([]);
  await stage.close();
});
afterEach(() => page.close());

const chips = () => chipsOf(page);
const facts = () => factsOf(page);

test('into another mode by its degrees, and back', async () => {
  page = await stage.page(`${songPath(1)}?${LOW_HARMONICA}`);
  await eventually(chips, (found) => expect(found.length).toBeGreaterThan(20));
  const thirds = async () => (await chips()).filter((text) => text.includes('degree 3')).length;
  const flat = async () => (await chips()).filter((text) => text.includes('degree ♭3')).length;
  const before = await thirds();
  expect([await flat(), before > 0]).toEqual([0, true]);
  await keys(page, 'm');
  await page.keyboard.type('dorian');
  await keys(page, 'Enter');
  await eventually(flat, (count) => expect(count).toBe(before));
  expect(page.url()).toContain('mode=dorian');
  await click(page, 'Undo');
  await eventually(thirds, (count) => expect(count).toBe(before));
});

test('another arrangement stands under this one, note under note, with what is easier there', async () => {
  page = await stage.page(`${songPath(0)}?${LOW_HARMONICA}&by=0`);
  await eventually(chips, (found) => expect(found.length).toBeGreaterThan(25));
  const once = (await chips()).length;
  await keys(page, 'x');
  await page.waitForSelector('[aria-label="Beside it"] select');
  const other = await page.$eval('[aria-label="Beside it"] select', (select) => {
    const options = [...select.options];
    return options.find(({ text }) => text.startsWith('Ossian’s B♭'))!.value;
  });
  await choose(page, '[aria-label="Beside it"] select', other);
  await sees(page, 'notes that cannot be had: 11 fewer');
  await eventually(chips, (found) => expect(found).toHaveLength(2 * once));
  const [upper, lower] = await page.$$eval('[aria-label="System"]:first-child [role="listbox"]', (rows) =>
    rows.map((row) =>
      [...row.querySelectorAll('[role="option"]')].map((note) => (note as HTMLElement).offsetLeft),
    ),
  );
  expect(lower!.length).toBe(upper!.length);
  expect(Math.max(...lower!.map((x, i) => Math.abs(x - upper![i]!)))).toBeLessThan(2);
  await click(page, 'play that one');
  await eventually(facts, (text) => expect(text).toContain('all 78 notes can be had'));
});

test('the same tab on another harmonica, and every key of a lick with its tab', async () => {
  page = await stage.page(`${songPath(16)}?${LOW_HARMONICA}`);
  await eventually(chips, (found) => expect(found.length).toBeGreaterThan(3));
  const tab = () => textOf(page, '[aria-label="Tab"] pre');
  const before = await tab();
  await keys(page, 'x');
  await page.waitForSelector('section[aria-label="Move it"] details[open] pre');
  const tabs = await page.$$eval('section[aria-label="Move it"] details pre', (all) =>
    all.map((one) => one.textContent ?? ''),
  );
  expect(tabs).toHaveLength(12);
  expect(new Set(tabs).size).toBe(12);
  await page.waitForSelector('section[aria-label="Move it"] > div:nth-child(2) li button');
  await page.click('section[aria-label="Move it"] > div:nth-child(2) li button');
  await page.waitForFunction((on) => !location.search.includes(on), {}, LOW_HARMONICA);
  await eventually(tab, (now) => expect(now).toBe(before));
});

test('a passage is marked by two keys and played again and again; what sounds is chosen', async () => {
  page = await stage.page(`${songPath(0)}?${LOW_HARMONICA}`);
  await eventually(chips, (found) => expect(found.length).toBeGreaterThan(25));
  const selected = (count: number) =>
    eventually(
      () => page.$$eval(NOTE, (all) => all.findIndex((one) => one.getAttribute('aria-selected') === 'true')),
      (at) => expect(at).toBe(count),
    );
  await keys(page, 'ArrowRight');
  await selected(0);
  await keys(page, 'ArrowRight');
  await selected(1);
  await keys(page, '[');
  await sees(page, 'again and again');
  await keys(page, 'ArrowRight');
  await selected(2);
  await keys(page, 'ArrowRight');
  await selected(3);
  await keys(page, ']');
  await counts(page, LOOPED_NOTE, 3);
  await click(page, 'What sounds');
  await sees(page, 'Without the melody, to play it yourself');
  expect(await barriers(page)).toEqual([]);
  await keys(page, 'Escape');
  await page.waitForFunction(() => !document.querySelector('[aria-label="What sounds"]'));
  await keys(page, '\\');
  await counts(page, LOOPED_NOTE, 0);
});

test('chords under the melody, as much of them as can be held, each note to be left out', async () => {
  page = await stage.page(`${songPath(2)}?${LOW_HARMONICA}`);
  await eventually(chips, (found) => expect(found.length).toBeGreaterThan(10));
  await keys(page, 'e');
  await page.keyboard.type('bass and chords');
  await keys(page, 'Enter');
  await page.waitForFunction(() => location.search.includes('adds=rhythm-medium'));
  await keys(page, 'a');
  await page.keyboard.type('three');
  await keys(page, 'Enter');
  await page.waitForFunction(() => location.search.includes('adds=rhythm-full'));
  await page.waitForSelector('[aria-label="Notes added"] b');
  await sees(page, 'notes added.');
  const count = () =>
    page.$eval('aside[aria-label]', (all) => Number(/(\d+) notes? added/.exec(all.textContent)![1]));
  const before = await count();
  const lefts = (selector: string) =>
    page.$$eval(`[aria-label="System"]:first-child ${selector}`, (all) =>
      all.map((one) => one.getBoundingClientRect()).map(({ left, width }) => left + width / 2),
    );
  const [column] = await lefts('[aria-label="Notes added"] > :not(:first-child)');
  const under = (await lefts(NOTE)).findLastIndex((left) => left <= column! + 1);
  await (await page.$$(`[aria-label="System"]:first-child ${NOTE}`))[under]!.click();
  await click(page, 'leave it out');
  await eventually(count, (now) => expect(now).toBe(before - 1));
  await click(page, 'Undo');
  await eventually(count, (now) => expect(now).toBe(before));
});

test('an ornament that lies well is put in before a note, and taken out again', async () => {
  page = await stage.page(`${songPath(2)}?${LOW_HARMONICA}&by=5`);
  await eventually(chips, (found) => expect(found.length).toBeGreaterThan(10));
  const graces = () => page.$$eval('[aria-label="Staff"] svg [class*="grace"]', (all) => all.length);
  const before = await graces();
  await page.click(`${NOTE}:not([title*="not to be had"])`);
  await (await page.waitForSelector('summary::-p-text(Ornaments that lie well)'))!.click();
  await page.waitForSelector('section[aria-label="The note"] details[open] li button');
  await page.click('section[aria-label="The note"] details[open] li button');
  await sees(page, 'is in: press again to take it out');
  expect(page.url()).toContain('figures=');
  await page.click('section[aria-label="The note"] li [aria-pressed="true"]');
  await page.waitForFunction(() => !location.search.includes('figures='));
  await eventually(graces, (count) => expect(count).toBe(before));
});

test('a dance is ornamented by one choice, as the staff and the tab show, and that is one step of undo', async () => {
  page = await stage.page(`${songPath(0)}?on=5a3e5046-0000-4000-8000-000000000008`);
  await eventually(chips, (found) => expect(found.length).toBeGreaterThan(10));
  await (await page.waitForSelector('aside[aria-label] button::-p-text(put in)'))!.click();
  await sees(page, 'take them all out');
  await page.waitForFunction(() => /figures=[^&]*~roll/.test(decodeURIComponent(location.search)));
  await click(page, 'Undo');
  await page.waitForFunction(() => !location.search.includes('figures='));
  await click(page, 'Redo');
  await click(page, 'take them all out');
  await page.waitForFunction(() => !location.search.includes('figures='));
});

test('a chord chart: a chord by name or notes, every hold with its fingers, what is not to be held and why', async () => {
  // From a chord of the song to how the dulcimer in C G C holds it.
  page = await stage.page(`${songPath(2)}?on=5a3e5046-0000-4000-8000-000000000012`);
  await page.waitForSelector('a[href*="/keys/holds"]');
  await page.goto(`${stage.address}/keys/holds?on=5a3e5046-0000-4000-8000-000000000012&in=C&play=major`);
  await sees(page, 'C is C E G.');
  await shows(page, 'section[aria-label="C"] tbody tr:first-child', '0-0-2');
  const field = (await page.waitForSelector('main input[placeholder]')) as ElementHandle<HTMLInputElement>;
  await field.click({ count: 3 });
  await field.type('H7');
  await sees(page, 'Write a chord such as C7');
  await field.click({ count: 3 });
  await field.type('F A C');
  await keys(page, 'Enter');
  await sees(page, 'F A C is F A C.');
  expect(page.url()).toContain('chord=F+A+C');
  await page.click('section[aria-label="F A C"] tbody tr:nth-child(2) th button');
  await page.waitForFunction(() => new URL(window.location.href).searchParams.get('hold') !== null);
  expect(await page.$$eval('tr.Mui-selected', (rows) => rows.length)).toBe(1);
  expect(await barriers(page)).toEqual([]);
  // Undo brings the chord before back.
  await keys(page, 'Escape');
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await click(page, 'Undo');
  await click(page, 'Undo');
  await sees(page, 'C is C E G.');
});
