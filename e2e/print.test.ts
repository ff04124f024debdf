import { execFileSync } from 'node:child_process';
import { readFileSync, existsSync } from 'node:fs';
import { join } from 'node:path';
import { click, eventually, keys, openStage, sees, textOf, type Stage } from './stage.ts';

let stage: Stage;
beforeAll(async () => {
  stage = await openStage({ SAME_SONG_DEMO: '1' });
});
afterAll(() => stage.close());

/** The longest line that the question line offers: the whole reach, up and down. */
const LONG = '/map?in=Ab&play=chromatic&range=all&with=reach';
const SHORT = '/map?in=Eb&play=major-pentatonic';

test.each([
  ['a4', SHORT, false],
  ['letter', SHORT, true],
  ['a4', LONG, true],
  ['letter', LONG, false],
] as const)('Map prints to one page: %s, %s, dark %s', async (format, path, dark) => {
  const page = await stage.page(path, { dark });
  await page.waitForSelector('.print-sheet .chip');
  const file = join(stage.folder, `${format}.pdf`);
  await page.pdf({
    format,
    path: file,
    printBackground: true,
    margin: { top: '12mm', bottom: '12mm', left: '12mm', right: '12mm' },
  });
  const info = execFileSync('pdfinfo', [file], { encoding: 'utf8' });
  expect(/Pages:\s+(\d+)/.exec(info)?.[1]).toBe('1');
  const printed = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
  const tabs = await page.$$eval('.print-line b', (elements) => elements.map((e) => e.textContent ?? ''));
  expect(tabs.length).toBeGreaterThan(8);
  const words = (text: string) => text.replace(/[\s′″‴°]+/g, ' ');
  for (const tab of new Set(tabs)) expect(words(printed)).toContain(words(tab).trim());
  expect(printed).toContain('In the scale');
  expect(printed).not.toContain('Undo');
  const colours = await page.evaluate(() =>
    getComputedStyle(document.documentElement).getPropertyValue('--paper'),
  );
  expect(colours).toBeTruthy();
  await page.close();
});

test.each([SHORT, LONG])('with its staff %s is one page too', async (path) => {
  const page = await stage.page(path);
  await page.waitForSelector('.print-sheet .chip');
  await keys(page, 'f');
  await page.waitForSelector('.line-panel .staff-notes');
  const file = join(stage.folder, 'staff.pdf');
  await page.pdf({
    format: 'a4',
    path: file,
    margin: { top: '12mm', bottom: '12mm', left: '12mm', right: '12mm' },
  });
  expect(/Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', [file], { encoding: 'utf8' }))?.[1]).toBe('1');
  const heads = (where: string) => page.$$eval(`${where} ellipse`, (drawn) => drawn.length);
  const notes = await page.$$eval('.line-note', (drawn) => drawn.length);
  expect(await heads('.print-sheet')).toBe(notes);
  expect(await heads('.line-panel')).toBe(notes);
  await keys(page, 'f');
  await eventually(
    () => page.$$('.staff-notes, .staff-system'),
    (staves) => expect(staves).toHaveLength(0),
  );
  await page.close();
});

test('a hand-out is made of cells and of what is asked, ordered, and printed with a new page for each scale', async () => {
  const page = await stage.page('/keys/table?in=Bb&play=major');
  await page.waitForSelector('.cell-handout');
  await click(page, 'this cell');
  await sees(page, '1 entry put on the hand-out.');
  await click(page, 'Hand-out');
  await page.waitForSelector('.handout-entry h2');
  await keys(page, 's', '“six note blues”', 'Enter');
  await click(page, 'Add what is asked above');
  await keys(page, 's', '“major”', 'Enter', 'k', '“F”', 'Enter');
  await click(page, 'Add what is asked above');
  const heads = () => page.$$eval('.handout-entry h2', (found) => found.map((e) => e.textContent));
  const on = 'on Mara’s low E♭ harmonica';
  await eventually(heads, (names) =>
    expect(names).toEqual([`B♭ major ${on}`, `B♭ six-note blues ${on}`, `F major ${on}`]),
  );
  await page.click('.handout-list li:nth-child(3) [title="Up"]');
  await eventually(heads, (names) =>
    expect(names).toEqual([`B♭ major ${on}`, `F major ${on}`, `B♭ six-note blues ${on}`]),
  );
  const file = join(stage.folder, 'handout.pdf');
  const margin = { top: '12mm', bottom: '12mm', left: '12mm', right: '12mm' };
  const pages = async () => {
    await page.pdf({ format: 'a4', path: file, margin });
    return /Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', [file], { encoding: 'utf8' }))?.[1];
  };
  expect(await pages()).toBe('2');
  const printed = execFileSync('pdftotext', ['-layout', '-f', '2', '-l', '2', file, '-'], {
    encoding: 'utf8',
  });
  expect(printed).toContain('B♭ six-note blues');
  expect(printed).not.toContain('Add what is asked');
  await page.select('.handout-list select', 'each');
  await eventually(pages, (count) => expect(count).toBe('3'));
  await page.close();
});

test('tab and drawing are handed out as files', async () => {
  const page = await stage.page(SHORT);
  await sees(page, 'major pentatonic');
  const session = await page.createCDPSession();
  await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: stage.folder });
  const shown = await textOf(page, '.line-tab');
  await click(page, 'Tab file');
  await click(page, 'Drawing file');
  const name = 'Play-major-pentatonic-in-E-flat-on-Mara-s-low-E-flat-harmonica-one-octave-up-and';
  const wait = async (file: string) => {
    for (let i = 0; i < 50 && !existsSync(file); i += 1)
      await new Promise((resolve) => setTimeout(resolve, 100));
    return readFileSync(file, 'utf8');
  };
  expect((await wait(join(stage.folder, `${name}.txt`))).replace(/\s+/g, ' ')).toContain(shown);
  const svg = await wait(join(stage.folder, `${name}.svg`));
  expect(svg).toContain('<svg xmlns="http://www.w3.org/2000/svg"');
  expect(svg.match(/<g id="/g)!.length).toBe(
    await page.$$eval('.map-drawing .chip', (chips) => chips.length),
  );
  expect(stage.complaints()).toEqual([]);
});
