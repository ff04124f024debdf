import type { ElementHandle, Page } from 'puppeteer-core';
import {
  choose,
  click,
  eventually,
  keys,
  onPaper,
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
afterAll(() => stage.close());

const id = (n: number) => `5a3e5046-0000-4000-8000-${String(n).padStart(12, '0')}`;
const HARMONICA = id(1);
const HARP = id(13);

const labelled = (label: string) =>
  `::-p-xpath(//select[@aria-label="${label}"] | //label[contains(., "${label}")]//select)`;

describe('this instrument, all keys', () => {
  test('arrow keys walk the cells, Enter explains one, M opens it on Map, and the link brings it back', async () => {
    page = await stage.page(`/keys/table?on=${HARMONICA}&in=Bb&play=major`);
    await sees(page, '2nd position');
    await page.focus('td button[aria-pressed="true"]');
    await keys(page, 'ArrowDown', 'ArrowRight', 'ArrowRight', 'Enter');
    await sees(page, 'F Dorian');
    await page.reload({ waitUntil: 'networkidle0' });
    await shows(page, 'aside[aria-label] h2', 'F Dorian');
    await shows(page, '[aria-label="Tab of the octave"]', '4 draw');
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await keys(page, 'm');
    await page.waitForSelector('svg[role="listbox"] [role="option"]');
    await shows(page, 'main h1', 'Play Dorian in F on Mara’s low E♭ harmonica');
  });

  test('filters rule cells out, orders sort the keys, and all scales can be seen', async () => {
    page = await stage.page(`/keys/table?on=${HARMONICA}&in=Bb&play=major`);
    await sees(page, 'at least one octave');
    const ruledOut = () => page.$$eval('td button[title$="ruled out above"]', (cells) => cells.length);
    expect(await ruledOut()).toBe(0);
    await page.click('::-p-xpath(//label[contains(., "no overblows")]//input)');
    await page.waitForSelector('td button[title$="ruled out above"]');
    const rows = () =>
      page.$$eval('main table tbody th', (cells) => cells.map((c) => c.textContent.split(' ')[0]));
    await eventually(rows, (found) => expect(found.slice(0, 3)).toEqual(['E♭', 'B♭', 'F']));
    await choose(page, labelled('Order of the keys'), 'semitones');
    await eventually(rows, (found) => expect(found.slice(0, 3)).toEqual(['E♭', 'E', 'F']));
    await choose(page, labelled('Scales shown'), 'all');
    await page.waitForFunction(() => document.querySelectorAll('main table thead th').length > 38);
    await click(page, 'Undo');
    await page.waitForFunction(() => document.querySelectorAll('main table thead th').length < 12);
    await click(page, 'Add a scale');
    await keys(page, '“lydian”', 'Enter');
    await page.waitForSelector('button[aria-label="Take Lydian out of the table"]');
    await click(page, 'Lydian');
    await sees(page, 'the easiest in Lydian first');
    await eventually(rows, (found) => expect(['A♭', 'E♭']).toContain(found[0]));
    await page.click('button[aria-label="Take Lydian out of the table"]');
    await page.waitForFunction(
      () => !document.querySelector('main table thead')!.textContent.includes('Lydian'),
    );
  });

  test('a custom scale of twelve notes gets its own column', async () => {
    page = await stage.page(`/keys/table?on=${HARMONICA}&in=Bb&play=chromatic`);
    await sees(page, 'chromatic');
    await shows(page, 'main table thead th:nth-child(2)', 'chromatic');
  });
});

test('everything I have for a key, best first, with what to do; one opens on Map', async () => {
  page = await stage.page(`/keys/cabinet?on=${HARMONICA}&in=D&play=major`);
  await page.waitForFunction(() => document.querySelectorAll('main table tbody tr').length >= 14);
  await shows(page, 'main table', 'raise the');
  await shows(page, 'main table', 'tune the');
  await page.click('main table tbody tr:first-child a');
  await page.waitForSelector('svg[role="listbox"] [role="option"]');
  await shows(page, 'main h1', 'major in D');
});

test('what must be set first is set on Map for the time being, and in the cabinet where that is wanted', async () => {
  page = await stage.page(`/keys/cabinet?on=${HARMONICA}&in=D&play=major`);
  const link = await page.waitForSelector(
    '::-p-xpath(//tr[contains(., "tune the")]//a[normalize-space()="Map"])',
  );
  await link!.click();
  await page.waitForSelector('svg[role="listbox"] [role="option"]');
  await shows(page, '[role="note"]', 'tune the');
  await shows(page, 'aside[aria-label="Verdict"]', '8 of 8');
  const inLink = () => Promise.resolve(new URL(page.url()).searchParams.get('on'));
  expect(await inLink()).toContain('~tuning:');
  const stored = () =>
    page.evaluate(async () => {
      const { instruments } = (await (await fetch('/api/data/export')).json()) as { instruments: object[] };
      return JSON.stringify(instruments);
    });
  const before = await stored();
  await click(page, 'Set it so in the cabinet');
  await eventually(inLink, (on) => expect(on).not.toContain('~'));
  await shows(page, 'aside[aria-label="Verdict"]', '8 of 8');
  expect(await page.$('[role="note"]')).toBeNull();
  expect(await stored()).not.toBe(before);
  await keys(page, 'Escape');
  for (let i = 0; i < 2; i += 1) {
    await page.keyboard.down('Control');
    await keys(page, 'z');
    await page.keyboard.up('Control');
  }
  const layouts = (text: string) => (JSON.parse(text) as { layout: unknown }[]).map((i) => i.layout);
  await eventually(stored, (now) => expect(layouts(now)).toEqual(layouts(before)));
  await shows(page, '[role="note"]', 'tune the');
  await click(page, 'As it stands');
  await eventually(inLink, (on) => expect(on).not.toContain('~'));
});

test('an empty cabinet says what to do next', async () => {
  const empty = await openStage();
  const other = await empty.page('/keys/cabinet');
  await sees(other, 'The cabinet is empty');
  await click(other, 'Add an instrument');
  await sees(other, 'What do you have?');
  await empty.close();
});

test('which whistle to take for B♭ major', async () => {
  page = await stage.page(`/keys/which?on=${HARMONICA}&in=Bb&play=major`);
  await sees(page, '1st position');
  await choose(page, labelled('Kind of instrument'), 'whistle');
  await sees(page, 'home on the lowest note');
  await page.click('main table tbody tr:first-child a');
  await page.waitForSelector('svg[role="listbox"] [role="option"]');
  await shows(page, 'main h1', 'whistle');
});

test('the circle by keyboard: keys one after another, positions, and the harmonica that key and position need', async () => {
  page = await stage.page(`/keys/circle?on=${HARMONICA}&in=Eb`);
  await sees(page, 'E♭ major');
  await page.$eval('[data-step][aria-selected="true"]', (key) => (key as SVGElement).focus());
  await keys(page, 'ArrowRight', 'ArrowRight', 'ArrowRight');
  await sees(page, 'C major');
  await shows(page, 'section[aria-label="This key"]', '4th position');
  await page.click('[data-step="11"]');
  await sees(page, 'A♭ major');
  await shows(
    page,
    'section[aria-label="This key"]',
    '4 flats, in the order in which they enter: B♭ E♭ A♭ D♭',
  );
  await choose(page, labelled('Position'), '2');
  await sees(page, 'take D♭.');
  await click(page, 'Try a D♭ harmonica');
  await page.waitForFunction(() => document.querySelector('main h1')?.textContent?.includes('D♭ harmonica'));
  await sees(page, '2nd position');
});

test('a lesson says what is out, what is in and what only repeats, and prints to one page', async () => {
  page = await stage.page(`/keys/lesson?on=${id(2)}&in=Eb&play=major`);
  await page.waitForSelector('[role="tabpanel"] [data-way]');
  await eventually(
    () => textOf(page, 'main ol'),
    (text) => expect(text).toMatch(/blow ↑: all of them are in\s*draw ↓: out: 5 draw, 9 draw/),
  );
  const { pages, text } = await onPaper(page);
  expect(text).toContain('Leave out');
  expect(text).not.toContain('Which one to take');
  expect(pages).toBe(1);
});

describe('progressions', () => {
  test('bars tell chord tones from clashes; a better scale is one click away; own ones are kept', async () => {
    page = await stage.page(`/keys/chords?on=${HARMONICA}&in=Bb&play=major`);
    await sees(page, 'Scales that suit');
    await page.waitForFunction(() => document.querySelectorAll('ol[aria-label="Bars"] li').length === 12);
    const first = await textOf(page, '[aria-label="Scales that suit"] li');
    await page.click('[aria-label="Scales that suit"] button');
    await page.waitForFunction(
      (name) =>
        name.startsWith(document.querySelector('aside[aria-label] h2')!.textContent.replace('B♭ ', '')),
      {},
      first,
    );

    const field = (await page.waitForSelector(
      '::-p-xpath(//label[contains(., "Chords by degree")]//input)',
    )) as ElementHandle<HTMLInputElement>;
    await field.click({ count: 3 });
    await field.type('1 6m H 5');
    await keys(page, 'Enter');
    await sees(page, '“H” is no chord');
    await sees(page, 'It stands at character 6.');
    expect(await field.evaluate((e) => e.value)).toBe('1 6m H 5');
    await field.click({ count: 3 });
    await field.type('1 6m 2m,57 1');
    await keys(page, 'Enter');
    await page.waitForFunction(() => document.querySelectorAll('ol[aria-label="Bars"] li').length === 4);
    await shows(page, 'ol[aria-label="Bars"] li:nth-child(3)', 'Cm ii');

    await page.type('[role="tabpanel"] input[placeholder="a name"]', 'Four bars of ours');
    await keys(page, 'Enter');
    await sees(page, 'Kept “Four bars of ours”.');
    await page.reload({ waitUntil: 'networkidle0' });
    await page.waitForFunction(() =>
      [...document.querySelectorAll('option')].some((o) => o.textContent === 'Four bars of ours'),
    );
    const own = await page.$$eval(
      '[role="tabpanel"] option',
      (options) => options.find((o) => o.textContent === 'Four bars of ours')!.value,
    );
    await choose(page, '[role="tabpanel"] select', own);
    await click(page, 'Put “Four bars of ours” into the bin');
    await sees(page, 'is in the bin.');
    page = await stage.page('/cabinet/bin');
    await shows(page, 'main', 'Four bars of ours');
    await click(page, 'Put back');
    await sees(page, 'Four bars of ours is back.');
  });

  test('a bar chosen shows its chord on the drawing', async () => {
    page = await stage.page(`/keys/chords?on=${HARMONICA}&in=Bb&play=major`);
    await page.waitForSelector('ol[aria-label="Bars"] button');
    await page.click('ol[aria-label="Bars"] li:nth-child(5) button');
    await sees(page, 'Over E♭ on Mara’s low E♭ harmonica');
  });
});

test('what is this: notes, tab, mistakes with their place, and what several instruments share', async () => {
  page = await stage.page(`/keys/identify?on=${id(14)}`);
  await sees(page, 'Lantern drum');
  await click(page, 'Take all notes of Lantern drum');
  await sees(page, 'minor pentatonic');
  const field = (await page.waitForSelector(
    '[role="tabpanel"] label input',
  )) as ElementHandle<HTMLInputElement>;
  await field.click({ count: 3 });
  await field.type('D F Q A');
  await sees(page, '“Q” is neither');
  await sees(page, 'It stands at character 5.');
  await field.click({ count: 3 });
  await field.type('1 2 3 5');
  await sees(page, 'It fits, best first');
  await page.click('::-p-xpath(//section//label[contains(., "Lantern drum")]//input)');
  await page.click('::-p-xpath(//label[contains(., "A♭ harmonica of the room")]//input)');
  await sees(page, 'In common:');
});

test('switching a harp from one key to another is a list of levers', async () => {
  page = await stage.page(`/keys/switch?on=${HARP}&in=F&play=major`);
  await sees(page, 'raise the B levers');
  await choose(page, labelled('Key to go to'), 'D');
  await sees(page, 'raise the F levers');
  await sees(page, 'raise the C levers');
  const drawn = () => page.$$eval('main figure [data-way]', (chips) => chips.length);
  await eventually(drawn, (chips) => expect(chips).toBeGreaterThan(80));
});

/** Goes on with Tab until what has the focus fits. */
async function tabTo(selector: string): Promise<void> {
  for (let i = 0; i < 90; i += 1) {
    await keys(page, 'Tab');
    if (await page.evaluate((wanted) => document.activeElement?.matches(wanted) ?? false, selector)) return;
  }
  throw new Error(`Tab does not lead to ${selector}`);
}

describe('without a mouse', () => {
  const open = async (view: string, on: string, ready: string) => {
    page = await stage.page(`/keys/${view}?on=${on}&in=Bb&play=major`);
    await page.waitForSelector(ready);
  };

  test('everything I have: one is opened on Map', async () => {
    await open('cabinet', HARMONICA, 'main table tbody a');
    await tabTo('main table tbody a');
    await keys(page, 'Enter');
    await page.waitForSelector('svg[role="listbox"] [role="option"]');
  });

  test('which one to take: another kind, and one of it on Map', async () => {
    await open('which', HARMONICA, 'main table tbody a');
    await tabTo('[role="tabpanel"] select');
    await keys(page, 'w');
    await sees(page, 'home on the lowest note');
    await tabTo('main table tbody a');
    await keys(page, 'Enter');
    await shows(page, 'main h1', 'whistle');
  });

  test('a lesson in another key', async () => {
    await open('lesson', HARMONICA, '[role="tabpanel"] [data-way]');
    await keys(page, 'k', '“F”', 'Enter');
    await shows(page, '[role="tabpanel"] h2', 'F major on Mara’s low E♭ harmonica');
    await eventually(
      () => textOf(page, 'main ol'),
      (steps) => expect(steps).toMatch(/plain notes blow ↑: out:/),
    );
  });

  test('a progression: a bar is chosen, and the drawing tells its chord', async () => {
    await open('chords', HARMONICA, 'ol[aria-label="Bars"] button');
    await tabTo('ol[aria-label="Bars"] li:nth-child(5) button');
    await keys(page, 'Enter');
    await sees(page, 'Over E♭ on Mara’s low E♭ harmonica');
  });

  test('what is this: notes typed, and the scale they make opened on Map', async () => {
    await open('identify', id(14), '[role="tabpanel"] label input');
    await tabTo('[role="tabpanel"] label input');
    await keys(page, '“C Db D Eb E F Gb”');
    await sees(page, 'No scale of the list comes near this set');
    await page.keyboard.down('Control');
    await keys(page, 'a');
    await page.keyboard.up('Control');
    await keys(page, '“D F G A C”');
    await sees(page, 'D minor pentatonic');
    await tabTo('main table a');
    await keys(page, 'Enter');
    await shows(page, 'main h1', 'Play minor pentatonic in D');
  });

  test('switching: another key to go to', async () => {
    await open('switch', HARP, 'main figure [data-way]');
    await tabTo('[role="tabpanel"] select');
    await keys(page, 'D');
    await shows(page, 'main figure:nth-of-type(2) figcaption', 'D');
  });
});

test('a cell of the table is explained at a click, and opened on Map', async () => {
  page = await stage.page(`/keys/table?on=${id(12)}&in=D&play=major`);
  await (await page.waitForSelector('[data-cell="0,4"]'))!.click();
  await shows(page, 'aside[aria-label] h2', 'C major pentatonic');
  // What comes later moves the button: wait until the tab of the octave stands.
  await page.waitForSelector('[aria-label="Tab of the octave"] span:nth-child(2)');
  await click(page, 'Open in Map (M)');
  await shows(page, 'main h1', 'Play major pentatonic in C');
});

test('keys lead from question to question and the question goes along to Map and back', async () => {
  page = await stage.page(`/keys/table?on=${HARMONICA}&in=Bb&play=dorian`);
  await sees(page, 'B♭ Dorian');
  await keys(page, ']', ']', ']');
  await page.waitForSelector('[data-step]');
  await keys(page, '1');
  await page.waitForSelector('svg[role="listbox"] [role="option"]');
  await shows(page, 'main h1', 'Dorian in B♭');
  await keys(page, '2');
  await sees(page, 'How does Dorian in B♭ lie on');
});

test.each([
  ['table', 1280],
  ['cabinet', 768],
  ['circle', 768],
  ['chords', 768],
  ['lesson', 768],
])('%s at %d wide runs over no side', async (view, width) => {
  page = await stage.page(`/keys/${view}?on=${HARMONICA}&in=Bb&play=major`, { width, height: 900 });
  await page.waitForFunction(() => !document.querySelector('[aria-busy="true"]'));
  const over = await page.$eval('[role="tabpanel"]', (e) => e.scrollWidth - e.clientWidth);
  expect(over).toBeLessThanOrEqual(0);
});

test('no page complained in the console', () => {
  expect(stage.complaints()).toEqual([]);
});

test('a link to an instrument that is not there says so on Keys too, and goes on with the one shown', async () => {
  page = await stage.page('/keys/table?on=11111111-0000-4000-8000-000000000000&in=Bb&play=major');
  await sees(page, 'The link names an instrument that is not in this cabinet.');
  await click(page, 'Go on with this one');
  await page.waitForFunction(() => !document.body.innerText.includes('The link names'));
});
