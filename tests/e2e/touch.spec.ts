import { expect } from '@playwright/test';
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
  '/calculators',
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

test('on a touch screen every control has its 40 px, and at 800 and 390 px nothing is wider than the screen', async ({
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
  for (const room of [...ROOMS, `/runs/${run!.id}`, `/customers/${customer!.id}`, `/assets/${asset!.id}`]) {
    await phone.setViewportSize({ width: 390, height: 800 });
    await phone.goto(room);
    await phone.locator('h1, h2').first().waitFor();
    // … and the telephone is laid down beside the tablet: the same page, wider.
    for (const [width, height] of [
      [390, 800],
      [800, 1200],
    ] as const) {
      await phone.setViewportSize({ width, height });
      await phone.evaluate(() => new Promise((laid) => requestAnimationFrame(() => requestAnimationFrame(laid))));
      const wide = await phone.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      if (wide > 0) faults.push(`${room} is ${wide} px wider than ${width}`);
      for (const one of await phone.evaluate(low)) faults.push(`${room} at ${width}: ${one}`);
    }
  }
  await context.close();
  expect(faults).toEqual([]);
});
