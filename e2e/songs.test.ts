import { readFileSync, writeFileSync, existsSync } from 'node:fs';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { NOTE, PINNED, PINNED_NOTE } from './notes.ts';
import {
  barriers,
  choose,
  click,
  eventually,
  keys,
  onPaper,
  openStage,
  sees,
  shows,
  type Stage,
} from './stage.ts';
import { chipsOf, factsOf, LOW_HARMONICA, songPath } from './songPage.ts';

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

const titles = () =>
  page.$$eval('table[aria-rowcount] tbody th', (cells) => cells.map((cell) => cell.textContent ?? ''));
const chips = () => chipsOf(page);
const facts = () => factsOf(page);

test('from ABC in a box to notes on an instrument, by keyboard alone; undo takes it away again', async () => {
  page = await stage.page('/map');
  await page.waitForSelector('svg[role="listbox"] [role="option"]');
  await keys(page, '3');
  await page.waitForSelector('table[aria-rowcount]');
  await keys(page, 'a');
  await page.waitForSelector('section:has(textarea) textarea');
  await page.keyboard.type('T:Trial of the box\nM:3/4\nL:1/4\nK:G\nG2 B | A3 | G3 |]');
  await page.waitForSelector('[aria-label="Staff"] svg');
  await shows(page, 'section:has(textarea) select', 'ABC');
  await page.focus('button::-p-text(Keep it)');
  await keys(page, 'Enter');
  await page.waitForFunction(() => /^\/songs\/.{36}$/.test(location.pathname));
  await sees(page, 'Trial of the box');
  await eventually(chips, (found) => expect(found).toHaveLength(4));
  expect((await chips())[0]).toContain('G4, degree 1');
  await click(page, 'Undo');
  // What is asked of the server is not cut short by leaving.
  const answer = () => page.evaluate(async () => (await fetch(`/api${location.pathname}`)).status);
  await eventually(answer, (status) => expect(status).toBe(404));
  await page.goto(`${stage.address}/songs`);
  await eventually(titles, (found) => {
    expect(found.length).toBeGreaterThan(10);
    expect(found).not.toContain('Trial of the box');
  });
});

test('degrees and tab are taken for what they are; what is wrong is told by its place', async () => {
  page = await stage.page('/songs');
  await click(page, 'Write one');
  const box = (await page.waitForSelector('section:has(textarea) textarea'))!;
  await box.type('key: D\n1 2 3 -');
  await page.waitForSelector('[aria-label="Staff"] svg');
  expect(await page.$eval('section:has(textarea) select', (select) => select.value)).toBe('degrees');
  await box.type(' 9');
  await choose(page, 'section:has(textarea) select', 'degrees');
  await sees(page, 'Line 2, column 9: “9” is no degree');
  await box.click({ count: 3 });
  await page.keyboard.down('Control');
  await keys(page, 'a');
  await page.keyboard.up('Control');
  await box.type('4 blow, 4 draw, 5 blow');
  await choose(page, 'section:has(textarea) select', 'tab');
  await sees(page, 'It has no rhythm yet');
  await page.waitForSelector('[aria-label="Staff"] svg');
});

async function readFiles(
  ...files: readonly (readonly [name: string, content: string | Buffer])[]
): Promise<void> {
  const paths = files.map(([name, content]) => {
    const path = join(stage.folder, name);
    writeFileSync(path, content);
    return path;
  });
  const input = (await page.waitForSelector(
    'main header input[type="file"]',
  )) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(...paths);
}

test('many files at once: a book to choose from, one that is no song, and undo for all of them', async () => {
  page = await stage.page('/songs');
  await readFiles(
    ['book.abc', 'X:1\nT:First of the book\nK:C\nCDEF|\n\nX:2\nT:Second of the book\nK:C\nGABc|\n'],
    ['notes.txt', 'nothing of the kind'],
    [
      'score.xml',
      '<score-partwise><part-list/><part id="P"><measure><attributes><divisions>1</divisions></attributes><note><pitch><step>C</step><octave>4</octave></pitch><duration>4</duration></note></measure></part></score-partwise>',
    ],
  );
  await sees(page, '3 songs in 3 files');
  await sees(page, 'none of the kinds that are read');
  await page.click('input[aria-label="Keep Second of the book"]');
  await click(page, 'Keep 2');
  await sees(page, '2 records kept.');
  await eventually(titles, (found) => expect(found).toContain('First of the book'));
  expect(await titles()).not.toContain('Second of the book');
  await click(page, 'Undo');
  await eventually(titles, (found) => expect(found).not.toContain('First of the book'));
});

