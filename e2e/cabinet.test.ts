import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { barriers, click, eventually, keys, openStage, sees, shows, textOf, type Stage } from './stage.ts';

let stage: Stage;
let page: Page;

beforeAll(async () => {
  stage = await openStage({ SAME_SONG_DEMO: '1' });
});
afterAll(() => stage.close());

const LOW_E_FLAT = '/cabinet/5a3e5046-0000-4000-8000-000000000001';
const A_FLAT = '/cabinet/5a3e5046-0000-4000-8000-000000000002';
const B_FLAT = '/cabinet/5a3e5046-0000-4000-8000-000000000003';

const field = (label: string) => `input[aria-label="${label}"]`;

async function retype(target: Page, selector: string, text: string): Promise<void> {
  const input = (await target.waitForSelector(selector)) as ElementHandle<HTMLInputElement>;
  await input.click({ count: 3 });
  await input.type(text);
}
const nameField = '[aria-label="Name and layout"] input[dir="auto"]';

const drawnWith = (chip: string, note: string) =>
  eventually(
    () => page.$eval(chip, (e) => e.textContent),
    (drawn) => expect(drawn).toContain(note),
  );
const typed = (selector: string, text: string) =>
  eventually(
    () => page.$eval(selector, (e) => (e as HTMLInputElement).value),
    (value) => expect(value).toBe(text),
  );

test('editing a reed changes the drawing at once; saving keeps it, undo takes it back', async () => {
  page = await stage.page(A_FLAT);
  const drawn = 'main figure [data-way="5d"]';
  await drawnWith(drawn, 'D♭5');
  await retype(page, field('hole 5 draw'), 'd5');
  await keys(page, 'Enter');
  await drawnWith(drawn, 'D5');
  await sees(page, '1 reed changed');
  await click(page, 'Save');
  await sees(page, 'is saved.');
  await page.reload({ waitUntil: 'networkidle0' });
  await drawnWith(drawn, 'D5');
});

test('a reed out of order or range, and a note that cannot be read, are told at their field; nothing is lost', async () => {
  page = await stage.page(A_FLAT);
  await retype(page, field('hole 6 blow'), 'C3');
  await keys(page, 'Enter');
  await sees(page, 'Hole 6 blow is lower than hole 5 blow');
  await page.waitForSelector(`${field('hole 6 blow')}[aria-invalid="true"]`);
  await retype(page, field('hole 6 blow'), 'Eb12');
  await keys(page, 'Enter');
  await sees(page, 'Hole 6 blow is out of range');
  await retype(page, field('hole 9 draw'), 'xyz');
  await keys(page, 'Tab');
  await sees(page, 'Type a note with its octave');
  await typed(field('hole 9 draw'), 'xyz');
  await click(page, 'Drop changes');
  await page.waitForFunction(() => !document.body.innerText.includes('out of range'));
});

test('names: too long is told at the field, any script is kept', async () => {
  page = await stage.page(B_FLAT);
  await page.waitForSelector(nameField);
  await page.$eval(
    nameField,
    (element, text) => {
      const setter = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!;
      setter.call(element, text);
      element.dispatchEvent(new Event('input', { bubbles: true }));
    },
    'x'.repeat(10_000),
  );
  await sees(page, 'A name may have 120 characters at most; this has 10000.');
  await retype(page, nameField, 'מפוחית של נועה 🎶');
  await click(page, 'Save');
  await sees(page, 'is saved.');
  await page.reload({ waitUntil: 'networkidle0' });
  await shows(page, 'main header h2', 'מפוחית של נועה 🎶');
});

test('an edit made stale by a second device offers both texts, and what was chosen is kept', async () => {
  page = await stage.page(LOW_E_FLAT);
  const other = await stage.page(LOW_E_FLAT, { apart: true });
  await retype(other, nameField, 'Theirs');
  await click(other, 'Save');
  await sees(other, 'Theirs is saved.');
  await retype(page, nameField, 'Mine');
  await click(page, 'Save');
  await sees(page, 'This was changed elsewhere while you were editing');
  await shows(page, '[role="alert"] fieldset', 'Yours: Mine There now: Theirs');
  await click(page, 'Save as chosen');
  await sees(page, 'Mine is saved, with what was changed elsewhere.');
  await other.reload({ waitUntil: 'networkidle0' });
  await shows(other, 'main header h2', 'Mine');
});

