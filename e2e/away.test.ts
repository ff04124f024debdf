import type { Page } from 'puppeteer-core';
import { click, eventually, keys, openStage, sees, type Stage } from './stage.ts';

let stage: Stage;
let page: Page;

beforeAll(async () => {
  stage = await openStage({ SAME_SONG_DEMO: '1' });
});
afterAll(() => stage.close());

const VIEWS = [
  'Everything I have',
  'Which one to take',
  'Circle',
  'Lesson',
  'Hand-out',
  'Progressions',
  'What is this?',
  'Switching',
];

test('with the server gone every part still opens, and what was set meanwhile is sent when it is back', async () => {
  page = await stage.page('/map?in=Bb&play=major');
  await page.waitForSelector('svg[role="listbox"] [role="option"]');
  // Parts are fetched ahead some seconds after the page stands.
  await page.waitForFunction(
    () => performance.getEntriesByType('resource').some(({ name }) => /SwitchView/.test(name)),
    { timeout: 20_000 },
  );
  await page.waitForNetworkIdle();
  const staff = await page.evaluate(async () => {
    const { value } = (await (await fetch('/api/settings')).json()) as { value: { staff: boolean } };
    return value.staff;
  });
  await stage.kill();
  await keys(page, 'f');
  await eventually(
    async () => (await page.$('[aria-label="The line"] ellipse')) !== null,
    (shown) => expect(shown).toBe(!staff),
  );
  await keys(page, '?');
  await sees(page, 'Pin the note as it is, or let it go');
  await keys(page, 'Escape', '2');
  await page.waitForSelector('[aria-label="Questions about keys"]');
  for (const view of VIEWS) {
    await click(page, view);
    await page.waitForFunction(
      (name) =>
        document.querySelector('[role="tabpanel"]')?.getAttribute('aria-label') === name &&
        !document.querySelector('[role="tabpanel"] > [aria-busy="true"]'),
      {},
      view,
    );
    const shown = await page.evaluate(() => document.body.innerText);
    expect(shown).not.toMatch(/cannot be shown|could not be fetched|stumbled/);
  }
  await keys(page, '6');
  await page.waitForSelector('main header h2');
  await stage.restart();
  await eventually(
    () =>
      page.evaluate(async () => {
        const answer = await fetch('/api/settings').catch(() => undefined);
        return answer?.ok ? ((await answer.json()) as { value: { staff: boolean } }).value.staff : undefined;
      }),
    (kept) => expect(kept).toBe(!staff),
  );
});

test('a part that was never fetched says so in its own place, and comes when it is tried again', async () => {
  page = await stage.page('/map?in=Bb&play=major');
  await page.waitForSelector('svg[role="listbox"] [role="option"]');
  await page.setRequestInterception(true);
  let away = true;
  page.on('request', (request) => {
    if (away && /KeptQuestions|KeysPage/.test(request.url())) void request.abort();
    else void request.continue();
  });
  await click(page, 'Keep');
  await sees(page, 'What is kept cannot be shown: the Same Song server does not answer.');
  expect(await page.$('svg[role="listbox"] [role="option"]')).not.toBeNull();
  away = false;
  // What was being fetched ahead just then may fail once more.
  const tryAgain = async () => {
    if (await page.$('[role="alert"]')) await click(page, 'Try again');
    return page.$('[aria-label="Keep this question"] input');
  };
  await eventually(tryAgain, (input) => expect(input).not.toBeNull());
});
