import type { Page } from 'puppeteer-core';
import { chipsOf, LOW_HARMONICA, songPath } from './songPage.ts';
import { barriers, choose, click, eventually, keys, openStage, sees, type Stage } from './stage.ts';

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

const box = () => page.$eval('section:has(textarea) textarea', (area) => area.value);
const chips = () => chipsOf(page);

test('note by note: by the figures of the keyboard, by the drawing, and taken back', async () => {
  page = await stage.page('/songs');
  await page.waitForSelector('table[aria-rowcount]');
  await keys(page, 'a');
  await page.waitForSelector('section:has(textarea) textarea');
  await click(page, 'Note by note');
  await page.waitForSelector('[aria-label="Note by note"] [data-way]');
  expect(await barriers(page)).toEqual([]);
  await page.focus('[aria-label="Note by note"] button');
  for (const key of ['5', '1', '1', '2']) await keys(page, key);
  await eventually(box, (text) => expect(text).toBe('5 1 1 2'));
  // ] is one longer: a beat and a half.
  for (const key of [']', '3', 'Backspace', '[', '+', '1', '0']) await keys(page, key);
  await eventually(box, (text) => expect(text).toBe("5 1 1 2 | 1' 0"));
  // Hole 4 blow of the low E♭ harmonica is E♭4: ♭3 in C.
  await page.click('[aria-label="Note by note"] [data-way="4b"]');
  await eventually(box, (text) => expect(text).toBe("5 1 1 2 | 1' 0 b3"));
  await page.waitForSelector('[aria-label="Staff"] svg');
  await click(page, 'Keep it');
  await page.waitForFunction(() => /^\/songs\/.{36}$/.test(location.pathname));
  await eventually(chips, (found) => expect(found).toHaveLength(6));
});

test('tab without a rhythm is given one by tapping to a count', async () => {
  page = await stage.page('/songs');
  await click(page, 'Write one');
  await page.waitForSelector('section:has(textarea) textarea');
  await page.type('section:has(textarea) textarea', '4 blow, 4 draw, 5 blow');
  await choose(page, 'section:has(textarea) select', 'tab');
  await sees(page, 'It has no rhythm yet');
  await page.waitForSelector('[aria-label="Tap its rhythm"] input');
  await page.$eval('[aria-label="Tap its rhythm"] input', (input) => input.select());
  await page.keyboard.type('150');
  await choose(page, '[aria-label="Tap its rhythm"] select', '2/4');
  await click(page, 'Count two bars, then tap');
  await sees(page, 'Note 1 of 3');
  // Two bars of two beats at 150 are 1.6 seconds; then a quarter, a quarter, and a half.
  const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
  const taps = await page.evaluateHandle(() => {
    const times: number[] = [];
    addEventListener('keydown', ({ timeStamp }) => times.push(timeStamp), true);
    return times;
  });
  await wait(1600);
  for (const ms of [400, 400, 800, 0]) {
    await keys(page, ' ');
    await wait(ms);
  }
  await page.waitForFunction(
    () => !document.querySelector('[aria-label="Tap its rhythm"] .MuiButton-contained'),
  );
  await click(page, 'Keep it');
  await page.waitForFunction(() => /^\/songs\/.{36}$/.test(location.pathname));
  const kept = await page.evaluate(async () => {
    const response = await fetch(`/api${location.pathname}`);
    return (await response.json()) as {
      metres: { count: number }[];
      parts: { voices: { notes: { length: number; tied?: true }[] }[] }[];
    };
  });
  expect(kept.metres[0]!.count).toBe(2);
  const { notes } = kept.parts[0]!.voices[0]!;
  // However unevenly this machine taps, they last as long as it tapped.
  const total = notes.reduce((sum, { length }) => sum + length, 0) / 5040;
  const tapped = await taps.evaluate((times) => (times.at(-1)! - times[0]!) / 400);
  expect(Math.abs(total - tapped)).toBeLessThan(0.6);
});

test('tab of another instrument is known by itself, said whose it is, and the song opens on that instrument', async () => {
  page = await stage.page('/songs');
  await click(page, 'Write one');
  await page.waitForSelector('section:has(textarea) textarea');
  // Fingerings of a whistle, whatever instrument was shown last.
  await page.type('section:has(textarea) textarea', 'XXXXOO XXXOOO XXOOOO');
  await sees(page, 'Taken for tab of E♭ whistle of the room');
  await click(page, 'Keep it');
  await page.waitForFunction(() => location.search.includes('on=5a3e5046-0000-4000-8000-000000000008'));
});

test('a note of the song is changed, for every arrangement, and changed back', async () => {
  page = await stage.page(`${songPath(2)}?${LOW_HARMONICA}`);
  await eventually(chips, (found) => expect(found.length).toBeGreaterThan(10));
  const [before] = await chips();
  await keys(page, 'ArrowRight');
  await page.waitForSelector('summary::-p-text(Change the song here)');
  await page.click('summary::-p-text(Change the song here)');
  await click(page, 'step up');
  await eventually(chips, (found) => expect(found[0]).toContain('D4, degree 6'));
  await sees(page, 'The song is changed: a step of the key up.');
  await keys(page, '-');
  await eventually(chips, (found) => expect(found[0]).toBe(before));
  await click(page, 'take it out');
  await eventually(chips, (found) => expect(found[0]).not.toContain('C4, degree 5'));
  await click(page, 'Undo');
  await eventually(chips, (found) => expect(found[0]).toBe(before));
  await page.click('details:not([open]) > summary::-p-text(Change the song here)');
  await click(page, 'twice as long');
  await sees(page, 'A note ends with its bar; tie it to one in the next.');
});
