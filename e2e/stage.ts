import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, ElementHandle, KeyInput, Page } from 'puppeteer-core';
import { openBrowser, preparePage, type PageLook } from '../scripts/lib/browser.mjs';
import { putWelcomeAway, startServer } from '../scripts/lib/server.mjs';

/** How long a page may take to answer, in ms: far longer than it needs, for a busy machine. */
const PATIENCE = 30_000;

/**
 * Pages run by the real clock. Where the machine gives a browser no time for a second (others have it), sound stutters
 * and a note is heard late: such a test gets another try, and what made it fail is printed.
 */
jest.retryTimes(2, { logErrorsBeforeRetry: true });

/** A built server on a database of its own and a browser that looks at it. */
export interface Stage {
  readonly browser: Browser;
  readonly folder: string;
  readonly address: string;
  /** A page whose console errors are collected. */
  page(path: string, options?: PageOptions): Promise<Page>;
  /** What pages complained of so far, but for failed requests that a test provoked. */
  complaints(): readonly string[];
  /** Ends the server as a power cut would. */
  kill(): Promise<void>;
  /** Starts it again at the same address on the same data. */
  restart(): Promise<void>;
  close(): Promise<void>;
}

export interface PageOptions extends PageLook {
  /** A profile of its own, as another device would have. */
  readonly apart?: boolean;
}