test('with the server killed in the middle of an edit nothing typed and nothing saved is lost', async () => {
  page = await stage.page(LOW_E_FLAT);
  await retype(page, nameField, 'Before the storm');
  await click(page, 'Save');
  await sees(page, 'Before the storm is saved.');
  await stage.kill();
  await retype(page, nameField, 'After the storm');
  await click(page, 'Save');
  await sees(page, 'The Same Song server does not answer');
  await stage.restart();
  await page.waitForFunction(
    () => !document.body.innerText.includes('changes can be saved when it is back'),
    {
      timeout: 15_000,
    },
  );
  await typed(nameField, 'After the storm');
  await page.reload({ waitUntil: 'networkidle0' });
  await typed(nameField, 'After the storm');
  await shows(page, 'section[aria-label="Instruments"] a[aria-current="page"] b', 'Before the storm');
  await click(page, 'Save');
  await sees(page, 'After the storm is saved.');
});

test('put into the bin elsewhere, an instrument stays on the page with what was typed, and is put back from there', async () => {
  page = await stage.page(B_FLAT);
  const other = await stage.page(B_FLAT, { apart: true });
  await retype(page, nameField, 'Typed on');
  await click(other, 'Into the bin');
  await sees(other, 'is in the bin.');
  await click(page, 'Save');
  await sees(page, 'This instrument lies in the bin.');
  await typed(nameField, 'Typed on');
  expect(await barriers(page)).toEqual([]);
  await click(page, 'Put it back');
  await sees(page, 'is back in the cabinet.');
  await click(page, 'Save');
  await sees(page, 'Typed on is saved');
  await page.goto(`${stage.address}/cabinet/11111111-0000-4000-8000-000000000000`);
  await sees(page, 'There is no such instrument');
});

test('into the bin and back, by the notice, by undo and from the bin itself', async () => {
  page = await stage.page(B_FLAT);
  await page.waitForSelector('main header h2');
  const name = await textOf(page, 'main header h2');
  const listed = () =>
    page.$$eval('section[aria-label="Instruments"] li b', (names) => names.map((n) => n.textContent));
  await click(page, 'Into the bin');
  await sees(page, 'is in the bin.');
  await eventually(listed, (names) => expect(names).not.toContain(name));
  await page.click('[role="alert"] button');
  await page.waitForFunction(
    (n) =>
      [...document.querySelectorAll('section[aria-label="Instruments"] li b')].some(
        (b) => b.textContent === n,
      ),
    {},
    name,
  );
  page = await stage.page(B_FLAT);
  await click(page, 'Into the bin');
  await sees(page, 'is in the bin.');
  expect(await barriers(page)).toEqual([]);
  await click(page, 'Bin');
  await click(page, 'Put back');
  await sees(page, `${name} is back.`);
  await eventually(listed, (names) => expect(names).toContain(name));
});

test('a layout kept under a name begins other instruments; undo and redo as often as one likes', async () => {
  page = await stage.page(A_FLAT);
  await retype(page, field('hole 3 blow'), 'f4');
  await keys(page, 'Enter');
  await sees(page, '2 reeds changed');
  await page.type(field('Name of the layout'), 'Lantern reeds');
  await keys(page, 'Enter');
  await sees(page, 'The layout “Lantern reeds” is kept');
  const own = () =>
    page.$$eval('[aria-label="Layouts of your own"] [aria-label^="Add "]', (found) =>
      found.map((e) => e.ariaLabel),
    );
  await page.goto(`${stage.address}/cabinet/new?kind=diatonic`, { waitUntil: 'networkidle0' });
  await eventually(own, (names) => expect(names.join()).toContain('Lantern reeds'));
  await (await page.waitForSelector('button[aria-label="Add Lantern reeds"]'))!.click();
  await sees(page, 'Lantern reeds is in the cabinet.');
  await typed(field('hole 3 blow'), 'F4');
  const listed = () =>
    page.$$eval('section[aria-label="Instruments"] li b', (names) => names.map((n) => n.textContent));
  for (let i = 0; i < 2; i += 1) {
    await click(page, 'Undo');
    await eventually(listed, (names) => expect(names).not.toContain('Lantern reeds'));
    await click(page, 'Redo');
    await eventually(listed, (names) => expect(names).toContain('Lantern reeds'));
  }
  await page.goto(`${stage.address}/cabinet/new?kind=diatonic`, { waitUntil: 'networkidle0' });
  await (await page.waitForSelector(
    'button[aria-label="Put the layout Lantern reeds into the bin"]',
  ))!.click();
  await sees(page, 'Lantern reeds is in the bin.');
  await eventually(own, (names) => expect(names).toEqual([]));
  await page.goto(`${stage.address}/cabinet/bin`, { waitUntil: 'networkidle0' });
  await sees(page, 'Lantern reeds');
});

