import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';
import { query, signIn, test } from './people';

const ROOMS = [
  '/',
  '/receive',
  '/approve',
  '/due',
  '/customers',
  '/assets',
  '/models',
  '/certificates',
  '/shelf',
  '/calculators?c=decision',
  '/office',
  '/office/people',
  '/office/methods',
  '/office/audit',
  '/imports',
  '/first-week',
  '/account',
];

test.use({ hasTouch: true });

/** What is pressed and lower than 40 px, by its words. Words inside running text are links of a sentence and no controls (WCAG 2.2, 2.5.8). */
const low = () =>
  [
    ...document.querySelectorAll<HTMLElement>(
      'button, select, input:not([type=hidden]):not([type=checkbox]):not([type=radio]), a.btn, .house-nav a, summary',
    ),
  ]
    .filter((one) => one.offsetParent !== null && getComputedStyle(one).visibility !== 'hidden')
    .filter((one) => one.getBoundingClientRect().height < 39.5)
    .map(
      (one) =>
        `${one.tagName} ${(one.textContent || one.getAttribute('aria-label') || one.getAttribute('name') || one.className).trim().slice(0, 40)} ${Math.round(one.getBoundingClientRect().height)}`,
    );

/** Rooms that are looked at for what keeps people out: the main ones. */
const MAIN = ['/', '/receive', '/approve', '/due', '/assets', '/shelf', '/calculators?c=decision'];

/** Serious faults of accessibility, in the light and in the dark. */
async function barriers(page: Page, room: string): Promise<string[]> {
  const found: string[] = [];
  for (const theme of ['light', 'dark']) {
    // What differs in the dark is colour: the rest was looked at in the light.
    await page.evaluate((name) => document.documentElement.setAttribute('data-bs-theme', name), theme);
    // The eighth row of a table and those after it are made like the first seven.
    const axe = new AxeBuilder({ page }).exclude('tbody tr:nth-child(n+8)');
    const { violations } = await (theme === 'dark' ? axe.withRules(['color-contrast']) : axe).analyze();
    for (const { id, impact, nodes } of violations)
      if (impact === 'serious' || impact === 'critical')
        found.push(
          `${theme} ${room} ${id}: ${nodes
            .slice(0, 3)
            .map((node) => node.html.slice(0, 140))
            .join(' | ')}`,
        );
  }
  return found;
}

/** The size is set, and the page is laid out for it. */
async function sized(page: Page, width: number, height: number): Promise<void> {
  await page.setViewportSize({ width, height });
  await page.evaluate(() => new Promise((laid) => requestAnimationFrame(() => requestAnimationFrame(laid))));
}

// Each room is loaded once and looked at in every way: loading it is what costs.
test('every room: 40 px for each control on a touch screen, nothing wider than the screen at 390 and 800 px, no serious barrier in light and dark, nothing that the browser refuses', async ({
  page,
  browser,
}) => {
  await signIn(page, 'admin');
  const [run] = await query<{ id: string }>("select run_id as id from run_summary where status = 'open' limit 1");
  const [customer] = await query<{ id: string }>('select id from customer order by name limit 1');
  const [asset] = await query<{ id: string }>('select id from asset order by serial limit 1');
  const faults: string[] = [];
  const context = await browser.newContext({
    hasTouch: true,
    isMobile: true,
    storageState: await page.context().storageState(),
    baseURL: new URL(page.url()).origin,
  });
  const phone = await context.newPage();
  phone.on('console', (message) => {
    if (/Content Security Policy|hydrat/i.test(message.text())) faults.push(`${phone.url()}: ${message.text()}`);
  });
  const bench = `/runs/${run!.id}`;
  for (const room of [...ROOMS, bench, `/customers/${customer!.id}`, `/assets/${asset!.id}`]) {
    await phone.setViewportSize({ width: 390, height: 800 });
    await phone.goto(room);
    await phone.locator('h1, h2').first().waitFor();
    // … and the telephone is laid down beside the tablet: the same page, wider.
    for (const [width, height] of [
      [390, 800],
      [800, 1200],
    ] as const) {
      await sized(phone, width, height);
      const wide = await phone.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      if (wide > 0) faults.push(`${room} is ${wide} px wider than ${width}`);
      for (const one of await phone.evaluate(low)) faults.push(`${room} at ${width}: ${one}`);
    }
    if (![...MAIN, bench].includes(room)) continue;
    await sized(phone, 1280, 800);
    faults.push(...(await barriers(phone, room)));
  }
  await context.close();
  expect(faults).toEqual([]);
});
