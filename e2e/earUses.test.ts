import type { Page } from 'puppeteer-core';
import { NOTE, RESULT, SOUNDING_NOTE } from './notes.ts';
import {
  barriers,
  choose,
  click,
  eventually,
  keys,
  logged,
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
afterAll(async () => {
  expect(stage.complaints()).toEqual([]);
  await stage.close();
});
afterEach(() => page.close());

const record = (number: number) => `5a3e5046-0000-4000-8000-${String(number).padStart(12, '0')}`;
const HARMONICA = record(1);
const WHISTLE = record(8);
/** The harmonica is kept with an A of 442 Hz. */
const A4 = 442;

const opened = async (path: string) => {
  page = await stage.page(path);
  await page.waitForSelector('[aria-label="What listens"]');
  expect(await barriers(page)).toEqual([]);
};
const holds = (selector: string, passes: (text: string) => void) =>
  eventually(() => textOf(page, selector), passes);

/** Puts a microphone into the page that hears only tones of its own, at times after `play` is called. */
async function givenMicrophone(): Promise<void> {
  await page.evaluate(() => {
    const context = new AudioContext();
    const room = context.createMediaStreamDestination();
    // A room is never wholly silent.
    const air = context.createBufferSource();
    air.buffer = context.createBuffer(1, context.sampleRate, context.sampleRate);
    air.buffer.getChannelData(0).forEach((_, i, all) => (all[i] = 0.0004 * (Math.random() - 0.5)));
    air.loop = true;
    air.connect(room);
    air.start();
    navigator.mediaDevices.getUserMedia = () => Promise.resolve(room.stream.clone());
    const play = (
      notes: readonly { readonly hz: number; readonly at: number; readonly seconds: number }[],
    ) => {
      const from = context.currentTime + 0.02;
      for (const { hz, at, seconds } of notes) {
        const [tone, gain] = [context.createOscillator(), context.createGain()];
        tone.type = 'triangle';
        tone.frequency.value = hz;
        gain.gain.setValueAtTime(0, from + at);
        gain.gain.linearRampToValueAtTime(0.3, from + at + 0.01);
        gain.gain.setValueAtTime(0.3, from + at + seconds - 0.02);
        gain.gain.linearRampToValueAtTime(0, from + at + seconds);
        tone.connect(gain).connect(room);
        tone.start(from + at);
        tone.stop(from + at + seconds);
      }
    };
    Object.assign(globalThis, { play });
  });
}

/** An exercise of eight notes, one a second. @returns its path */
async function scaleItem(): Promise<string> {
  const id = await page.evaluate(async (like) => {
    const [{ id: _, version: __, ...item }] = (await (
      await fetch(`/api/items/contents?ids=${like}`)
    ).json()) as [{ id: string; version: number; what: { question: object }; how: object }];
    const body = {
      ...item,
      name: 'Up one octave',
      what: {
        kind: 'line',
        question: {
          ...item.what.question,
          tonic: 'Eb',
          direction: 'up',
          range: { kind: 'octaves', octaves: 1, from: 'best' },
        },
      },
      how: { ...item.how, tempo: 60, wanted: 60, rhythm: 'even', articulation: 'legato' },
    };
    const response = await fetch('/api/items', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    return ((await response.json()) as { id: string }).id;
  }, record(721));
  return `/practice/play/${id}`;
}

const SEMITONES: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };

/** Hertz of a note as it is named: `E♭4`. */
function hertzOf(name: string): number {
  const [, letter, sign, octave] = /^([A-G])([♯♭]?)(\d)/u.exec(name)!;
  const midi = 12 * (Number(octave) + 1) + SEMITONES[letter!]! + { '♯': 1, '♭': -1, '': 0 }[sign!]!;
  return A4 * 2 ** ((midi - 69) / 12);
}

test('a line is followed by ear: what is late or another note is told at the note, and the log and the report have it', async () => {
  page = await stage.page('/practice/today');
  const path = await scaleItem();
  await page.close();
  page = await stage.page(path);
  await page.waitForSelector(NOTE);
  await givenMicrophone();
  const names = await page.$$eval(NOTE, (all) => all.map((one) => (one as HTMLElement).title));
  expect(names).toHaveLength(8);
  const tones = names.map((name, at) => ({ hz: hertzOf(name), at, seconds: 0.8 }));
  const state = () => textOf(page, '[aria-label="The round"]');
  const fates = () => page.$$eval(RESULT, (all) => all.map((one) => one.ariaLabel));
  const playWhenBegun = async (notes: typeof tones) => {
    await page.waitForSelector(SOUNDING_NOTE, { timeout: 20_000 });
    await page.evaluate(
      (list) => (globalThis as unknown as { play: (n: typeof list) => void }).play(list),
      notes,
    );
  };
  const loudness = () => page.$$eval('[aria-label="How loud"] input', (all) => all.map(({ value }) => value));
  await eventually(loudness, (line) => expect(line).toEqual(['1', '1']));
  await page.focus('#place');
  await keys(page, 'm');
  await page.waitForSelector('[aria-label="The ear"]');
  // The line itself would be heard for the player's; the click is taken for nothing.
  await eventually(loudness, (line) => expect(line).toEqual(['0', '1']));
  await sees(page, 'Only the click sounds');
  // The whole of it 12 cents sharp, the third a second late's quarter, the fifth a semitone too high.
  await keys(page, 'PageDown');
  await playWhenBegun(
    tones.map(({ hz, at, seconds }, i) => ({
      hz: hz * 2 ** ((12 + (i === 4 ? 100 : 0)) / 1200),
      at: at + (i === 2 ? 0.25 : 0),
      seconds: i === 2 ? 0.6 : seconds,
    })),
  );
  await eventually(state, (text) => expect(text).toContain('6 of 8 notes were hit.'));
  expect(await fates()).toEqual(['hit', 'hit', 'late', 'hit', 'another', 'hit', 'hit', 'hit']);
  // Somebody must say how it was; then it is played well, and marks itself.
  await keys(page, 'PageUp');
  await playWhenBegun(tones);
  await eventually(
    () => textOf(page, '[aria-label="The climb in tempo"]'),
    (text) => expect(text).toContain('clean 1 of 3'),
  );
  await keys(page, ' ', 'm');
  await eventually(loudness, (line) => expect(line).toEqual(['1', '1']));
  await click(page, 'Done');
  await page.waitForSelector('[aria-label="Today"]');
  interface Told {
    readonly clean: number;
    readonly rounds: number;
    readonly ways: Readonly<
      Record<
        string,
        {
          played: number;
          missed: number;
          sound?: { times: number; cents: number; sharp: number; late: number };
        }
      >
    >;
  }
  const last = async () => (await logged<Told>(page, 1))[0]!;
  await eventually(last, ({ clean, rounds }) => expect({ clean, rounds }).toEqual({ clean: 1, rounds: 2 }));
  const ways = Object.values((await last()).ways);
  expect(ways.map(({ played, missed }) => [played, missed])).toEqual(
    [0, 0, 1, 0, 1, 0, 0, 0].map((missed) => [2, missed]),
  );
  const sounds = ways.map(({ sound }) => sound!);
  expect(sounds.map(({ times }) => times)).toEqual([2, 2, 2, 2, 1, 2, 2, 2]);
  expect(sounds.map(({ late }) => late)).toEqual([0, 0, 1, 0, 0, 0, 0, 0]);
  // Between 12 cents and none; the fifth was right only in the second round.
  sounds.forEach(({ cents }, i) => expect(Math.abs(cents - (i === 4 ? 0 : 6))).toBeLessThan(2));
  await page.goto(new URL('/practice/progress', page.url()).href);
  await sees(page, 'Was it in tune and in time?');
  await sees(page, 'Most often late:');
  expect(await barriers(page)).toEqual([]);
}, 120_000);

test('somebody made up plays with faults, and none of it is in the log', async () => {
  page = await stage.page('/practice/today');
  const path = await scaleItem();
  const before = await logged<{ id: string }>(page, 1);
  await page.close();
  page = await stage.page(path);
  await page.waitForSelector(NOTE);
  await page.$eval('summary::-p-text(Tempo, sound and more)', (summary) => (summary as HTMLElement).click());
  await page.$$eval('main details select', (all) => (all.at(-1)!.id = 'made-up'));
  await choose(page, '#made-up', 'leaves');
  await page.focus('#place');
  await keys(page, 'PageDown');
  await page.waitForSelector(SOUNDING_NOTE, { timeout: 20_000 });
  await eventually(
    () => textOf(page, '[aria-label="The round"]'),
    (text) => expect(text).toContain('6 of 8 notes were hit. (Made up: not in the log.)'),
  );
  const fates = await page.$$eval(RESULT, (all) => all.map((one) => one.ariaLabel));
  expect(fates.map((fate) => fate === 'not heard')).toEqual(
    [1, 2, 3, 4, 5, 6, 7, 8].map((place) => place % 4 === 0),
  );
  await keys(page, 'PageUp', ' ');
  await click(page, 'Done');
  await page.waitForSelector('[aria-label="Today"]');
  // Time was spent all the same, and no way was played.
  const [entry] = await logged<{ id: string; ways: object; clean: number }>(page, 1);
  if (entry!.id !== before[0]!.id) expect(entry).toMatchObject({ ways: {}, clean: 0 });
}, 90_000);

test('a note is held in its band and between two, in seconds', async () => {
  await opened(`/practice/listen?as=hold&on=${HARMONICA}`);
  await click(page, 'Try it without playing');
  await holds('[aria-label="How long it was held"]', (text) =>
    expect(text).toMatch(/Held 1 time; the longest [34]\.\d seconds/),
  );
  await choose(page, 'select:has(option[value="between"])', 'between');
  await sees(page, 'neither the lower nor the upper note');
  await click(page, 'Try it without playing');
  await holds('[aria-label="How long it was held"]', (text) => expect(text).toMatch(/Held 1 time/));
});

test('fingerings of one note are compared, one is recommended and chosen, and undone', async () => {
  await opened(`/practice/listen?as=compare&on=${WHISTLE}`);
  await page.waitForSelector('[aria-label="Ways of one note"] > li');
  expect(
    await page.$$eval('[aria-label="Ways of one note"] > li', (all) => all.length),
  ).toBeGreaterThanOrEqual(3);
  expect(
    await page.$$eval(
      '[aria-label="Ways of one note"] > li',
      (all) => all.filter((one) => one.textContent.includes('recommended')).length,
    ),
  ).toBe(1);
  await page.focus('#place');
  await keys(page, 'ArrowRight');
  await click(page, 'Try it without playing');
  const second = () => textOf(page, '[aria-label="Ways of one note"] > li:nth-child(2)');
  await eventually(second, (text) => expect(text).toMatch(/cents (sharp|flat), 3×/));
  const choices = () =>
    page.evaluate(async (id) => {
      const [found] = (await (await fetch(`/api/instruments/contents?ids=${id}`)).json()) as [
        { choices: string[] },
      ];
      return found.choices.join(' ');
    }, WHISTLE);
  const before = await choices();
  await page.click('[aria-label="Ways of one note"] > li:nth-child(2) .MuiButton-root');
  await sees(page, 'is your choice now.');
  await eventually(choices, (now) => expect(now).not.toBe(before));
  await click(page, 'Undo');
  await eventually(choices, (now) => expect(now).toBe(before));
});

test('an old instrument’s standard is found and kept', async () => {
  await opened(`/practice/listen?as=standard&on=${record(11)}`);
  const kept = () =>
    page.evaluate(async (id) => {
      const [found] = (await (await fetch(`/api/instruments/contents?ids=${id}`)).json()) as [{ a4: number }];
      return found.a4;
    }, record(11));
  const before = await kept();
  await click(page, 'Try it without playing');
  await holds('[aria-label="What is heard"] p:nth-of-type(2)', (text) =>
    expect(text).toMatch(/4[4-7] cents above/),
  );
  await sees(page, 'tell everybody before the lesson');
  await eventually(
    () => page.$$eval('[aria-label="Struck"] li', (all) => all.length),
    (count) => expect(count).toBeGreaterThanOrEqual(5),
  );
  await page.click('button::-p-text(Keep it with A at)');
  await sees(page, 'It is kept with A at');
  // 45 cents higher.
  await eventually(kept, (a4) => expect(Math.abs(1200 * Math.log2(a4 / before) - 45)).toBeLessThan(3));
});

test('a drum is struck, written down and put into the cabinet', async () => {
  await opened('/practice/listen?as=write');
  await click(page, 'Try it without playing');
  await eventually(
    () => page.$$eval('[aria-label="Struck"] b', (all) => all.map((one) => one.textContent)),
    (names) => expect(names).toEqual(['D3', 'A3', 'C4', 'D4', 'F4', 'G4', 'A4', 'C5']),
  );
  await page.focus('#place');
  await keys(page, 'Backspace');
  await eventually(
    () => page.$$eval('[aria-label="Struck"] b', (all) => all.length),
    (count) => expect(count).toBe(7),
  );
  await page.type('::-p-aria([name="Call it"][role="textbox"])', 'Found in the boathouse');
  await click(page, 'Put it into the cabinet');
  await sees(page, 'Found in the boathouse is in the cabinet.');
  await page.waitForFunction(() => /cabinet\/[0-9a-f-]{36}/.test(location.pathname));
});

test('a tune is found by how it begins', async () => {
  await opened(`/practice/listen?as=find&on=${HARMONICA}`);
  await click(page, 'Try it without playing');
  await sees(page, 'One song begins so:');
  const title = await textOf(page, '[aria-label="Songs that begin so"] a');
  await page.click('[aria-label="Songs that begin so"] a');
  await page.waitForFunction(() => location.pathname.startsWith('/songs/'));
  await sees(page, title);
});

test('a drill is answered by playing, and so is a call', async () => {
  page = await stage.page(`/practice/play/${record(725)}`);
  await page.waitForSelector('[aria-label="The question"]');
  await givenMicrophone();
  await page.focus('#place');
  await keys(page, 'm');
  await page.waitForSelector('[aria-label="Loudness"] i');
  const prompt = await textOf(page, '[aria-label="The question"]');
  const name = /Where is (\S+)\?/.exec(prompt)![1]!;
  await page.evaluate(
    (hz) => (globalThis as unknown as { play: (n: object[]) => void }).play([{ hz, at: 0.1, seconds: 0.6 }]),
    hertzOf(name),
  );
  await sees(page, 'Right.');
  await eventually(
    () => textOf(page, 'main header'),
    (text) => expect(text).toContain('2 of 20 · 1 right'),
  );
  await page.close();
  page = await stage.page(`/practice/play/${record(723)}`);
  await page.waitForSelector('[aria-label="Bars"]');
  await page.focus('#place');
  await keys(page, 'c');
  await click(page, 'Try it without playing');
  await click(page, 'Call');
  await eventually(
    () => textOf(page, '[aria-label="Call and answer"]'),
    (text) => expect(text).toMatch(/All \d+ notes were hit\. It was made up, and is not in the log\./),
  );
}, 90_000);
