import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { simulatedPlayer, NO_FAULTS } from '@same-song/core/ear';
import { families } from '@same-song/core/instruments';
import { barriers, choose, click, eventually, keys, openStage, sees, textOf, type Stage } from './stage.ts';

const RATE = 44_100;
const folder = mkdtempSync(join(tmpdir(), 'same-song-ear-'));
const file = join(folder, 'played.wav');

/** A sound file as any program writes it: one channel of 16 bits. */
function wav(samples: Float32Array): Buffer {
  const bytes = Buffer.alloc(44 + 2 * samples.length);
  bytes.write('RIFF', 0);
  bytes.writeUInt32LE(36 + 2 * samples.length, 4);
  bytes.write('WAVEfmt ', 8);
  bytes.writeUInt32LE(16, 16);
  bytes.writeUInt16LE(1, 20);
  bytes.writeUInt16LE(1, 22);
  bytes.writeUInt32LE(RATE, 24);
  bytes.writeUInt32LE(2 * RATE, 28);
  bytes.writeUInt16LE(2, 32);
  bytes.writeUInt16LE(16, 34);
  bytes.write('data', 36);
  bytes.writeUInt32LE(2 * samples.length, 40);
  samples.forEach((x, i) =>
    bytes.writeInt16LE(Math.round(32_767 * Math.max(-1, Math.min(1, x))), 44 + 2 * i),
  );
  return bytes;
}

/** The harmonica is kept with an A of 442 Hz. */
const A = 12 * Math.log2(442 / 440);
// An E flat harmonica an octave low: 4 blow is E♭4, 5 blow G4, 6 blow B♭4; the middle one is 20 cents sharp.
const played = [63, 67.2, 70, 63, 67.2, 70].map((midi, i) => ({
  id: String(i),
  midi: midi + A,
  at: 2 + 0.9 * i,
  seconds: 0.7,
}));

let stage: Stage;
let page: Page;
beforeAll(async () => {
  const { timbre } = families.diatonic;
  const sound = simulatedPlayer(played, { rate: RATE, timbre, faults: { ...NO_FAULTS, noise: 40 } });
  writeFileSync(file, wav(sound));
  const flags = [
    '--use-fake-device-for-media-stream',
    '--use-fake-ui-for-media-stream',
    `--use-file-for-fake-audio-capture=${file}%noloop`,
  ];
  stage = await openStage({ SAME_SONG_DEMO: '1' }, { flags });
});
afterAll(async () => {
  expect(stage.complaints()).toEqual([]);
  await stage.close();
  rmSync(folder, { recursive: true });
});
afterEach(() => page.close());

const rows = () =>
  page.$$eval('[aria-label="What was measured"] tbody tr', (all) =>
    all.map((row) => [...row.children].map((cell) => cell.textContent ?? '')),
  );

/** Cents that the server has of the harmonica's fifth hole, blown; null where it was not measured. */
const fiveBlow = () =>
  page.evaluate(async () => {
    const id = '5a3e5046-0000-4000-8000-000000000001';
    const response = await fetch(`/api/instruments/contents?ids=${id}`);
    const [{ measured }] = (await response.json()) as [{ measured: Record<string, { cents: number }> }];
    return measured['5b']?.cents ?? null;
  });

test('a microphone is heard: which way, how far off, and the page is never held up', async () => {
  page = await stage.page('/practice/listen');
  await page.waitForSelector('svg [data-way]');
  expect(await barriers(page)).toEqual([]);
  await page.evaluate(() => {
    const long: number[] = [];
    const told = new Set<string>();
    Object.assign(globalThis, { long, told });
    const now = document.querySelector('[aria-label="What is heard"]')!;
    new MutationObserver(() => {
      const [way, cents] = [...now.querySelectorAll('p')].map((one) => one.textContent ?? '');
      told.add(`${way}: ${cents}`);
    }).observe(now, { subtree: true, characterData: true, childList: true });
    new PerformanceObserver((list) =>
      list.getEntries().forEach(({ duration }) => long.push(duration)),
    ).observe({
      type: 'longtask',
    });
  });
  await page.focus('#place');
  await keys(page, ' ');
  await eventually(
    () => page.evaluate(() => [...(globalThis as unknown as { told: Set<string> }).told].join('; ')),
    (text) => {
      expect(text).toMatch(/5 blow: (19|20|21) cents sharp/);
      expect(text).toMatch(/6 blow: right in tune/);
    },
  );
  // Which microphone it is stands beside the meter.
  expect(await textOf(page, '[aria-label="Loudness"] p')).toMatch(/^by .*[Ff]ake/);
  const microphones = await page.$$eval('[aria-label="What listens"] option', (all) =>
    all.map((one) => one.value),
  );
  expect(microphones.length).toBeGreaterThan(1);
  // Another one is listened by at once, and is the one that is taken the next time.
  await choose(page, '[aria-label="What listens"] select', microphones.at(-1)!);
  await eventually(
    () => page.evaluate(() => localStorage.getItem('same-song.microphone')),
    (id) => expect(id).toBe(JSON.stringify(microphones.at(-1))),
  );
  await page.waitForSelector('::-p-text(by )');
  const long = await page.evaluate(() => (globalThis as unknown as { long: number[] }).long);
  // Alone on this machine there is none; beside other tests the page waits for its turn, which counts as its own.
  expect(long.reduce((sum, ms) => sum + ms, 0)).toBeLessThan(1500);
});

