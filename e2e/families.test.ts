import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { withArticle } from '@same-song/core';
import { families, FAMILY_IDS, type FamilyId } from '@same-song/core/instruments';
import { NOTE, counts } from './notes.ts';
import {
  click,
  eventually,
  keys,
  onPaper,
  smallWriting,
  openStage,
  sees,
  shows,
  tabsOnPaper,
  textOf,
  type Stage,
} from './stage.ts';

let stage: Stage;
let page: Page;
beforeAll(async () => {
  stage = await openStage();
});
afterAll(() => stage.close());

/** One edit of each family: which field, what is typed, and what then shows. */
const EDITS: Readonly<Record<FamilyId, { field: string; type?: string; then: string }>> = {
  diatonic: { field: 'hole 4 blow', type: 'Ab4', then: '1 reed changed' },
  chromatic: { field: 'hole 5 draw, slide in', type: 'E5', then: '1 reed changed' },
  whistle: { field: 'xxoxxo, low register, speaks', then: '1 fingering changed' },
  english: { field: 'left hand, column 2, button 1', type: 'C#4', then: '1 button changed' },
  anglo: { field: 'left middle 1, push', type: 'G#4', then: '1 reed changed' },
  dulcimer: { field: 'fret 1½, 1½', then: '1 fret changed' },
  harp: { field: 'F4 string, lever', then: '1 without lever' },
  drum: { field: 'tongue 3, cents', type: '-12', then: 'some off by cents' },
  custom: { field: 'pitch 2, name', type: 'Tern', then: 'Tern' },
};

/** What must not be, by family: which field, what is typed, and what is then said. */
const MISTAKES: Readonly<
  Partial<Record<FamilyId, readonly (readonly [field: string, text: string, message: string])[]>>
> = {
  drum: [['tongue 3, place', '1', 'Tongue 3 lies where tongue 2 lies']],
  dulcimer: [['fret 2, up', '1', 'Fret 2 must sound higher than fret 1']],
  harp: [['F4 string', 'C3', 'is lower than string']],
  custom: [
    ['pitch 3, from left', '31', 'Pitch 3 lies on pitch 1'],
    ['pitch 3, name', '1', 'Two pitches are called “1”'],
  ],
  anglo: [['right middle 2, pull', 'C0', 'out of range']],
};

async function type(field: string, text: string): Promise<void> {
  const input = (await page.waitForSelector(
    `input[aria-label="${field}"]`,
  )) as ElementHandle<HTMLInputElement>;
  // By keyboard: what was just said may lie over the field for a while.
  await input.focus();
  await input.evaluate((field) => field.select());
  await input.type(text);
  await keys(page, 'Enter');
}

/** Labels of lists to choose from that are longer than their place. */
function cutLabels(): string[] {
  const pen = document.createElement('canvas').getContext('2d')!;
  return [...document.querySelectorAll<HTMLSelectElement>('[aria-label="This map"] select')].flatMap(
    (list) => {
      const style = getComputedStyle(list);
      pen.font = `${style.fontWeight} ${style.fontSize} ${style.fontFamily}`;
      const text = list.selectedOptions[0]!.textContent;
      const room = list.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight);
      return pen.measureText(text).width > room + 1 ? [text] : [];
    },
  );
}

/** Chips whose right edge, just inside of it, is taken by another one when it is clicked. */
function elsewhereAtTheEdge(): string[] {
  return [...document.querySelectorAll<SVGGElement>('svg[role="listbox"] [role="option"]')].flatMap(
    (chip) => {
      const seen = chip.querySelector(':scope > rect[fill="transparent"]')!.getBoundingClientRect();
      const hit = document.elementFromPoint(seen.right - 1, seen.top + seen.height / 2);
      const way = hit?.closest<SVGGElement>('[data-way]')?.dataset['way'];
      return way === chip.dataset['way'] ? [] : [`${chip.dataset['way']}: ${way}`];
    },
  );
}

test.each(FAMILY_IDS)(
  '%s: added from the list, edited with mistakes told at once, saved, mapped, played and printed',
  async (id) => {
    const family = families[id];
    const preset = family.presets[0]!;
    page = await stage.page('/cabinet/new');
    await click(page, family.label);
    await (await page.waitForSelector(
      `button[aria-label="Add ${withArticle(`${preset.label} ${family.label}`)}"]`,
    ))!.click();
    await sees(page, 'is in the cabinet.');

    const { field, type: text, then } = EDITS[id];
    if (text) await type(field, text);
    else await (await page.waitForSelector(`input[aria-label="${field}"]`))!.click();
    await page.waitForFunction(
      (wanted) =>
        document.querySelector('form[aria-label]')?.textContent?.includes(wanted) ||
        [...document.querySelectorAll('form[aria-label] input')].some(
          (e) => (e as HTMLInputElement).value === wanted,
        ),
      {},
      then,
    );
    for (const [wrong, typed, message] of MISTAKES[id] ?? []) {
      await type(wrong, typed);
      await sees(page, message);
      await click(page, 'Undo');
      await page.waitForFunction((text) => !document.body.innerText.includes(text), {}, message);
    }
    await click(page, 'Save');
    await sees(page, 'is saved.');
    await page.reload({ waitUntil: 'networkidle0' });
    await page.waitForSelector('main figure [data-way]');
    expect(await smallWriting(page)).toEqual([]);

    await click(page, 'Map');
    await page.waitForSelector('svg[role="listbox"] [role="option"]');
    await page.waitForSelector(NOTE);
    expect(await page.evaluate(elsewhereAtTheEdge)).toEqual([]);
    expect(await smallWriting(page)).toEqual([]);
    expect(await page.evaluate(cutLabels)).toEqual([]);
    const tab = await textOf(page, '[aria-label="Tab of the line"]');
    expect(tab.length).toBeGreaterThan(10);
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await keys(page, 'ArrowRight');
    await page.waitForSelector('section[aria-label="The note"]');

    const { pages, text: onSheet } = await onPaper(page);
    expect(pages).toBe(1);
    const printed = onSheet.replace(/[\s′″‴°]+/g, ' ');
    const tabs = await tabsOnPaper(page);
    for (const written of tabs.filter((t) => t !== '—'))
      expect(printed).toContain(written.replace(/[\s′″‴°]+/g, ' ').trim());
  },
);

