import { readFileSync, existsSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { NOTE } from './notes.ts';
import {
  choose,
  click,
  eventually,
  keys,
  onPaper,
  openStage,
  sees,
  tabsOnPaper,
  textOf,
  type Stage,
} from './stage.ts';

let stage: Stage;
beforeAll(async () => {
  stage = await openStage({ SAME_SONG_DEMO: '1' });
});
afterAll(() => stage.close());

/** The longest line that the question line offers: the whole reach, up and down. */
const LONG = '/map?in=Ab&play=chromatic&range=all&with=reach';
const SHORT = '/map?in=Eb&play=major-pentatonic';

test.each([
  ['a4', SHORT, false],
  ['letter', SHORT, true],
  ['a4', LONG, true],
  ['letter', LONG, false],
] as const)('Map prints to one page: %s, %s, dark %s', async (format, path, dark) => {
  const page = await stage.page(path, { dark });
  await page.waitForSelector('svg[role="listbox"] [role="option"]');
  const { pages, text: printed } = await onPaper(page, { format });
  expect(pages).toBe(1);
  const tabs = await tabsOnPaper(page);
  expect(tabs.length).toBeGreaterThan(8);
  const words = (text: string) => text.replace(/[\s′″‴°]+/g, ' ');
  for (const tab of new Set(tabs)) expect(words(printed)).toContain(words(tab).trim());
  expect(printed).toContain('In the scale');
  expect(printed).not.toContain('Undo');
  const colours = await page.evaluate(() =>
    getComputedStyle(document.documentElement).getPropertyValue('--paper'),
  );
  expect(colours).toBeTruthy();
  await page.close();
});

const TWO_OCTAVES = 'play=major&range=2';

test.each([
  SHORT,
  LONG,
  `/map?on=preset:whistle/74&in=D&${TWO_OCTAVES}`,
  `/map?on=preset:anglo/C-G-sharp-on-push&in=C&${TWO_OCTAVES}`,
])('with its staff %s is one page too, of both papers', async (path) => {
  const page = await stage.page(path);
  await page.waitForSelector(NOTE);
  // A try that failed may have left it switched on.
  if (!(await page.$('button[value="staff"][aria-pressed="true"]'))) await keys(page, 'f');
  await page.waitForSelector('[aria-label="The line"] ellipse');
  for (const format of ['a4', 'letter'] as const) {
    const { pages, text } = await onPaper(page, { format });
    expect([format, pages]).toEqual([format, 1]);
    // Down to the last line, large enough to be read.
    expect(text).toContain('Solid: home and chord tones');
  }
  const zoom = await page.evaluate(() => {
    window.dispatchEvent(new Event('beforeprint'));
    const set = document.querySelector<HTMLElement>('[data-one-page]')!.style.zoom;
    window.dispatchEvent(new Event('afterprint'));
    return [Number(set || '1'), document.querySelector<HTMLElement>('[data-one-page]')!.style.zoom];
  });
  expect(zoom[0]).toBeGreaterThan(0.55);
  expect(zoom[1]).toBe('');
  const heads = (where: string) => page.$$eval(`${where} ellipse`, (drawn) => drawn.length);
  const notes = await page.$$eval(NOTE, (drawn) => drawn.length);
  expect(await heads('[data-one-page]')).toBe(notes);
  expect(await heads('[aria-label="The line"]')).toBe(notes);
  await keys(page, 'f');
  await eventually(
    () => page.$$('[aria-label="The line"] ellipse, [data-one-page] ellipse'),
    (staves) => expect(staves).toHaveLength(0),
  );
  await page.close();
});

test.each(['table', 'cabinet', 'which', 'circle', 'lesson', 'chords', 'identify?notes=C+D+E+G+A', 'switch'])(
  'of Keys, %s prints to one page of both papers, under its question and without what a screen is for',
  async (view) => {
    const page = await stage.page(`/keys/${view}`);
    await page.waitForSelector('[role="tabpanel"] svg, [role="tabpanel"] td');
    const question = (await textOf(page, 'main h1')).slice(0, 20);
    for (const format of ['a4', 'letter'] as const) {
      const { pages, text } = await onPaper(page, { format });
      expect([format, pages]).toEqual([format, 1]);
      expect(text).toContain(question);
      expect(text).not.toMatch(/Open in Map|Print alone|Clockwise|What is this\?/);
    }
    await page.close();
  },
);

test('a hand-out is made of cells and of what is asked, ordered, and printed with a new page for each scale', async () => {
  const page = await stage.page('/keys/table?in=Bb&play=major');
  await click(page, 'this cell');
  await sees(page, '1 entry put on the hand-out.');
  await click(page, 'Hand-out');
  await page.waitForSelector('[role="tabpanel"] section h2');
  await keys(page, 's', '“six note blues”', 'Enter');
  await click(page, 'Add what is asked above');
  await keys(page, 's', '“major”', 'Enter', 'k', '“F”', 'Enter');
  await click(page, 'Add what is asked above');
  const heads = () => page.$$eval('[role="tabpanel"] section h2', (found) => found.map((e) => e.textContent));
  const on = 'on Mara’s low E♭ harmonica';
  await eventually(heads, (names) =>
    expect(names).toEqual([`B♭ major ${on}`, `B♭ six-note blues ${on}`, `F major ${on}`]),
  );
  await page.click('[aria-label="What goes on it"] li:nth-child(3) [title^="Up"]');
  await eventually(heads, (names) =>
    expect(names).toEqual([`B♭ major ${on}`, `F major ${on}`, `B♭ six-note blues ${on}`]),
  );
  const { pages, text: printed } = await onPaper(page, { from: 2 });
  expect(pages).toBe(2);
  expect(printed).toContain('B♭ six-note blues');
  expect(printed).not.toContain('Add what is asked');
  await choose(page, '[aria-label="What goes on it"] select', 'each');
  await eventually(
    () => onPaper(page),
    (paper) => expect(paper.pages).toBe(3),
  );
  await page.close();
});

/** Lets a page hand out files; gives what one of a name holds once it is there. */
async function filesOf(page: Page): Promise<(name: string) => Promise<string>> {
  const session = await page.createCDPSession();
  await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: stage.folder });
  return async (name) => {
    const file = join(stage.folder, name);
    for (let i = 0; i < 200 && !existsSync(file); i += 1)
      await new Promise((resolve) => setTimeout(resolve, 100));
    return readFileSync(file, 'utf8');
  };
}