/** @param options `firstVisit`: with the words that are put away otherwise; `flags` for the browser */
export async function openStage(
  env: Record<string, string> = {},
  {
    firstVisit = false,
    flags = [],
  }: { readonly firstVisit?: boolean; readonly flags?: readonly string[] } = {},
): Promise<Stage> {
  const folder = mkdtempSync(join(tmpdir(), 'same-song-e2e-'));
  const database = { SAME_SONG_DB: join(folder, 'e2e.sqlite') };
  let server = await startServer({ ...database, PORT: '0', ...env });
  const { address } = server;
  if (!firstVisit) await putWelcomeAway(address);
  const complaints: string[] = [];
  let browser: Browser;
  try {
    browser = await openBrowser(flags);
  } catch (error) {
    await server.stop();
    throw error;
  }
  return {
    browser,
    folder,
    address,
    async page(path, { apart = false, ...look } = {}) {
      const context = apart ? await browser.createBrowserContext() : browser.defaultBrowserContext();
      const page = await context.newPage();
      page.setDefaultTimeout(2 * PATIENCE);
      page.on('console', (message) => {
        const provoked = /Failed to load resource/.test(message.text());
        if (message.type() === 'error' && !provoked) complaints.push(message.text());
      });
      page.on('pageerror', (error) => complaints.push(String(error)));
      await preparePage(page, look);
      await page.goto(address + path);
      // A page stands when it has something in it and waits for nothing more.
      await page.waitForFunction(() => {
        const main = document.querySelector('main');
        return main !== null && main.childElementCount > 0 && !main.querySelector('[aria-busy="true"]');
      });
      return page;
    },
    complaints: () => complaints,
    kill: () => server.stop('SIGKILL'),
    async restart() {
      server = await startServer({ ...database, ...env, PORT: new URL(address).port });
    },
    async close() {
      await browser.close();
      await server.stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** Turns a page to another size or theme, as a window that is resized and a system that goes dark, and waits until it stands. */
export async function lookAgain(page: Page, look: PageLook): Promise<void> {
  await preparePage(page, look);
  await page.evaluate(async () => {
    const frame = () => new Promise((resolve) => requestAnimationFrame(resolve));
    for (let i = 0; i < 3; i += 1) await frame();
  });
  await page.waitForFunction(() => !document.querySelector('main [aria-busy="true"]'));
}

/** Presses keys one after another; a text of several letters that names no key is typed. */
export async function keys(page: Page, ...pressed: string[]): Promise<void> {
  for (const key of pressed) {
    if (key.startsWith('“')) await page.keyboard.type(key.slice(1, -1));
    else await page.keyboard.press(key as KeyInput);
  }
}

/** Waits until the page's text holds what is wanted, and fails telling what it holds instead. */
export async function sees(page: Page, text: string): Promise<void> {
  try {
    await page.waitForFunction(
      (wanted) => document.body.innerText.includes(wanted),
      // By the clock, not by the frame: a busy machine paints seldom, and notices go away by themselves.
      { timeout: PATIENCE, polling: 100 },
      text,
    );
  } catch {
    const shown = await page.evaluate(() => document.body.innerText);
    throw new Error(
      `the page does not show “${text}” but:\n${shown.slice(0, 2000)}\n…\n${shown.slice(-1000)}`,
    );
  }
}

/** Text of the first element that fits. */
export function textOf(page: Page, selector: string): Promise<string> {
  return page.$eval(selector, (element) => (element as HTMLElement).innerText.replace(/\s+/g, ' ').trim());
}

/**
 * Reads until what is read passes, since a page answers when it can; in the end fails as the last
 * look failed.
 */
export async function eventually<T>(read: () => Promise<T>, passes: (value: T) => void): Promise<void> {
  const end = Date.now() + PATIENCE;
  for (;;) {
    try {
      passes(await read());
      return;
    } catch (failure) {
      if (Date.now() > end) throw failure;
    }
    await new Promise((again) => setTimeout(again, 50));
  }
}

/** Waits until the first element that fits holds the text. */
export function shows(page: Page, selector: string, text: string): Promise<void> {
  return eventually(
    () => textOf(page, selector),
    (shown) => expect(shown).toContain(text),
  );
}

/** Clicks a button or link by its text. */
export async function click(page: Page, text: string): Promise<void> {
  const element = await page.waitForSelector(
    `::-p-xpath(//*[self::button or self::a or @role="menuitem"][normalize-space()="${text}"])`,
    { timeout: PATIENCE },
  );
  await atRest(element!);
  await element!.click();
}

/** Chooses what a list of choices offers, once it does: choices out of the cabinet come after the list. */
export async function choose(page: Page, list: string, value: string): Promise<void> {
  const select = (await page.waitForSelector(list, {
    timeout: PATIENCE,
  })) as ElementHandle<HTMLSelectElement>;
  await page.waitForFunction(
    (of, wanted) => [...of.options].some((option) => option.value === wanted),
    { timeout: PATIENCE, polling: 100 },
    select,
    value,
  );
  expect(await select.select(value)).toEqual([value]);
}

/** Waits until an element stands still: a menu that opens moves its items on. */
async function atRest(element: ElementHandle): Promise<void> {
  await element.evaluate(async (of) => {
    const place = () => {
      const { x, y, width, height } = of.getBoundingClientRect();
      return [x, y, width, height].join();
    };
    const frame = () => new Promise((resolve) => requestAnimationFrame(resolve));
    for (let before = '', still = 0, tries = 0; still < 3 && tries < 100; tries += 1) {
      await frame();
      still = place() === before ? still + 1 : 0;
      before = place();
    }
  });
}

/** What the accessibility check finds, as far as it is read here. */
interface Finding {
  readonly id: string;
  readonly impact: string;
  readonly nodes: readonly {
    readonly html: string;
    readonly any: readonly { readonly data?: { readonly messageKey?: string } | null }[];
  }[];
}

/**
 * Serious barriers on a page at rest for those who see or move otherwise, each with the elements that are one. The check
 * itself takes text in the very colour of its ground for hidden on purpose; here it counts.
 */
export async function barriers(page: Page): Promise<string[]> {
  await page.evaluate(
    readFileSync(createRequire(`${process.cwd()}/e2e/`).resolve('axe-core/axe.min.js'), 'utf8'),
  );
  return page.evaluate(async () => {
    const { axe } = window as unknown as {
      axe: { run(options: object): Promise<{ violations: Finding[]; incomplete: Finding[] }> };
    };
    const ends = ({ effect }: Animation) => effect?.getComputedTiming().endTime !== Infinity;
    await Promise.all(
      document
        .getAnimations()
        .filter(ends)
        // One that is cut short is at rest too.
        .map(({ finished }) => finished.catch(() => undefined)),
    );
    const { violations, incomplete } = await axe.run({
      resultTypes: ['violations', 'incomplete'],
      preload: false,
    });
    const invisible = incomplete.map((finding) => ({
      ...finding,
      nodes: finding.nodes.filter(({ any }) => any.some(({ data }) => data?.messageKey === 'equalRatio')),
    }));
    return [...violations.filter((v) => v.impact === 'serious' || v.impact === 'critical'), ...invisible]
      .filter(({ nodes }) => nodes.length > 0)
      .map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`);
  });
}

/** What comes out on paper with margins of 12 mm: how many pages, and their text. @param from first page of the text */
export async function onPaper(
  page: Page,
  { format = 'a4', from = 1 }: { format?: 'a4' | 'letter'; from?: number } = {},
): Promise<{ pages: number; text: string }> {
  const file = join(tmpdir(), `same-song-${process.pid}.pdf`);
  const margin = { top: '12mm', bottom: '12mm', left: '12mm', right: '12mm' };
  await page.pdf({ format, path: file, margin, printBackground: true });
  const info = execFileSync('pdfinfo', [file], { encoding: 'utf8' });
  const text = execFileSync('pdftotext', ['-layout', '-f', String(from), file, '-'], { encoding: 'utf8' });
  rmSync(file);
  return { pages: Number(/Pages:\s+(\d+)/.exec(info)![1]), text };
}

/** Reads a page while it stands as it is printed; what stands only on paper is made then. */
export async function whilePrinting<T>(page: Page, read: () => Promise<T>): Promise<T> {
  const say = (event: string) => page.evaluate((name) => window.dispatchEvent(new Event(name)), event);
  await say('beforeprint');
  try {
    return await read();
  } finally {
    await say('afterprint');
  }
}

/** The tab of each note on the sheets that are printed. */
export function tabsOnPaper(page: Page): Promise<string[]> {
  return whilePrinting(page, () =>
    page.$$eval('[data-one-page] ol b', (found) => found.map((e) => e.textContent ?? '')),
  );
}

/** What is written smaller than 11 px on a page, drawings included, with its size. */
export function smallWriting(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const found: string[] = [];
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    while (texts.nextNode()) {
      const text = texts.currentNode.textContent?.trim() ?? '';
      const element = texts.currentNode.parentElement!;
      // What is for screen readers alone is a pixel wide.
      const isShown = element.getBoundingClientRect().width > 1 && !element.closest('title, [data-one-page]');
      if (text === '' || !isShown) continue;
      const drawn = element instanceof SVGGraphicsElement ? element.getScreenCTM() : null;
      const scale = drawn ? Math.hypot(drawn.a, drawn.b) : 1;
      const size = scale * Number.parseFloat(getComputedStyle(element).fontSize);
      if (size < 10.95) found.push(`${text} at ${size.toFixed(1)}`);
    }
    return found;
  });
}

/** Whole log entries as the server has them, the newest last. */
export function logged<Entry>(page: Page, newest: number): Promise<readonly Entry[]> {
  return page.evaluate(async (count) => {
    const list: { id: string }[] = [];
    for (let after: number | null = 0; after !== null;) {
      const response = await fetch(`/api/log?which=kept&after=${after}`);
      const { items, next } = (await response.json()) as { items: { id: string }[]; next: number | null };
      list.push(...items);
      after = next;
    }
    const ids = list.slice(-count).map(({ id }) => id);
    const told = (await (await fetch(`/api/log/contents?ids=${ids.join(',')}`)).json()) as { id: string }[];
    return ids.flatMap((id) => told.filter((one) => one.id === id)) as never[];
  }, newest);
}