test('an instrument is measured: the measuring is kept, its middle goes into the map, and both come back', async () => {
  page = await stage.page('/practice/listen?as=measure');
  await page.waitForSelector('svg [data-way]');
  expect(await barriers(page)).toEqual([]);
  await page.focus('#place');
  await keys(page, ' ');
  // A machine that is busy may tear a note in two.
  await eventually(rows, (list) =>
    expect(list.map((row) => Number.parseInt(row[2]!, 10) >= 2)).toEqual([true, true, true]),
  );
  await keys(page, ' ');
  const heard = await rows();
  expect(heard.map(([way]) => way)).toEqual(['4 blow', '5 blow', '6 blow']);
  expect(heard[0]![1]).toContain('in tune');
  expect(heard[1]![1]).toMatch(/^(19|20|21) cents sharp$/);
  await click(page, 'Keep this measuring');
  await sees(page, 'This measuring is kept.');
  await sees(page, '3 ways.');
  // What is not taken is left out.
  await page.click('[aria-label="What was measured"] tbody tr:nth-child(1) input');
  const before = await fiveBlow();
  await click(page, 'Take the middle of 2 ways into its map');
  await sees(page, 'The cents are in its map now.');
  await eventually(fiveBlow, (cents) => expect(Math.abs(cents! - 20)).toBeLessThan(2));
  await eventually(rows, (list) => expect(list.map((row) => row.at(-1) !== '')).toEqual([false, true, true]));
  await click(page, 'Undo');
  await eventually(fiveBlow, (cents) => expect(cents).toBe(before));
  // The notice may lie over it.
  await page.$eval('[aria-label="Measurings that are kept"] button', (button) =>
    (button as HTMLElement).click(),
  );
  await eventually(rows, (list) => expect(list).toEqual([]));
  await click(page, 'Undo');
  await eventually(rows, (list) => expect(list).toHaveLength(3));
});

test('the way that is meant is chosen on the drawing, and another note is said to be one', async () => {
  page = await stage.page('/practice/listen');
  await page.waitForSelector('svg [data-way]');
  await page.click('main [data-way="1b"]');
  await sees(page, 'Meant: 1 blow');
  // What is told stands only as long as its note: it is gathered in the page.
  await page.evaluate(() => {
    const told: string[] = [];
    Object.assign(globalThis, { told });
    new MutationObserver(() => {
      told.push(
        document
          .querySelector<HTMLElement>('[aria-label="What is heard"] p:nth-of-type(2)')
          ?.innerText.trim() ?? '',
      );
    }).observe(document.querySelector('[aria-label="What is heard"]')!, {
      subtree: true,
      characterData: true,
      childList: true,
    });
  });
  await click(page, 'Try it without playing');
  await eventually(
    () => page.evaluate(() => (globalThis as unknown as { told: string[] }).told),
    (told) => {
      const inTune = told.findIndex((text) => text.includes('in tune'));
      expect(inTune).toBeGreaterThanOrEqual(0);
      expect(told.slice(inTune)).toContain('another note, higher');
    },
  );
  await keys(page, 'Escape');
  await eventually(
    () => textOf(page, '[aria-label="What listens"]'),
    (text) => expect(text).not.toContain('Meant'),
  );
});

test('a file goes through the same chain, and what is no sound is said to be none', async () => {
  page = await stage.page('/practice/listen?as=measure');
  await page.waitForSelector('svg [data-way]');
  const chooser = (await page.$('input[type=file]'))!;
  const none = join(folder, 'none.wav');
  writeFileSync(none, 'no sound at all');
  await chooser.uploadFile(none);
  await sees(page, 'none.wav is no sound that this browser can read.');
  await chooser.uploadFile(file);
  await eventually(rows, (list) => expect(list.map(([way]) => way)).toEqual(['4 blow', '5 blow', '6 blow']));
});

test('a missing microphone and a refused one are told in words, and how to go on', async () => {
  const without = await openStage({ SAME_SONG_DEMO: '1' });
  try {
    page = await without.page('/practice/listen');
    await page.waitForSelector('[aria-label="What listens"]');
    await page.focus('#place');
    await keys(page, ' ');
    await sees(page, 'There is no microphone on this device.');
  } finally {
    await without.close();
  }
  const refusing = await openStage(
    { SAME_SONG_DEMO: '1' },
    { flags: ['--use-fake-device-for-media-stream'] },
  );
  try {
    page = await refusing.page('/practice/listen');
    await refusing.browser.defaultBrowserContext().overridePermissions(refusing.address, []);
    await page.waitForSelector('[aria-label="What listens"]');
    await page.focus('#place');
    await keys(page, ' ');
    await sees(page, 'The microphone is refused.');
    expect(await barriers(page)).toEqual([]);
  } finally {
    await refusing.close();
    page = await stage.page('/practice/listen');
  }
});