test('the library is found by any word, and a song goes to the bin and back', async () => {
  page = await stage.page('/songs');
  await page.waitForSelector('table[aria-rowcount]');
  await page.type('input[type="search"]', 'waltz dm');
  await eventually(titles, (found) => expect(found).toEqual(["Candle in the Crow's Nest"]));
  await click(page, 'bin');
  await sees(page, 'is in the bin.');
  await sees(page, 'No song has “waltz dm”');
  await page.click('[role="alert"] button');
  await eventually(titles, (found) => expect(found).toHaveLength(1));
});

test('moved to where it lies better, and back by undo; the link holds it all', async () => {
  page = await stage.page(`${songPath(0)}?${LOW_HARMONICA}`);
  await eventually(facts, (text) => expect(text).toContain('of 78 notes can be had'));
  await page.waitForSelector('ul[aria-label="Keys"] button');
  await page.click('ul[aria-label="Keys"] li:first-child button');
  await eventually(facts, (text) => expect(text).toContain('all 78 notes can be had'));
  const link = page.url();
  expect(link).toMatch(/by=-?\d+/);
  await page.goto(link);
  await eventually(facts, (text) => expect(text).toContain('all 78 notes can be had'));
  await page.goto(`${stage.address}${songPath(0)}?${LOW_HARMONICA}`);
  await eventually(facts, (text) => expect(text).toContain('5th position'));
  await keys(page, 'k');
  await page.keyboard.type('bb');
  await keys(page, 'Enter');
  await eventually(facts, (text) => expect(text).toContain('2nd position'));
  await click(page, 'Undo');
  await eventually(facts, (text) => expect(text).not.toContain('2nd position'));
});

test('a note that cannot be had has its ways out, each one click, and undone', async () => {
  page = await stage.page(`${songPath(0)}?${LOW_HARMONICA}&by=0`);
  await eventually(chips, (found) => expect(found.length).toBeGreaterThan(25));
  // Of the whole song, drawn or not.
  const missing = async () => {
    const [, had, all] = /(\d+) of (\d+) notes can be had/.exec(await facts()) ?? [];
    return Number(all) - Number(had);
  };
  const before = await missing();
  await page.click(`${NOTE}[title*="not to be had"]`);
  await click(page, 'leave it out');
  await eventually(missing, (count) => expect(count).toBe(before - 1));
  await click(page, 'Undo');
  await eventually(missing, (count) => expect(count).toBe(before));
  await page.click('button[aria-label^="an octave lower: E4, all"]');
  await eventually(missing, (count) => expect(count).toBeLessThan(before - 1));
  await click(page, 'Undo');
  await eventually(missing, (count) => expect(count).toBe(before));
  await click(page, 'leave it out');
  await sees(page, 'Played otherwise than written');
  await click(page, 'play what is written');
  await eventually(missing, (count) => expect(count).toBe(before));
});

test('another way for a note is pinned, and stays with the arrangement that is kept', async () => {
  page = await stage.page(`${songPath(1)}?on=5a3e5046-0000-4000-8000-000000000011`);
  await eventually(chips, (found) => expect(found.length).toBeGreaterThan(20));
  await keys(page, 'ArrowRight');
  await page.waitForSelector('section[aria-label="The note"] ul button');
  await page.click('section[aria-label="The note"] ul button');
  await page.waitForSelector(PINNED_NOTE);
  await click(page, 'Keep this one');
  await sees(page, 'is kept.');
  const kept = (await page.evaluate(async () => (await fetch('/api/arrangements')).json())) as {
    items: { songId: string }[];
  };
  expect(kept.items.at(-1)!.songId).toContain('501');
  // It is opened again with its pin, and brought up to date.
  await page.goto(`${stage.address}${songPath(1)}?on=5a3e5046-0000-4000-8000-000000000011&by=-12`);
  await page.waitForSelector('section[aria-label="Kept arrangements"] li button');
  await page.click('section[aria-label="Kept arrangements"] .MuiButton-text');
  await sees(page, 'is kept as it is now.');
  await click(page, 'Undo');
  await page.waitForFunction(() =>
    document.querySelector('section[aria-label="Kept arrangements"]')?.textContent?.includes('in place of'),
  );
  await page.click('section[aria-label="Kept arrangements"] li button');
  await page.waitForSelector(PINNED_NOTE);
  expect(page.url()).toContain('pin=');
  // A pin belongs to the octave in which it was made.
  expect(page.url()).toContain('by=0');
});

test('out as files: ABC with the tab under the notes, MusicXML, tab as text', async () => {
  page = await stage.page(`${songPath(2)}?${LOW_HARMONICA}`);
  await eventually(chips, (found) => expect(found.length).toBeGreaterThan(10));
  const session = await stage.browser.target().createCDPSession();
  await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: stage.folder });
  await click(page, 'As a file');
  await sees(page, 'Chord symbols are left out: MIDI has no word for them.');
  await keys(page, 'Escape');
  const noMenu = () => page.waitForFunction(() => !document.querySelector('[role="menu"]'));
  await noMenu();
  const saved = async (item: string, ending: string) => {
    await click(page, 'As a file');
    await click(page, item);
    await noMenu();
    const file = join(stage.folder, `The-Net-Menders-in-F-major.${ending}`);
    await eventually(
      () => Promise.resolve(existsSync(file)),
      (there) => expect(there).toBe(true),
    );
    return readFileSync(file, 'utf8');
  };
  const abc = await saved('ABC, tab under the notes', 'abc');
  expect(abc).toMatch(/^w:3draw″/m);
  expect(await saved('MusicXML, tab under the notes', 'musicxml')).toContain(
    '<work-title>The Net Menders</work-title>',
  );
  expect(await saved('Tab as text', 'txt')).toContain('3 draw ″');
});

