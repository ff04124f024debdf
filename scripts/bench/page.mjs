import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openBrowser, openPage } from '../lib/browser.mjs';
import { startServer } from '../lib/server.mjs';
import { ratio } from './measure.mjs';

const REPAINT_BUDGET = 50;
const KEYS = ['Bb', 'F', 'Ab', 'C', 'Eb', 'G', 'Db', 'D', 'B', 'A', 'E'];

/** From the Enter that takes a new key until the page holds it, in the browser; the median over many keys. */
export async function repaintRatio() {
  const folder = mkdtempSync(join(tmpdir(), 'same-song-bench-'));
  const server = await startServer({
    SAME_SONG_DB: join(folder, 'bench.sqlite'),
    PORT: '0',
    SAME_SONG_DEMO: '1',
  });
  let browser;
  try {
    browser = await openBrowser();
    const page = await openPage(browser, `${server.address}/map?in=Eb&play=major`);
    await page.waitForSelector('.map-drawing .chip');
    const times = [];
    for (const key of KEYS) {
      await page.keyboard.press('k');
      await page.keyboard.type(key);
      await page.evaluate(() => {
        const notes = () => document.querySelector('.key-notes')?.textContent;
        const before = notes();
        window.repainted = new Promise((resolve) => {
          let begin = 0;
          window.addEventListener('keydown', () => (begin = performance.now()), {
            once: true,
            capture: true,
          });
          const watch = new MutationObserver(() => {
            if (begin === 0 || notes() === before) return;
            watch.disconnect();
            resolve(performance.now() - begin);
          });
          watch.observe(document.body, { characterData: true, childList: true, subtree: true });
        });
      });
      await page.keyboard.press('Enter');
      times.push(await page.evaluate(() => window.repainted));
    }
    const median = times.sort((a, b) => a - b)[Math.floor(times.length / 2)];
    return ratio(
      'another key on Map, from Enter until the page holds it',
      median / REPAINT_BUDGET,
      `${REPAINT_BUDGET} ms`,
    );
  } finally {
    await browser?.close();
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