/** What a press of “Print alone” puts on paper. */
async function printedAlone(page: Page, press: () => Promise<void>): ReturnType<typeof onPaper> {
  await page.evaluate(() => {
    window.print = () => undefined;
  });
  await press();
  await page.waitForSelector('body > [data-one-page]');
  const paper = await onPaper(page);
  // Off the paper everything is as before.
  await eventually(
    () => page.$$('body > [data-one-page]'),
    (left) => expect(left).toEqual([]),
  );
  return paper;
}

test('tab and drawing are handed out as files, and the drawing is printed alone', async () => {
  const page = await stage.page(SHORT);
  await sees(page, 'major pentatonic');
  const file = await filesOf(page);
  const shown = await textOf(page, '[aria-label="Tab of the line"]');
  const closed = () => page.waitForFunction(() => !document.querySelector('[role="menu"]'));
  await click(page, 'Files');
  await click(page, 'Tab as a text file');
  await closed();
  await click(page, 'Files');
  await click(page, 'Drawing as a file');
  await closed();
  const name = 'Play-major-pentatonic-in-E-flat-on-Mara-s-low-E-flat-harmonica-one-octave-up-and';
  expect((await file(`${name}.txt`)).replace(/\s+/g, ' ')).toContain(shown);
  const svg = await file(`${name}.svg`);
  expect(svg).toContain('<svg xmlns="http://www.w3.org/2000/svg"');
  expect(svg.match(/<g id="/g)!.length).toBe(
    await page.$$eval('svg[role="listbox"] [role="option"]', (chips) => chips.length),
  );
  const paper = await printedAlone(page, async () => {
    await click(page, 'Files');
    await click(page, 'Print the drawing alone');
  });
  expect(paper.pages).toBe(1);
  expect(paper.text).toContain('Play major pentatonic in E♭');
  expect(paper.text).not.toContain('In the scale');
  expect(stage.complaints()).toEqual([]);
  await page.close();
});

test('the circle and the table of positions are handed out and printed alone, black on white in the dark too', async () => {
  const page = await stage.page('/keys/circle?in=Eb&play=major', { dark: true });
  await page.waitForSelector('[data-step]');
  const file = await filesOf(page);
  await click(page, 'Save as file: The circle from E♭');
  const svg = await file('The-circle-from-E-flat.svg');
  expect(svg).not.toMatch(/class=|var\(|tabindex/);
  for (const key of ['E♭', 'B♭', 'F♯', 'Cm']) expect(svg).toContain(`>${key}<`);
  // All inks are those of paper: no red, no green, whatever the screen shows.
  const colours = new Set(svg.match(/(?:fill|stroke)="rgb\([^"]*\)"/g));
  expect([...colours].filter((ink) => !/rgb\((\d+), \1, \1\)/.test(ink))).toEqual([]);
  expect(colours.size).toBeGreaterThan(2);
  const circle = await printedAlone(page, () => click(page, 'Print alone: The circle from E♭'));
  expect(circle.pages).toBe(1);
  expect(circle.text).toContain('The circle from E♭');
  expect(circle.text).not.toContain('position of an instrument');

  await click(page, 'Which one to take');
  await page.waitForSelector('main table td');
  const title = 'Which diatonic harmonica to take for E♭ major';
  await click(page, `Save as file: ${title}`);
  const rows = (await file('Which-diatonic-harmonica-to-take-for-E-flat-major.csv')).trim().split('\r\n');
  expect(rows.length).toBe(await page.$eval('main table', (table) => table.rows.length));
  const table = await printedAlone(page, () => click(page, `Print alone: ${title}`));
  // The first to take is one in its own key; the position stands in the second column.
  expect(rows[1]).toMatch(/^"?E♭.*1st position/);
  expect(table.text).toContain('1st position');
  expect(table.text).toContain('12th position');
  expect(table.text).not.toContain('Kind of instrument');
  expect(stage.complaints()).toEqual([]);
  await page.close();
});

test.each(['a4', 'letter'] as const)('a comparison is printed whole, on one page of %s', async (format) => {
  const page = await stage.page(`${SHORT}&vs=play:dorian`);
  await page.waitForSelector('[data-one-page] table');
  const { pages, text } = await onPaper(page, { format });
  expect(pages).toBe(1);
  for (const part of ['Beside it: Dorian', 'notes to be had', 'Notes kept', 'Leave out now'])
    expect(text).toContain(part);
  const tabs = await tabsOnPaper(page);
  expect(tabs.length).toBe(11 + 15);
  const words = (said: string) => said.replace(/[\s′″‴°]+/g, ' ').trim();
  for (const tab of tabs) expect(words(text)).toContain(words(tab));
  await page.close();
});
