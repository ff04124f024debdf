import { existsSync } from 'node:fs';
import { launch } from 'puppeteer-core';

const ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--no-first-run',
  '--disable-quic',
  '--autoplay-policy=no-user-gesture-required',
];

/** Starts the Chromium that CHROMIUM names, or Debian's. */
/** @param more flags beside those that every browser here gets */
export function openBrowser(more = []) {
  const executablePath = [process.env.CHROMIUM, '/usr/bin/chromium'].find((path) => path && existsSync(path));
  if (!executablePath)
    throw new Error('No Chromium: run npm test, which installs it, or set CHROMIUM to one.');
  return launch({ executablePath, args: [...ARGS, ...more] });
}

/** Opens an address in a page of a given size and theme, and waits until nothing more is fetched. */
export async function openPage(browser, address, { width = 1280, height = 800, dark = false } = {}) {
  const page = await browser.newPage();
  await preparePage(page, { width, height, dark });
  await page.goto(address, { waitUntil: 'networkidle0' });
  return page;
}

export async function preparePage(page, { width = 1280, height = 800, dark = false } = {}) {
  await page.setViewport({ width, height });
  await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: dark ? 'dark' : 'light' }]);
}