test('prints title, staff and tab on as few sheets as it takes, without the controls', async () => {
  page = await stage.page(`${songPath(2)}?${LOW_HARMONICA}`);
  await eventually(chips, (found) => expect(found.length).toBeGreaterThan(10));
  for (const format of ['a4', 'letter'] as const) {
    const { pages, text } = await onPaper(page, { format });
    expect(pages).toBeLessThanOrEqual(2);
    expect(text).toContain('The Net Menders');
    expect(text).toContain('light,');
    expect(text).not.toContain('Shortcuts');
    expect(text).not.toContain('Easier where?');
  }
});

test.each([
  [1280, 800, false],
  [768, 1024, true],
])(
  'at %d × %d, dark %s: nothing runs over, no barrier, an empty library says what to do',
  async (width, height, dark) => {
    page = await stage.page(`${songPath(0)}?${LOW_HARMONICA}&at=n3`, { width, height, dark });
    await eventually(chips, (found) => expect(found.length).toBeGreaterThan(10));
    await keys(page, 'd');
    await page.waitForSelector('svg[role="img"] [data-way]');
    const over = await page.evaluate(() => {
      const main = document.querySelector('main')!;
      return main.scrollWidth - main.clientWidth;
    });
    expect(over).toBeLessThanOrEqual(0);
    expect(await barriers(page)).toEqual([]);
  },
);

test('a song is written otherwise as ABC: pins stay with their notes, and undo brings the old one back', async () => {
  page = await stage.page(`${songPath(16)}?on=5a3e5046-0000-4000-8000-000000000011`);
  await eventually(chips, (found) => expect(found).toHaveLength(10));
  await page.click('[data-key="n6"]');
  await page.waitForSelector('section[aria-label="The note"] ul button');
  await page.click('section[aria-label="The note"] ul button');
  await page.waitForSelector(`[data-key="n6"]${PINNED}`);
  await click(page, 'Change');
  const box = (await page.waitForSelector('textarea'))!;
  const abc = await box.evaluate((area) => area.value);
  expect(abc).toContain('T:Lick: down the steps');
  await box.evaluate((area) =>
    area.setSelectionRange(area.value.indexOf('K:G') + 4, area.value.indexOf('K:G') + 4),
  );
  await box.focus();
  await page.keyboard.type('G2 ');
  await page.waitForSelector('[aria-label="Staff"] svg');
  await page.waitForFunction(() =>
    [...document.querySelectorAll('button')].some((b) => b.textContent.trim() === 'Keep it' && !b.disabled),
  );
  await click(page, 'Keep it');
  await sees(page, 'is changed.');
  await eventually(chips, (found) => expect(found).toHaveLength(11));
  await page.waitForSelector(`[data-key="n6"]${PINNED}`);
  await click(page, 'Undo');
  await eventually(chips, (found) => expect(found).toHaveLength(10));
});

test('on everything in the cabinet, what has all of it first; one click plays it there', async () => {
  page = await stage.page(`${songPath(7)}?${LOW_HARMONICA}`);
  // Once all above it stands, so that it does not move away under the hand.
  await page.waitForSelector('ul[aria-label="Keys"] li');
  await eventually(chips, (found) => expect(found.length).toBeGreaterThan(25));
  await click(page, 'Try every instrument');
  const rows = () =>
    page.$$eval('ul[aria-label="On all I have"] li', (items) =>
      items.map((li) => (li as HTMLElement).innerText.replace(/\s+/g, ' ')),
    );
  await eventually(rows, (found) => expect(found).toHaveLength(14));
  const found = await rows();
  const whole = found.map((row) => row.includes('in this key all notes'));
  expect(whole).toEqual([...whole].sort((a, b) => Number(b) - Number(a)));
  // It spans more than three octaves: no whistle has it in any key.
  for (const row of found.filter((text) => text.includes('whistle'))) expect(row).not.toContain('all notes');
  await page.click('ul[aria-label="On all I have"] li button');
  await eventually(facts, (text) => expect(text).toContain('all 39 notes can be had'));
});

test('a song that is not there says so', async () => {
  page = await stage.page('/songs/11111111-0000-4000-8000-000000000000');
  await sees(page, 'There is no such song');
});
