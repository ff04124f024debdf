import type { Browser, Page } from 'puppeteer-core';

export interface PageLook {
  readonly width?: number;
  readonly height?: number;
  readonly dark?: boolean;
}
export function openBrowser(more?: readonly string[]): Promise<Browser>;
export function openPage(browser: Browser, address: string, look?: PageLook): Promise<Page>;
export function preparePage(page: Page, look?: PageLook): Promise<void>;
