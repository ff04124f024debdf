import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openBrowser, openPage } from '../lib/browser.mjs';
import { startServer } from '../lib/server.mjs';
import { ratio } from './measure.mjs';

const REPAINT_BUDGET = 50;
const KEYS = ['Bb', 'F', 'Ab', 'C', 'Eb', 'G', 'Db', 'D', 'B', 'A', 'E'];

/** From a key pressed until the page holds what it asked for, in the browser; the median over many. */
export async function repaintRatios() {
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
    // A key that is typed is likely before Enter takes it, so its map is computed ahead.
    const typed = [];
    for (const key of KEYS) {
      await page.keyboard.press('k');
      await page.keyboard.type(key);
      typed.push(await repaint(page, 'Enter', '.key-notes'));
    }
    // Nothing tells that a layer comes next: it is asked, computed and drawn.
    const unforeseen = [];
    for (const scale of ['dorian', 'mixolydian', 'phrygian', 'lydian', 'locrian']) {
      await page.goto(`${server.address}/map?in=Eb&play=${scale}`, { waitUntil: 'networkidle0' });
      await page.waitForSelector('.map-drawing .chip');
      for (let i = 0; i < 3; i += 1) unforeseen.push(await repaint(page, 'l', '.line-tab'));
    }
    return [
      against('another key on Map, from Enter until the page holds it', typed),
      against('another layer on Map, nothing computed ahead', unforeseen),
    ];
  } finally {
    await browser?.close();
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Milliseconds from a key pressed until an element's text is another one. */
async function repaint(page, key, selector) {
  await page.evaluate((selector) => {
    const text = () => document.querySelector(selector)?.textContent;
    const before = text();
    window.repainted = new Promise((resolve) => {
      let begin = 0;
      window.addEventListener('keydown', () => (begin = performance.now()), { once: true, capture: true });
      const watch = new MutationObserver(() => {
        if (begin === 0 || text() === before) return;
        watch.disconnect();
        resolve(performance.now() - begin);
      });
      watch.observe(document.body, { characterData: true, childList: true, subtree: true });
    });
  }, selector);
  await page.keyboard.press(key);
  return page.evaluate(() => window.repainted);
}

function against(name, times) {
  const median = [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)];
  return ratio(name, median / REPAINT_BUDGET, `${REPAINT_BUDGET} ms`);
}
