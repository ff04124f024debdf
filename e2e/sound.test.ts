import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { openBrowser } from '../scripts/lib/browser.mjs';

let browser: Browser;
let page: Page;
beforeAll(async () => {
  const folder = mkdtempSync(join(tmpdir(), 'same-song-sound-'));
  const out = join(folder, 'offline.js');
  const here = join(process.cwd(), 'e2e/offline');
  execFileSync(process.execPath, [join(here, 'bundle.mjs'), join(here, 'entry.ts'), out], { cwd: here });
  browser = await openBrowser();
  page = await browser.newPage();
  await page.addScriptTag({ content: readFileSync(out, 'utf8') });
  rmSync(folder, { recursive: true });
});
afterAll(() => browser.close());

test.each([
  [40, 10],
  [92, 4],
  [208, 2],
])(
  'at %d a minute the clicks of %d minutes are rendered within a millisecond of their time, and drift nowhere',
  async (perMinute, minutes) => {
    const found = await page.evaluate(
      (tempo, seconds) =>
        (globalThis as unknown as { onsets: (t: number, s: number) => Promise<number[]> }).onsets(
          tempo,
          seconds,
        ),
      perMinute,
      60 * minutes,
    );
    expect(found).toHaveLength(minutes * perMinute);
    const off = found.map((at, i) => at - found[0]! - (i * 60) / perMinute);
    expect(Math.min(...off)).toBeGreaterThan(-0.001);
    expect(Math.max(...off)).toBeLessThan(0.001);
  },
  180_000,
);
