import type { Page } from 'puppeteer-core';
import { LOW_HARMONICA, songPath } from './songPage.ts';
import { NOTE, SOUNDING_NOTE } from './notes.ts';
import {
  barriers,
  choose,
  click,
  eventually,
  keys,
  logged,
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

const itemPath = (number: number) =>
  `/practice/play/5a3e5046-0000-4000-8000-${String(720 + number).padStart(12, '0')}`;
const state = () => textOf(page, '[aria-label="The round"]');
interface Told {
  readonly name: string;
  readonly rounds: number;
  readonly clean: number;
  readonly minutes: number;
  readonly revision: number;
}
/** What the server has of the log, newest last. */
const lastLogged = () => logged<Told>(page, 3);

test('the plan of the day says why, is changed, and is there again after a reload', async () => {
  page = await stage.page('/practice');
  await page.waitForSelector('main ol li');
  expect(await barriers(page)).toEqual([]);
  const names = () => page.$$eval('main ol li b', (all) => all.map((one) => one.textContent ?? ''));
  expect((await names())[0]).toBe('Six-note blues in B♭, groups of three');
  expect(await textOf(page, 'main ol li small')).toContain('your teacher set it');
  const before = await names();
  await page.click('[aria-label="Six-note blues in B♭, groups of three: later"]');
  await eventually(names, (now) => expect(now.slice(0, 2)).toEqual([before[1], before[0]]));
  await page.click('[aria-label="Six-note blues in B♭, groups of three: a minute less"]');
  await page.reload();
  await page.waitForSelector('main ol li');
  expect((await names()).slice(0, 2)).toEqual([before[1], before[0]]);
  expect(await textOf(page, 'main ol li:nth-child(2)')).toContain('5 min');
  await page.click(`[aria-label="skip ${before[1]}"]`);
  await eventually(names, (now) => expect(now).not.toContain(before[1]));
  await click(page, 'Undo');
  await eventually(names, (now) => expect(now).toContain(before[1]));
});

test('a round is counted in, played, judged by a pedal and logged, and the tempo climbs after three clean ones', async () => {
  page = await stage.page(`${itemPath(9)}?for=4`);
  await page.waitForSelector(NOTE);
  expect(await barriers(page)).toEqual([]);
  const tempo = () => textOf(page, '[aria-label="The tempo"]');
  await page.$eval('summary::-p-text(Tempo, sound and more)', (summary) => (summary as HTMLElement).click());
  await page.waitForSelector('main details input');
  await page.$eval('main details input[type=number]', (input) => input.select());
  await page.keyboard.type('300');
  await eventually(tempo, (text) => expect(text).toBe('300 a minute'));
  await choose(page, 'main details select', '1');
  await page.$eval('summary::-p-text(Tempo, sound and more)', (summary) => (summary as HTMLElement).click());
  await page.focus('#place');
  await keys(page, 'PageDown');
  await eventually(state, (text) => expect(text).toContain('Counting in'));
  await eventually(state, (text) => expect(text).toContain('Playing.'));
  await page.waitForSelector(SOUNDING_NOTE);
  await eventually(state, (text) => expect(text).toContain('Was it clean?'));
  await keys(page, 'PageUp');
  await eventually(state, (text) => expect(text).toContain('Counting in'));
  await keys(page, ' ');
  await eventually(state, (text) => expect(text).toContain('Ready.'));
  expect(await textOf(page, '[aria-label="The climb in tempo"]')).toContain('round 2');
  await click(page, 'Done');
  await page.waitForSelector('[aria-label="Today"]');
  await eventually(lastLogged, (list) =>
    expect(list.at(-1)).toMatchObject({ name: 'Drum, down to the anchor', rounds: 1, clean: 0 }),
  );
});

test('a tab that is closed in the middle, with the server away, loses no round', async () => {
  page = await stage.page(`${itemPath(9)}?for=4`);
  await page.waitForSelector(NOTE);
  const before = (await lastLogged()).length;
  expect(before).toBe(3);
  await page.setRequestInterception(true);
  page.on('request', (request) => {
    void (request.url().includes('/api/') ? request.abort() : request.continue());
  });
  for (let i = 0; i < 40; i += 1) await keys(page, 'ArrowUp');
  await keys(page, 'PageDown');
  await eventually(state, (text) => expect(text).toContain('Was it clean?'));
  await keys(page, 'PageDown');
  await eventually(state, (text) => expect(text).toContain('Counting in'));
  const told = await page.evaluate(() => Object.keys(localStorage).filter((key) => key.includes('.log.')));
  expect(told).toHaveLength(1);
  await page.close();
  page = await stage.page('/practice/log');
  await eventually(lastLogged, (list) => expect(list.at(-1)).toMatchObject({ rounds: 1, clean: 1 }));
  await sees(page, '1 of 1');
});

test('rounds go round without a count, or on by themselves; what nobody judged is time in the log', async () => {
  page = await stage.page(`${itemPath(9)}?for=4`);
  await page.waitForSelector(NOTE);
  await page.focus('#place');
  for (let i = 0; i < 40; i += 1) await keys(page, 'ArrowUp');
  const ladder = () => textOf(page, '[aria-label="The climb in tempo"]');
  await keys(page, 'o', 'PageDown');
  const seen: string[] = [];
  await eventually(
    async () => {
      seen.push(await state());
      return ladder();
    },
    (text) => expect(text).toMatch(/round ([3-9]|\d\d)\b/),
  );
  // Counted once, at its beginning.
  const counts = seen.filter((text, i) => text.includes('Counting') && !seen[i - 1]?.includes('Counting'));
  expect(counts).toHaveLength(1);
  await keys(page, ' ');
  await eventually(state, (text) => expect(text).toContain('Was it clean?'));
  await keys(page, 'o', 'a', ' ');
  await eventually(state, (text) => expect(text).toContain('Playing.'));
  await eventually(state, (text) => expect(text).toContain('Was it clean?'));
  // No key is pressed.
  await eventually(state, (text) => expect(text).toContain('Counting in'));
  await click(page, 'Done');
  await page.waitForSelector('[aria-label="Today"]');
  await eventually(lastLogged, (list) => {
    const last = list.at(-1);
    expect(last).toMatchObject({ name: 'Drum, down to the anchor', rounds: 0, clean: 0 });
    expect(last?.minutes).toBeGreaterThan(0.05);
  });
});

test('note by note each is one card, walked by pedal', async () => {
  page = await stage.page(`${itemPath(0)}?for=4`);
  await page.waitForSelector(NOTE);
  await keys(page, 'n');
  await page.waitForSelector('[aria-label="This note"]');
  expect(await textOf(page, '[aria-label="This note"]')).toContain('draw');
  expect(await textOf(page, '[aria-label="This note"]')).toContain('1 of');
  await keys(page, 'PageDown');
  await eventually(
    () => textOf(page, '[aria-label="This note"]'),
    (text) => expect(text).toContain('2 of'),
  );
  await keys(page, 'PageUp');
  await eventually(
    () => textOf(page, '[aria-label="This note"]'),
    (text) => expect(text).toContain('1 of'),
  );
  expect(await barriers(page)).toEqual([]);
});

test('a drill is answered by keys alone; what was wrong stands at its end and is logged', async () => {
  page = await stage.page(itemPath(8));
  await page.waitForSelector('[aria-label="Answers"] button');
  expect(await barriers(page)).toEqual([]);
  const count = () => textOf(page, 'main header p');
  for (let i = 1; i <= 20; i += 1) {
    await eventually(count, (text) => expect(text).toContain(`${i} of 20`));
    await page.waitForSelector('[aria-label="Answers"] button:not([disabled])');
    await keys(page, '1');
    // A right answer goes on by itself after a second: on a busy machine nobody may have seen it.
    await eventually(
      () =>
        page.evaluate(() =>
          ['main [role="status"]', 'main header p', 'main h1']
            .map((part) => document.querySelector(part)?.textContent ?? '')
            .join('\n'),
        ),
      (text) => expect(text).toMatch(new RegExp(`Right|Not quite|\\b${i + 1} of 20|of 20 right`)),
    );
    // Told from its first answer on: what is left in its middle is not lost.
    expect(await page.evaluate(() => Object.keys(localStorage).some((key) => key.includes('.log.')))).toBe(
      true,
    );
    await keys(page, ' ');
  }
  await page.waitForFunction(() => /of 20 right/.test(document.querySelector('h1')?.textContent ?? ''));
  const [right] = /\d+/.exec(await textOf(page, 'main h1'))!;
  expect(await barriers(page)).toEqual([]);
  const wrong = await page.$$eval('[aria-label="What was wrong"] li', (all) => all.length);
  expect(wrong).toBe(20 - Number(right));
  await page.goto(`${new URL(page.url()).origin}/practice/log`);
  await eventually(lastLogged, (list) =>
    expect(list.at(-1)).toMatchObject({ rounds: 20, clean: Number(right) }),
  );
});

test('over chords the bar that sounds is marked, stages are walked, and a call can be had again by its number', async () => {
  page = await stage.page(itemPath(3));
  await page.waitForSelector('ol[aria-label="Bars"] li');
  expect(await barriers(page)).toEqual([]);
  for (let i = 0; i < 50; i += 1) await keys(page, 'ArrowUp');
  await keys(page, ' ');
  await page.waitForSelector('ol[aria-label="Bars"] [aria-current="true"]');
  await eventually(
    () =>
      page.$$eval('ol[aria-label="Bars"] li', (bars) => bars.findIndex((bar) => bar.ariaCurrent === 'true')),
    (at) => expect(at).toBeGreaterThan(1),
  );
  await keys(page, ' ');
  const tab = () => textOf(page, '[aria-label="Tab of the stage"]');
  const home = await tab();
  await keys(page, 'PageDown');
  await eventually(tab, (now) => expect(now).not.toBe(home));
  expect(await tab()).not.toContain('blow');
  await keys(page, 'c');
  await page.waitForSelector('[aria-label="Call and answer"]');
  await click(page, 'Call');
  await eventually(
    () => textOf(page, '[aria-label="The call"]'),
    (text) => expect(text).toBe('That was:'),
  );
  const phrase = await textOf(page, '[aria-label="The phrase"]');
  expect(phrase).toContain('draw');
  await click(page, 'The same again');
  await eventually(
    () => textOf(page, '[aria-label="The call"]'),
    (text) => expect(text).toBe('Listen …'),
  );
  await eventually(
    () => textOf(page, '[aria-label="The call"]'),
    (text) => expect(text).toBe('That was:'),
  );
  expect(await textOf(page, '[aria-label="The phrase"]')).toBe(phrase);
});

test('a line of Map and a song become items with one key', async () => {
  page = await stage.page(`/map?${LOW_HARMONICA}&in=Bb&play=major`);
  await page.waitForSelector(NOTE);
  await keys(page, 'b');
  await sees(page, 'is among what is practised.');
  await click(page, 'Play it now');
  await page.waitForSelector(NOTE);
  await page.close();
  page = await stage.page(`${songPath(2)}?${LOW_HARMONICA}`);
  await page.waitForSelector(NOTE);
  await keys(page, 'b');
  await sees(page, 'The Net Menders is among what is practised.');
  await click(page, 'Play it now');
  await shows(page, 'main header h1', 'The Net Menders');
  await page.waitForSelector(NOTE);
});

test('the log is set right by hand and undone; progress answers its questions, with tables', async () => {
  page = await stage.page('/practice/log');
  await page.waitForSelector('table[aria-rowcount] tbody tr');
  const first = () => textOf(page, 'table[aria-rowcount] tbody tr');
  const before = await first();
  await page.click('table[aria-rowcount] tbody tr button');
  await page.waitForSelector('[aria-label="Minutes"]');
  await page.$eval('[aria-label="Minutes"]', (input) => (input as HTMLInputElement).select());
  await page.keyboard.type('x');
  await sees(page, 'Minutes are 0 to 1440.');
  await keys(page, 'Backspace');
  await page.keyboard.type('33');
  await page.focus('[aria-label="Note"]');
  await page.keyboard.type('with a cold');
  await click(page, 'keep');
  // A space before it: the time of day may hold a 33 too.
  await eventually(first, (text) => expect(text).toMatch(/ 33 .*with a cold/));
  await click(page, 'Undo');
  await eventually(first, (text) => expect(text).toBe(before));
  await click(page, 'Progress');
  await page.waitForSelector('main svg[role="img"]');
  await sees(page, 'Is the tempo rising?');
  expect(await page.$$eval('main svg[role="img"]', (charts) => charts.length)).toBe(4);
  expect(await page.$$eval('main details', (tables) => tables.length)).toBe(4);
  expect(await barriers(page)).toEqual([]);
});

test('on an empty database practice says how to begin', async () => {
  const empty = await openStage({});
  try {
    page = await empty.page('/practice');
    await sees(page, 'Nothing to practise yet.');
    expect(await barriers(page)).toEqual([]);
    for (const view of ['items', 'progress', 'log']) {
      await page.goto(`${new URL(page.url()).origin}/practice/${view}`);
      await sees(page, view === 'items' ? 'Nothing yet.' : 'Nothing has been played yet.');
    }
  } finally {
    await empty.close();
    page = await stage.page('/practice');
  }
});

test.each([92, 208])(
  'at %d a minute sounds are handed to the clock within a millisecond of their beat',
  async (perMinute) => {
    page = await stage.page('/practice');
    await page.evaluateOnNewDocument(() => {
      const told: number[] = [];
      Object.assign(globalThis, { begun: told });
      // Notes are waves, clicks are samples.
      for (const { prototype } of [OscillatorNode, AudioBufferSourceNode]) {
        const { start } = prototype;
        prototype.start = function (this: AudioScheduledSourceNode, when = 0) {
          told.push(when);
          start.call(this as never, when);
        };
      }
    });
    await page.goto(new URL(itemPath(9), page.url()).href);
    await page.waitForSelector(NOTE);
    await page.$eval('summary::-p-text(Tempo, sound and more)', (summary) =>
      (summary as HTMLElement).click(),
    );
    await page.waitForSelector('main details input');
    await page.$eval('main details input[type=number]', (input) => input.select());
    await page.keyboard.type(String(perMinute));
    await page.focus('#place');
    await keys(page, 'PageDown');
    await page.waitForFunction(() => (globalThis as unknown as { begun: number[] }).begun.length > 28, {
      timeout: 25_000,
    });
    // What begins at once is the sound library’s own, when it is opened.
    const all = await page.evaluate(() => (globalThis as unknown as { begun: number[] }).begun);
    const begun = all.filter((when) => when > 0);
    const beat = 60 / perMinute;
    // A note a beat and a click a beat: all stand at one place of the beat.
    const phase = (at: number) => ((at % beat) + beat) % beat;
    const [middle] = [...begun].sort((a, b) => phase(a) - phase(b)).slice(Math.floor(begun.length / 2));
    const off = begun.map((at) => ((phase(at) - phase(middle!) + 1.5 * beat) % beat) - beat / 2);
    expect(Math.max(...off.map(Math.abs))).toBeLessThan(0.001);
    expect(new Set(begun.map((at) => Math.round((at - middle!) / beat))).size).toBeGreaterThan(12);
  },
);
