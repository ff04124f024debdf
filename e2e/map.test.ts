import type { Page } from 'puppeteer-core';
import { counts, NOTE, PINNED_NOTE, SOUNDING_NOTE } from './notes.ts';
import { click, eventually, keys, openStage, sees, shows, textOf, type Stage } from './stage.ts';

let stage: Stage;
let page: Page;

beforeAll(async () => {
  stage = await openStage();
});
afterAll(() => stage.close());

const sentence = () => textOf(page, 'main h1');
const pinned = () => page.$$eval(PINNED_NOTE, (pins) => pins.length);

/** Waits for the tab of the line to become what is wanted, and fails telling what it is instead. */
const tabBecomes = (text: string) =>
  eventually(
    () => textOf(page, '[aria-label="Tab of the line"]'),
    (tab) => expect(tab).toBe(text),
  );

/** Place in the line of the note that sounds; −1 for none. */
const soundingAt = () =>
  [...document.querySelectorAll('[role="option"]')].findIndex((note) => note.hasAttribute('aria-current'));

test('of a long line three lines of tab are shown, and all of it when asked', async () => {
  page = await stage.page('/map?on=preset:anglo/G-D-sharp-on-push&in=G&play=major&range=all');
  await page.waitForSelector('[aria-label="Tab of the line"]');
  const hidden = () =>
    page.$eval('[aria-label="Tab of the line"]', (tab) => tab.scrollHeight - tab.clientHeight);
  const last = () =>
    page.$eval('[aria-label="Tab of the line"] > span > span:last-of-type', (note) => note.textContent);
  await eventually(hidden, (height) => expect(height).toBeGreaterThan(100));
  await click(page, 'All of the tab');
  await eventually(hidden, (height) => expect(height).toBeLessThanOrEqual(2));
  expect(await last()).toBe('left middle 5 push');
  await click(page, 'Three lines of the tab');
  await eventually(hidden, (height) => expect(height).toBeGreaterThan(100));
  // A short line has nothing to show more of.
  await page.goto(page.url().replace('range=all', 'range=1&dir=up'));
  await page.waitForSelector('[aria-label="Tab of the line"] span span');
  expect(await page.$$(':has(> [aria-label="Tab of the line"]) > button')).toEqual([]);
  await page.close();
});

test('first start, by keyboard alone: an instrument, three scales, a pin, undo, and all of it there after a reload', async () => {
  page = await stage.page('/');
  await sees(page, 'Your cabinet is empty, so this one is on loan.');

  await keys(page, '6');
  await sees(page, 'What do you have?');
  const wanted = 'Add a low E♭ diatonic harmonica';
  for (let i = 0; i < 60; i += 1) {
    if ((await page.evaluate(() => document.activeElement?.getAttribute('aria-label'))) === wanted) break;
    await keys(page, 'Tab');
  }
  await keys(page, 'Enter');
  await sees(page, 'low E♭ harmonica is in the cabinet.');

  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await keys(page, '1');
  await page.waitForSelector('svg[role="listbox"] [role="option"]');
  await keys(page, 's', '“blues in Bb”', 'Enter');
  await sees(page, '2nd position');
  await eventually(sentence, (shown) =>
    expect(shown).toMatch(/^Play six-note blues in B♭ on low E♭ harmonica ?, one octave up and down/),
  );
  await tabBecomes(
    '2 draw, 3 draw ′, 4 blow, 4 draw ′, 4 draw, 5 draw, 6 blow, 5 draw, 4 draw, 4 draw ′, 4 blow, 3 draw ′, 2 draw',
  );

  await keys(page, 's', '“f dor”', 'Enter');
  await sees(page, '3rd position');
  await shows(page, 'main h1', 'Play Dorian in F');

  await keys(page, 's', '“1 2 b3 #4 5 6 b7”', 'Enter');
  await sees(page, '3 and 7 lowered; 4 raised');
  await shows(page, 'main h1', 'Play Dorian ♯4 in F');

  await keys(page, 's', '“major”', 'Enter', 'k', '“bb”', 'Enter', 'd', '“down”', 'Enter');
  // The upper octave is whole; from 2 draw the seventh is missing.
  await tabBecomes('9 blow, 9 blow ′, 8 blow, 8 draw, 7 blow, 7 draw, 6 draw, 6 blow');
  await keys(page, 'r', '“low oct”', 'Enter');
  await shows(page, 'main h1', 'the low octave');
  await tabBecomes('6 blow, (A4), 5 blow, 4 draw, 4 blow, 3 draw, 3 draw ″, 2 draw');

  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await keys(page, 'ArrowLeft');
  await shows(page, 'section[aria-label="The note"] h2', 'B♭3');
  await keys(page, 'a');
  await tabBecomes('6 blow, (A4), 5 blow, 4 draw, 4 blow, 3 draw, 3 draw ″, 3 blow');
  await eventually(pinned, (pins) => expect(pins).toBe(1));

  await page.reload({ waitUntil: 'networkidle0' });
  await tabBecomes('6 blow, (A4), 5 blow, 4 draw, 4 blow, 3 draw, 3 draw ″, 3 blow');
  await eventually(pinned, (pins) => expect(pins).toBe(1));
});

test('a pin is set with one key, and undo and redo take it away and bring it back', async () => {
  page = await stage.page('/map?in=Bb&play=major&dir=up&at=70.1');
  await sees(page, 'Pin as it is');
  await keys(page, 'p');
  await page.waitForSelector(PINNED_NOTE);
  await page.keyboard.down('Control');
  await keys(page, 'z');
  await page.keyboard.up('Control');
  await sees(page, 'Undone: pin');
  await counts(page, PINNED_NOTE, 0);
  await click(page, 'Redo');
  await page.waitForSelector(PINNED_NOTE);
});

