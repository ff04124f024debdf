/** What those need who have only a keyboard, who listen, or whose screen is small: on every view, in its states. */
import type { Page } from 'puppeteer-core';
import {
  barriers,
  click,
  eventually,
  keys,
  lookAgain,
  openStage,
  sees,
  textOf,
  type Stage,
} from './stage.ts';

let stage: Stage;
let page: Page;
beforeAll(async () => {
  stage = await openStage({ SAME_SONG_DEMO: '1' });
});
afterAll(() => stage.close());
afterEach(() => page.close());

const INSTRUMENT = '/cabinet/5a3e5046-0000-4000-8000-000000000001';
const VIEWS = [
  '/map?in=Bb&play=blues-six&at=61.1',
  '/keys/table?in=Bb&play=major',
  '/keys/cabinet?in=Bb&play=major',
  '/keys/which?in=Bb&play=major',
  '/keys/circle?in=Bb',
  '/keys/lesson?in=Bb&play=major',
  '/keys/handout?in=Bb&play=major&pages=major@Bb@preset:diatonic/60,blues-six@F@preset:whistle/74',
  '/keys/chords?in=Bb&play=blues-six',
  '/keys/identify?in=Bb&play=major',
  '/keys/switch?in=Bb&play=major',
  '/songs',
  '/songs/5a3e5046-0000-4000-8000-000000000502?at=n3',
  INSTRUMENT,
  '/cabinet/new',
  '/cabinet/bin',
  '/cabinet/data',
];
/** What the tab of the browser says, each place and question its own. */
const TITLES: Readonly<Record<string, RegExp>> = {
  [VIEWS[0]!]: /^six-note blues in B♭ on Mara’s low E♭ harmonica · Map · Same Song$/,
  '/keys/circle?in=Bb': /^Circle · Keys · Same Song$/,
  '/keys/identify?in=Bb&play=major': /^What is this\? · Keys · Same Song$/,
  [INSTRUMENT]: /^Mara’s low E♭ harmonica · Cabinet · Same Song$/,
  '/cabinet/bin': /^Bin · Cabinet · Same Song$/,
};
async function open(path: string, dark = false): Promise<void> {
  page = await stage.page(path, { dark });
  await page.waitForSelector('h1, h2');
  await page.waitForFunction(() => !document.querySelector('[aria-busy="true"]'));
}

/** What the focus is on, and whether one can see that. */
function focusNow() {
  const at = document.activeElement!;
  const style = getComputedStyle(at);
  const field = at.closest('.MuiInputBase-root');
  const edge = field?.querySelector('.MuiOutlinedInput-notchedOutline');
  // A box to tick is seen by the ring around it, a field by its edge.
  const ring = at.closest('.MuiCheckbox-root, .MuiRadio-root');
  const outlined = [style, ...(ring ? [getComputedStyle(ring)] : [])].some(
    ({ outlineStyle, outlineWidth }) => outlineStyle !== 'none' && parseFloat(outlineWidth) >= 2,
  );
  const edged = edge !== null && edge !== undefined && parseFloat(getComputedStyle(edge).borderTopWidth) >= 2;
  const name = at.getAttribute('aria-label') ?? at.textContent ?? '';
  return {
    at: `${at.tagName} ${at.className.toString().slice(0, 60)} “${name.trim().slice(0, 40)}”`,
    visible: outlined || edged || at.matches('[data-step]'),
    page: at === document.body,
  };
}

/** Whether anything runs over the side, and what bars the way. */
async function standsFree(): Promise<void> {
  const over = await page.evaluate(() => {
    const main = document.querySelector('main')!;
    return Math.max(main.scrollWidth - main.clientWidth, document.body.scrollWidth - innerWidth);
  });
  expect(over).toBeLessThanOrEqual(0);
  expect(await barriers(page)).toEqual([]);
}

test.each(VIEWS)(
  '%s: nothing bars the way, on a small dark screen too; the focus is seen wherever Tab leads, in a bearable number of steps',
  async (path) => {
    await open(path);
    expect(await page.title()).toMatch(TITLES[path] ?? / · Same Song$/);
    await standsFree();
    const unseen: string[] = [];
    let steps = 0;
    for (; steps < 150; steps += 1) {
      await page.keyboard.press('Tab');
      const { at, visible, page: isThrough } = await page.evaluate(focusNow);
      if (isThrough) break;
      if (!visible) unseen.push(at);
    }
    expect(unseen).toEqual([]);
    expect(steps).toBeGreaterThan(5);
    expect(steps).toBeLessThan(path === INSTRUMENT ? 120 : 75);
    await lookAgain(page, { width: 390, height: 844, dark: true });
    await standsFree();
  },
);

test.each([
  ['s', 'the scale'],
  ['i', 'the instrument'],
  ['r', 'the range'],
  ['w', 'the preference'],
  ['?', 'the list of shortcuts'],
] as const)('with %s the picker of %s is open and bars nobody', async (key, _) => {
  await open('/map?in=Bb&play=major', key === 'i' || key === '?');
  await page.waitForSelector('svg[role="listbox"] [role="option"]');
  await keys(page, key);
  await page.waitForSelector('input[role="combobox"], [role="dialog"]');
  expect(await barriers(page)).toEqual([]);
});

test('errors in fields and notices bar nobody', async () => {
  await open(INSTRUMENT);
  const name = (await page.waitForSelector('[aria-label="Name and layout"] input[dir="auto"]'))!;
  await name.click({ count: 3 });
  await keys(page, 'Backspace');
  await sees(page, 'A name is missing.');
  expect(await barriers(page)).toEqual([]);
  await click(page, 'Drop changes');
  await page.keyboard.down('Control');
  await keys(page, 'z');
  await page.keyboard.up('Control');
  await sees(page, 'Nothing to undo.');
  expect(await barriers(page)).toEqual([]);
});

test('what changed is said: on Map what can be had, in Keys what is asked and what comes out', async () => {
  await open('/keys/table?in=Bb&play=major');
  await page.waitForSelector('aside[aria-label] h2');
  const said = (where: string) => textOf(page, where);
  await eventually(
    () => said('main [role="status"]'),
    (text) => expect(text).toMatch(/^All keys: major in B♭ on .+\.$/),
  );
  const octaves = await said('aside[aria-label] [aria-live]');
  await keys(page, 'k', '“E”', 'Enter');
  await eventually(
    () => said('main [role="status"]'),
    (text) => expect(text).toContain('major in E on'),
  );
  await eventually(
    () => said('aside[aria-label] [aria-live]'),
    (text) => expect(text).not.toBe(octaves),
  );
  await keys(page, 'm');
  await eventually(
    () => said('main [role="status"]'),
    (text) => expect(text).toMatch(/major in E on .+: \d+ of 8 notes can be had/),
  );
});

test('in the drawing of What is this? arrows move and Space chooses', async () => {
  await open('/keys/identify?in=Bb&play=major');
  await page.waitForSelector('svg [role="option"][tabindex="0"]');
  await page.evaluate(() => document.querySelector<SVGElement>('svg [tabindex="0"]')!.focus());
  await keys(page, 'ArrowRight', 'ArrowRight', ' ');
  const focused = () => page.evaluate(() => document.activeElement?.getAttribute('data-way'));
  expect(await focused()).not.toBeNull();
  await page.waitForFunction(() => new URLSearchParams(window.location.search).has('notes'));
});
