import type { Page } from 'puppeteer-core';
import { LOW_HARMONICA, songPath } from './songPage.ts';
import { barriers, click, eventually, keys, openStage, sees, type Stage } from './stage.ts';

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

interface Kept {
  readonly title: string;
  readonly chords: readonly { readonly at: number; readonly symbol: string }[];
  readonly parts: readonly {
    readonly voices: readonly {
      readonly notes: readonly {
        readonly id: string;
        readonly onset: number;
        readonly length: number;
        readonly pitch: { readonly letter: string; readonly octave: number };
        readonly marks?: readonly string[];
        readonly lyrics?: readonly unknown[];
      }[];
    }[];
  }[];
}

const kept = () =>
  page.evaluate(async () => (await (await fetch(`/api${location.pathname}`)).json()) as Kept);
const note = async (id: string) => (await kept()).parts[0]!.voices[0]!.notes.find((one) => one.id === id);

test('a note gets its chord, its words and its marks where it stands, and all of it can be undone', async () => {
  page = await stage.page(`${songPath(0)}?${LOW_HARMONICA}&at=n3`);
  await page.waitForSelector('[aria-label="Staff"] svg');
  await page.waitForSelector('summary::-p-text(Change the song here)');
  await page.click('summary::-p-text(Change the song here)');
  await page.waitForSelector('section[aria-label="The note"] details[open] input');
  expect(await barriers(page)).toEqual([]);
  const type = async (label: string, text: string) => {
    await page.locator(`::-p-aria([name="${label}"][role="textbox"])`).click();
    await keys(page, ...text, 'Enter');
  };
  await type('Chord from here', 'Em7');
  const { onset } = (await note('n3'))!;
  await eventually(kept, ({ chords }) => expect(chords).toContainEqual({ at: onset, symbol: 'Em7' }));
  await sees(page, 'Em7 from here');
  await type('Sung here, verse 1', 'lan-');
  await eventually(
    () => note('n3'),
    (found) => expect(found!.lyrics).toEqual([{ text: 'lan', hyphen: true }]),
  );
  await page.waitForFunction(() =>
    [...document.querySelectorAll('[aria-label="Staff"] text')].some(({ textContent }) =>
      textContent?.includes('lan'),
    ),
  );
  await click(page, 'accented');
  await eventually(
    () => note('n3'),
    (found) => expect(found!.marks).toEqual(['accent']),
  );
  const before = (await kept()).parts[0]!.voices[0]!.notes.length;
  const { length } = (await note('n3'))!;
  await click(page, 'two of half the length');
  await eventually(kept, ({ parts }) => expect(parts[0]!.voices[0]!.notes).toHaveLength(before + 1));
  expect((await note('n3'))!.length).toBe(length / 2);
  for (let undone = 0; undone < 4; undone += 1) {
    const { parts, chords } = await kept();
    await click(page, 'Undo');
    await eventually(kept, (now) => expect([now.parts, now.chords]).not.toEqual([parts, chords]));
  }
  expect((await note('n3'))!.length).toBe(length);
  expect((await note('n3'))!.lyrics).toBeUndefined();
  expect((await kept()).chords.some(({ symbol }) => symbol === 'Em7')).toBe(false);
});

test('quick presses all count, only their system is drawn anew, and what another page changed meanwhile stays', async () => {
  page = await stage.page(`${songPath(0)}?${LOW_HARMONICA}&at=n3`);
  await page.waitForSelector('[aria-label="Staff"] svg');
  const before = await kept();
  const steps = ({ parts }: Kept) =>
    parts[0]!.voices[0]!.notes.map(({ pitch }) => 7 * pitch.octave + 'CDEFGAB'.indexOf(pitch.letter));
  const marks = () =>
    page.$$eval('[aria-label="Staff"] svg', (all) =>
      all.slice(1, 3).map((svg) => svg.classList.contains('as-before')),
    );
  await page.$$eval('[aria-label="Staff"] svg', (all) =>
    all.forEach((svg) => svg.classList.add('as-before')),
  );
  // Another page renames the song, unseen by this one.
  await page.evaluate(async () => {
    const { id, ...song } = (await (await fetch(`/api${location.pathname}`)).json()) as { id: string };
    await fetch(`/api/songs/${id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ...song, title: 'Renamed elsewhere' }),
    });
  });
  await page.focus('#place');
  await keys(page, '+', '+', '+', '-', '+');
  const raised = steps(before).map((step, i) =>
    before.parts[0]!.voices[0]!.notes[i]!.id === 'n3' ? step + 3 : step,
  );
  await eventually(kept, (now) => expect(steps(now)).toEqual(raised));
  expect((await kept()).title).toBe('Renamed elsewhere');
  expect(await marks()).toEqual([true, true]);
  for (let undone = 0; undone < 5; undone += 1) await click(page, 'Undo');
  await eventually(kept, (now) => expect(steps(now)).toEqual(steps(before)));
  expect((await kept()).title).toBe('Renamed elsewhere');
});

test('what is printed has every system, drawn or not, the drawing and what is to be left out', async () => {
  page = await stage.page(`${songPath(0)}?${LOW_HARMONICA}&by=0`);
  await page.waitForSelector('[aria-label="Staff"] svg');
  const drawn = await page.evaluate(() => {
    const shows = (selector: string) => document.querySelectorAll(selector).length;
    const before = shows('main svg[role="img"][aria-label*="armonica"]');
    window.dispatchEvent(new Event('beforeprint'));
    const now = [
      shows('[aria-label="System"]') - shows('[aria-label="Staff"] svg'),
      shows('main svg[role="img"][aria-label*="armonica"]'),
    ];
    return [before, ...now, document.querySelector('[aria-label="To leave out"]')?.textContent ?? ''];
  });
  expect(drawn.slice(0, 3)).toEqual([0, 0, 1]);
  expect(drawn[3]).toContain('E5 in bars 2, 6, 10, 11, 14 and 15');
  await page.evaluate(() => window.dispatchEvent(new Event('afterprint')));
  await page.waitForFunction(
    () =>
      !document.querySelector('[aria-label="To leave out"], main svg[role="img"][aria-label*="armonica"]'),
  );
});

test('a text that is begun is there after the page is loaded again, until it is left', async () => {
  page = await stage.page('/songs');
  await click(page, 'Write one');
  await page.waitForSelector('section:has(textarea) textarea');
  await page.type('section:has(textarea) textarea', '1 2 3 -');
  await page.waitForSelector('[aria-label="Staff"] svg');
  await page.reload();
  await click(page, 'Go on writing');
  await page.waitForSelector('section:has(textarea) textarea');
  expect(await page.$eval('section:has(textarea) textarea', (area) => area.value)).toBe('1 2 3 -');
  await click(page, 'Leave it');
  await page.reload();
  await page.waitForSelector('table[aria-rowcount]');
  await sees(page, 'Write one');
  expect(await page.$('button::-p-text(Go on writing)')).toBeNull();
});