test('layers step with one key, in drawing, line and sentence', async () => {
  page = await stage.page('/map?on=preset:anglo/C-G-two-rows&in=C&play=major&dir=up');
  await page.waitForSelector(NOTE);
  const notes = () => page.$$eval(NOTE, (found) => found.length);
  await eventually(notes, (count) => expect(count).toBe(8));
  await keys(page, 'l');
  await sees(page, 'the scale and its colour notes');
  await keys(page, 'l');
  await sees(page, 'home alone');
  await counts(page, NOTE, 2);
  await keys(page, 'l', 'l');
  await sees(page, 'five notes');
  await counts(page, NOTE, 6);
  await shows(page, 'main h1', 'Play five notes of major in C');
});

test('two scales and two instruments stand side by side, from the link and by keyboard', async () => {
  page = await stage.page('/map?on=preset:whistle/75&in=Eb&play=major&dir=up');
  await page.waitForSelector(NOTE);
  await keys(page, 'v', '“dorian”', 'Enter');
  await sees(page, 'Side by side');
  await sees(page, 'Notes dropped');
  await shows(page, 'aside[aria-label]', 'Notes added G♭ D♭');
  await keys(page, 'v');
  await page.waitForFunction(() => !document.querySelector('aside[aria-label="Comparison"]'));
  await keys(page, 'v', '“a 34 strings”', 'Enter');
  await page.waitForSelector('section[aria-label*="34 strings"] [data-way]');
  await sees(page, 'fingers moved');
  await page.reload({ waitUntil: 'networkidle0' });
  await page.waitForSelector('section[aria-label*="34 strings"] [data-way]');
});

test('a measurement and a choice are kept with the instrument and change the line', async () => {
  page = await stage.page('/cabinet/new?kind=whistle');
  await (await page.waitForSelector('button[aria-label="Add a B♭ whistle"]'))!.click();
  await sees(page, 'is in the cabinet.');
  await (await page.waitForSelector('summary::-p-text(Which way is right on this instrument?)'))!.click();
  await sees(page, 'recommended');
  await type('measured cents of 2 3 covered for A♭5', '40');
  await type('measured cents of all open, 1 half for A♭5', '-35');
  await click(page, 'Save');
  await sees(page, 'is saved.');
  await click(page, 'Map');
  await page.waitForSelector(NOTE);
  await page.goto(`${page.url()}&in=Eb&play=major&dir=up&range=G5-C6`, { waitUntil: 'networkidle0' });
  await page.waitForSelector(NOTE);
  await shows(page, '[aria-label="Tab of the line"]', '○●●●○○');
});

test('a layout goes out as a file and in again; a tuning too; a wrong file says why and changes nothing', async () => {
  page = await stage.page('/cabinet/new?kind=drum');
  await (await page.waitForSelector('button[aria-label="Add a C major, 8 tongue drum"]'))!.click();
  await sees(page, 'is in the cabinet.');
  const choose = async (name: string, content: string) => {
    const file = join(stage.folder, name);
    writeFileSync(file, content);
    const input = await page.waitForSelector('input[aria-label="Layout file to import"]');
    await (input as ElementHandle<HTMLInputElement>).uploadFile(file);
  };
  await choose('five.scl', '! five.scl\n!\nFive\n 4\n!\n 9/8\n 5/4\n 3/2\n 27/16\n');
  await sees(page, 'tongue drum of 5: C4 D4 E4 G4 A4, some off by cents');
  await choose('bad.scl', 'Five\n 4\n 9/8\n');
  await sees(page, '4 pitches are announced, 1 are there');
  await choose(
    'bad.json',
    '{"format":"same-song-layout","version":1,"family":"drum","name":"x","layout":{"tongues":[]}}',
  );
  await sees(page, 'There must be 2 to 24 tongues, not 0.');
  await choose(
    'other.json',
    JSON.stringify({
      format: 'same-song-layout',
      version: 1,
      family: 'whistle',
      name: 'x',
      layout: families.whistle.presets[0]!.layout,
    }),
  );
  await sees(page, 'for another kind of instrument');
  await sees(page, 'tongue drum of 5');
});

test('no page complained in the console', () => {
  expect(stage.complaints()).toEqual([]);
});