describe('import', () => {
  async function choose(content: string): Promise<void> {
    const file = join(stage.folder, 'import.json');
    writeFileSync(file, content);
    const input = (await page.waitForSelector('input[type="file"]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(file);
  }

  test('shows what it would change, imports, and can be undone', async () => {
    page = await stage.page('/cabinet/data');
    const exported = await page.evaluate(async () => (await fetch('/api/data/export')).json());
    const [first] = exported.instruments as { id: string; name: string }[];
    const added = { ...first, id: '11111111-1111-4111-8111-111111111111', name: 'From the file' };
    const renamed = { ...first, name: 'Renamed by the file' };
    await choose(
      JSON.stringify({ ...exported, instruments: [renamed, ...exported.instruments.slice(1), added] }),
    );
    await sees(page, 'New: From the file');
    await sees(page, 'Changed: Renamed by the file');
    const listed = () =>
      page.$$eval('section[aria-label="Instruments"] li b', (names) => names.map((n) => n.textContent));
    expect(await listed()).not.toContain('From the file');
    await click(page, 'Import');
    await sees(page, 'The file is imported.');
    await page.waitForFunction(() =>
      document.querySelector('section[aria-label="Instruments"]')?.textContent?.includes('From the file'),
    );
    await click(page, 'Undo');
    await page.waitForFunction(
      () => !document.querySelector('section[aria-label="Instruments"]')?.textContent?.includes('the file'),
    );
    await eventually(listed, (names) => expect(names).toContain(first!.name));
    await click(page, 'Redo');
    await eventually(listed, (names) => expect(names).toContain('Renamed by the file'));
    // Somebody else changes what the import brought: undo asks first, and then leaves all else alone.
    const version = await page.evaluate(
      async (id) => ((await (await fetch(`/api/instruments/${id}`)).json()) as { version: number }).version,
      added.id,
    );
    await page.evaluate(
      ({ id, ...content }, seen) =>
        fetch(`/api/instruments/${id}`, {
          method: 'PUT',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ ...content, name: 'Theirs since', version: seen }),
        }).then((answer) => answer.status),
      added,
      version,
    );
    await click(page, 'Undo');
    await sees(page, 'Not undone: the import. Theirs since was changed elsewhere since.');
    await click(page, 'Undo all the same');
    await eventually(listed, (names) => {
      expect(names).not.toContain('From the file');
      expect(names).toContain(first!.name);
    });
  });

  test.each([
    ['{"format": ', 'not valid JSON'],
    ['[1,2,3]', 'was not exported from Same Song'],
    ['{"format":"same-song-data","version":99}', 'written by a newer Same Song'],
    [
      '{"format":"same-song-data","version":2,"instruments":[{"id":"x"}],"questions":[],"settings":{}}',
      'needs an id of its own',
    ],
  ])('of %s is refused with the reason, and nothing changes', async (content, message) => {
    page = await stage.page('/cabinet/data');
    await page.waitForSelector('section[aria-label="Instruments"] li b');
    const before = await textOf(page, 'section[aria-label="Instruments"] ul');
    await choose(content);
    await sees(page, message);
    await sees(page, 'nothing was changed');
    expect(await textOf(page, 'section[aria-label="Instruments"] ul')).toBe(before);
  });
});

test('no page complained in the console', () => {
  expect(stage.complaints()).toEqual([]);
});
