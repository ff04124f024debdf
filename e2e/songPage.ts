import type { Page } from 'puppeteer-core';
import { NOTE } from './notes.ts';
import { textOf } from './stage.ts';

/** Path of a song of the demo, by its number from 0; licks begin with 16. */
export function songPath(number: number): string {
  return `/songs/5a3e5046-0000-4000-8000-${String(500 + number).padStart(12, '0')}`;
}

export const LOW_HARMONICA = 'on=5a3e5046-0000-4000-8000-000000000001';

/** What each chip that is drawn says to a screen reader. */
export function chipsOf(page: Page): Promise<string[]> {
  return page.$$eval(NOTE, (notes) => notes.map((note) => (note as HTMLElement).title));
}

/** The line of facts under the sentence. */
export function factsOf(page: Page): Promise<string> {
  return textOf(page, '[aria-label="Facts"]');
}