test('a question kept under a name opens again from another device', async () => {
  page = await stage.page('/map?in=C&play=natural-minor&range=all&dir=up');
  await sees(page, 'natural minor');
  await click(page, 'Keep');
  await page.waitForSelector('[aria-label="Keep this question"] input');
  await page.type('[aria-label="Keep this question"] input', 'Quay song 🎶 שיר');
  await keys(page, 'Enter');
  await sees(page, 'Kept “Quay song 🎶 שיר”.');

  page = await stage.page('/map', { apart: true });
  await click(page, 'Keep');
  await (await page.waitForSelector('button::-p-text(Quay song)'))!.click();
  await sees(page, 'the whole reach');
  await shows(page, 'main h1', 'Play natural minor in C');
});

test('what cannot be understood is said in the picker, and the question stays', async () => {
  page = await stage.page('/map?in=Bb&play=major');
  await sees(page, '2nd position');
  const before = await sentence();
  for (const [key, typed, message] of [
    ['k', 'H', 'is not part of a note name'],
    ['s', 'qwerty', 'Nothing fits'],
    ['s', '1 2 2', 'each note once'],
    ['r', 'C4 to X', 'Type a note with its octave'],
    ['r', 'C4', 'Say where it ends'],
  ] as const) {
    await keys(page, key, `“${typed}”`);
    await sees(page, message);
    await keys(page, 'Enter', 'Escape');
    await page.waitForFunction(() => !document.querySelector('input[role="combobox"]'));
    await eventually(sentence, (shown) => expect(shown).toBe(before));
  }
});

test('a mistyped link opens with what it can and says what it cannot', async () => {
  page = await stage.page('/map?in=Q&play=dorian&range=77&pin=75.1:nonsense');
  await sees(page, 'From the link:');
  await shows(page, 'main h1', 'Play Dorian in E♭');
  await sees(page, 'Some pins do not fit');
});

test('arrow keys walk the line and the ways; what is chosen in one place is lit in all', async () => {
  page = await stage.page('/map?in=Bb&play=major&dir=up&range=1.low');
  await sees(page, '2nd position');
  await keys(page, 'ArrowRight', 'ArrowRight');
  const chosen = async () => ({
    line: await page.$eval(`${NOTE}[aria-selected="true"]`, (chip) => (chip as HTMLElement).title),
    drawing: await page.$eval('svg[role="listbox"] [aria-selected="true"] title', (e) => e.textContent),
    verdict: await textOf(page, 'section[aria-label="The note"] h2'),
  });
  const all = (note: string) =>
    eventually(chosen, (texts) => {
      for (const text of Object.values(texts)) expect(text).toContain(note);
    });
  await all('C4');
  await page.click('svg[role="listbox"] [data-way="4d"]');
  await all('F4');
  await keys(page, 'ArrowUp');
  await page.waitForFunction(
    () => !document.querySelector('section[aria-label="The note"] h2')?.textContent?.includes('F4,'),
  );
});

test('Play sounds the line: the note that sounds is marked, moves on, and Stop ends it', async () => {
  page = await stage.page('/map?in=Bb&play=major&dir=up');
  await sees(page, '2nd position');
  await keys(page, ' ');
  const sounding = () => page.evaluate(soundingAt);
  await page.waitForSelector(SOUNDING_NOTE, { timeout: 15_000 });
  const first = await sounding();
  await eventually(
    () => page.evaluate(soundingAt),
    (now) => expect(now).toBeGreaterThan(first),
  );
  await click(page, 'Stop');
  await counts(page, SOUNDING_NOTE, 0);
  await sees(page, 'Play');
});

test('keys are listed by ?, and every place is reached by them', async () => {
  page = await stage.page('/map');
  await keys(page, '?');
  await sees(page, 'Pin the note as it is, or let it go');
  await keys(page, 'Escape');
  await page.waitForFunction(() => !document.body.innerText.includes('Pin the note as it is'));
  await keys(page, '2');
  await page.waitForFunction(() => window.location.pathname.startsWith('/keys'));
  await keys(page, '6');
  await page.waitForFunction(() => window.location.pathname.startsWith('/cabinet'));
});

test.each([
  [1280, 800],
  [768, 1024],
])('at %d × %d nothing runs over the side, and the drawing is whole', async (width, height) => {
  page = await stage.page('/map?in=Bb&play=blues-six&range=2', { width, height });
  await page.waitForSelector('svg[role="listbox"] [role="option"]');
  const over = await page.evaluate(() => {
    const main = document.querySelector('main')!;
    const box = document.querySelector('svg[role="listbox"]')!.getBoundingClientRect();
    return {
      side: main.scrollWidth - main.clientWidth,
      drawing: box.right - main.getBoundingClientRect().right,
    };
  });
  expect(over.side).toBeLessThanOrEqual(0);
  expect(over.drawing).toBeLessThanOrEqual(0);
});

test('no page complained in the console', () => {
  expect(stage.complaints()).toEqual([]);
});

test('a first visit is told what the page is; put away, it stays away', async () => {
  const first = await openStage({}, { firstVisit: true });
  const visitor = await first.page('/map');
  await sees(visitor, 'Every underlined word can be changed');
  await keys(visitor, '?');
  await visitor.waitForSelector('[role="dialog"]');
  await keys(visitor, 'Escape');
  await visitor.waitForFunction(() => !document.querySelector('[role="dialog"]'));
  await click(visitor, 'Got it');
  await visitor.waitForFunction(() => !document.body.innerText.includes('Every underlined word'));
  await visitor.reload({ waitUntil: 'networkidle0' });
  await visitor.waitForSelector('svg[role="listbox"] [role="option"]');
  expect(await visitor.$('p::-p-text(Every underlined word)')).toBeNull();
  await first.close();
});
