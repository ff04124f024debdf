import { mkdtempSync, mkdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { needBuild, needChromium, needNode, needPackages } from './lib/setup.mjs';
import { ROOT } from './lib/run.mjs';
import { say } from './lib/say.mjs';

needNode();
await needPackages();
await needChromium();
await needBuild();
const { openBrowser, openPage } = await import('./lib/browser.mjs');
const { putWelcomeAway, startServer } = await import('./lib/server.mjs');
const { SHOTS } = await import('./shots/list.mjs');

/** `npm run shots -- map-dark` takes only those whose names are given. */
const wanted = process.argv.slice(2);
const folder = mkdtempSync(join(tmpdir(), 'same-song-shots-'));
const target = join(ROOT, 'docs/screenshots');
mkdirSync(target, { recursive: true });
const server = await startServer({
  SAME_SONG_DB: join(folder, 'shots.sqlite'),
  SAME_SONG_DEMO: '1',
  PORT: '0',
});
let browser;
try {
  await putWelcomeAway(server.address);
  browser = await openBrowser();
  for (const shot of SHOTS.filter(({ name }) => wanted.length === 0 || wanted.includes(name))) {
    const page = await openPage(browser, server.address + shot.path, shot);
    await page.waitForSelector(shot.ready);
    const toggle = async () => {
      for (const key of shot.toggles ?? []) await page.keyboard.press(key);
      await new Promise((resolve) => setTimeout(resolve, 400));
    };
    await toggle();
    if (shot.click) await page.click(shot.click);
    if (shot.pause) await new Promise((resolve) => setTimeout(resolve, shot.pause));
    // The note that is selected is walked to, from the first on.
    for (let at = 0; at <= (shot.note ?? -1); at += 1) await page.keyboard.press('ArrowRight');
    if (shot.note !== undefined) await page.waitForSelector('.selected-others, .selected .verdict-plain');
    if (shot.print) await page.emulateMediaType('print');
    await page.screenshot({ path: join(target, `${shot.name}.png`) });
    // What is remembered is set back for the pictures that follow.
    await toggle();
    await page.close();
    say(`docs/screenshots/${shot.name}.png`);
  }
} finally {
  await browser?.close();
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
}
