import type { Page } from 'puppeteer-core';
import { LOW_HARMONICA, songPath } from './songPage.ts';
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

const rows = () =>
  page.$$eval('table[aria-rowcount] tbody tr', (all) =>
    all.map((row) => [...row.querySelectorAll('th, td')].map((cell) => cell.textContent ?? '')),
  );
const harmonica = LOW_HARMONICA.slice(3);

test('found by its first notes: as degrees, as names in any key, and as tab', async () => {
  page = await stage.page('/songs');
  await page.waitForSelector('table[aria-rowcount]');
  const search = async (text: string) => {
    await page.click('input[type="search"]', { count: 3 });
    await page.keyboard.press('Backspace');
    await page.type('input[type="search"]', text);
  };
  // Harbour Steps begins A2|d2fd Adfd in D.
  for (const text of ['5 1 3 1 5 1', 'C F A F C F']) {
    await search(text);
    await eventually(rows, (found) => expect(found[0]![0]).toBe('Harbour Stepsbegins so'));
  }
  await search('1 3 1 5 1 3 1');
  await eventually(rows, (found) => expect(found[0]![0]).toBe('Harbour Stepsso from note 2 on'));
  await search('3 blow, 4 blow, 5 blow, 4 blow, 3 blow');
  await eventually(rows, (found) =>
    expect(found.map(([title]) => title)).toContain('Harbour Stepsbegins so'),
  );
  await page.waitForFunction(() => location.search.includes('q=3+blow'));
  await search('7 7 7 7 7');
  await sees(page, 'or begins so.');
});

test('what fits an instrument, played only so, and opens in the key in which it does', async () => {
  page = await stage.page('/songs');
  await page.waitForSelector('[role="group"][aria-label="What fits"] select');
  await choose(page, '[role="group"][aria-label="What fits"] select', harmonica);
  await page.waitForFunction(
    () => document.querySelectorAll('[role="group"][aria-label="What fits"] select').length === 2,
  );
  await eventually(rows, (found) => expect(found.some(([, , , fits]) => fits === 'E♭')).toBe(true));
  const whole = (await rows()).filter(([, , , fits]) => !fits!.includes('but')).length;
  await choose(page, '[role="group"][aria-label="What fits"] label:nth-of-type(2) select', 'only');
  await eventually(rows, (found) =>
    expect(found.filter(([, , , fits]) => !fits!.includes('but')).length).toBeLessThan(whole),
  );
  expect(await barriers(page)).toEqual([]);
  const [first] = await rows();
  await click(page, first![0]!);
  await page.waitForSelector('[aria-label="Facts"]');
  await sees(page, 'notes can be had');
  expect(page.url()).toContain(harmonica);
  await page.waitForFunction(() =>
    /all \d+ notes/.test(document.querySelector('[aria-label="Facts"]')!.textContent),
  );
});

test('what needs no more than a pupil knows comes first: degrees, or notes chosen on the drawing by key', async () => {
  page = await stage.page(`/songs?fits=${harmonica}&know=1+2+3+4+5+6`);
  await eventually(rows, (found) => expect(found[0]![4]).toBe('nothing'));
  await page.click('[role="group"][aria-label="What fits"] input:not([type="checkbox"])', { count: 3 });
  await page.keyboard.type('1 2 9');
  await sees(page, '“9” is no degree');
  await page.goto(`${stage.address}/songs?fits=${harmonica}`);
  // Which notes are known can be chosen once the instrument is there.
  await page.waitForFunction(
    () =>
      document.querySelectorAll('[role="group"][aria-label="What fits"] input[type="checkbox"]').length === 2,
  );
  await page.click('[role="group"][aria-label="What fits"] input[type="checkbox"]');
  await page.waitForSelector('[role="group"][aria-label="What fits"] svg [data-way="4b"]');
  await page.$eval('[role="group"][aria-label="What fits"] svg [data-way="4b"]', (chip) =>
    (chip as SVGElement).focus(),
  );
  await keys(page, 'Enter');
  await sees(page, '1 chosen.');
  await page.click('[role="group"][aria-label="What fits"] svg [data-way="4d"]');
  await sees(page, '2 chosen.');
  expect(await page.$$('[role="group"][aria-label="What fits"] svg [aria-selected="true"]')).toHaveLength(2);
  const lacking = async () => (await rows()).map(([, , , fits]) => (fits!.match(/\d/g) ?? []).length);
  await eventually(lacking, (counts) => expect(counts[0]!).toBeGreaterThan(0));
  expect(page.url()).toContain('ways=');
});

test('a tune that is here twice, in another key and under another name, is found', async () => {
  page = await stage.page('/songs?twice=yes');
  await sees(page, 'No tune is here twice.');
  await page.evaluate(async () => {
    const list = (await (await fetch('/api/songs')).json()) as { items: { id: string; title: string }[] };
    const { id } = list.items.find(({ title }) => title === 'Slack Water')!;
    const {
      id: _,
      version: __,
      ...song
    } = (await (await fetch(`/api/songs/${id}`)).json()) as Record<string, unknown>;
    await fetch('/api/songs', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ...song, title: 'Still Water' }),
    });
  });
  await page.reload();
  await eventually(rows, (found) =>
    expect(found.map(([title]) => title)).toEqual([
      'Slack Waterthe same tune as Still Water',
      'Still Waterthe same tune as Slack Water',
    ]),
  );
});

test('a song is given a tag, the tag is called otherwise in all songs at once, and back', async () => {
  page = await stage.page(songPath(0));
  await click(page, 'change its tags');
  await page.waitForSelector('[aria-label="Tags, apart by commas"]');
  await keys(page, 'Escape');
  await page.waitForFunction(() => !document.querySelector('[aria-label="Tags, apart by commas"]'));
  await click(page, 'change its tags');
  await page.waitForSelector('[aria-label="Tags, apart by commas"]');
  await keys(page, 'End');
  await page.keyboard.type(', wharf');
  await keys(page, 'Enter');
  await sees(page, 'Its tags: jig, wharf.');
  await click(page, 'wharf');
  await eventually(rows, (found) => expect(found).toHaveLength(1));
  await click(page, 'Tags');
  await page.waitForSelector('section[aria-label="Tags"] li');
  const said = () =>
    page.$$eval('section[aria-label="Tags"] li', (all) => all.map((one) => one.textContent ?? ''));
  await eventually(said, (found) => expect(found.join()).toContain('wharf 1 song'));
  expect(await barriers(page)).toEqual([]);
  await page.click('[aria-label="change jig"]');
  await page.waitForSelector('section[aria-label="Tags"] input');
  await page.$eval('section[aria-label="Tags"] input', (input) => input.select());
  await page.keyboard.type('6/8');
  await page.focus('section[aria-label="Tags"] label:nth-of-type(2) input');
  await page.keyboard.type('in two');
  await keys(page, 'Enter');
  await eventually(said, (found) => expect(found.join()).toContain('6/8 2 songs: in two'));
  await page.waitForFunction(() => document.body.textContent?.includes('2 songs changed.'));
  await click(page, 'Undo');
  await eventually(said, (found) => expect(found.join()).toContain('jig 2 songs'));
});
