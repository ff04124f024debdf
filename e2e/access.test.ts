/** What those need who have only a keyboard, who listen, or whose screen is small: on every view, in its states. */
import type { Page } from 'puppeteer-core';
import { barriers, click, keys, openStage, sees, type Stage } from './stage.ts';

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
const SIZES = [
  [1280, 800, false],
  [390, 844, true],
] as const;

async function open(path: string, width = 1280, height = 800, dark = false): Promise<void> {
  page = await stage.page(path, { width, height, dark });
  await page.waitForSelector('h1, h2');
  await page.waitForFunction(() => !document.querySelector('.loading'));
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
    visible: outlined || edged || at.matches('.circle-key'),
    page: at === document.body,
  };
}

describe.each(VIEWS)('%s', (path) => {
  test('the focus is seen wherever Tab leads, and Tab leads through in a bearable number of steps', async () => {
    await open(path);
    expect(await page.title()).toMatch(TITLES[path] ?? / · Same Song$/);
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
  });

  test('at every size and on both grounds nothing runs over the side and nothing bars the way', async () => {
    for (const [width, height, dark] of SIZES) {
      await open(path, width, height, dark);
      const over = await page.evaluate(() => {
        const main = document.querySelector('main')!;
        return Math.max(main.scrollWidth - main.clientWidth, document.body.scrollWidth - innerWidth);
      });
      expect([width, over]).toEqual([width, Math.min(0, over)]);
      expect([width, await barriers(page)]).toEqual([width, []]);
      if (width !== SIZES[SIZES.length - 1]![0]) await page.close();
    }
  });
});

test.each([
  ['s', 'the scale'],
  ['i', 'the instrument'],
  ['r', 'the range'],
  ['w', 'the preference'],
  ['?', 'the list of shortcuts'],
] as const)('with %s the picker of %s is open and bars nobody', async (key, _) => {
  await open('/map?in=Bb&play=major', 1280, 800, key === 'i' || key === '?');
  await page.waitForSelector('.map-drawing .chip');
  await keys(page, key);
  await page.waitForSelector('.picker, [role="dialog"]');
  expect(await barriers(page)).toEqual([]);
});

test('errors in fields and notices bar nobody', async () => {
  await open(INSTRUMENT);
  const name = (await page.waitForSelector('.editor-fields input[dir="auto"]'))!;
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

test('in the drawing of What is this? arrows move and Space chooses', async () => {
  await open('/keys/identify?in=Bb&play=major');
  await page.waitForSelector('.scene [role="option"][tabindex="0"]');
  await page.evaluate(() => document.querySelector<SVGElement>('.scene [tabindex="0"]')!.focus());
  await keys(page, 'ArrowRight', 'ArrowRight', ' ');
  const focused = () => page.evaluate(() => document.activeElement?.getAttribute('data-way'));
  expect(await focused()).not.toBeNull();
  await page.waitForFunction(() => new URLSearchParams(window.location.search).has('notes'));
});
