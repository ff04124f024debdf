import type { Page } from 'puppeteer-core';
import { eventually } from './stage.ts';

/** Notes of a row: of a line on Map, of a song, on the stand. */
export const NOTE = '[role="listbox"][aria-orientation="horizontal"] > [role="option"]';
/** What stands at the end of a pinned note's name. */
export const PINNED = '[title*=", pinned"]';
export const PINNED_NOTE = NOTE + PINNED;
export const LOOPED_NOTE = `${NOTE}[title*=", again and again"]`;
export const SOUNDING_NOTE = `${NOTE}[aria-current="true"]`;

/** What was heard of a note, at the note. */
export const RESULT = '[role="option"] [role="img"]';

/** Waits until so many elements fit. */
export function counts(page: Page, selector: string, wanted: number): Promise<void> {
  return eventually(
    () => page.$$eval(selector, (found) => found.length),
    (count) => expect(count).toBe(wanted),
  );
}
