import { expect, test as base, type Browser, type Page, type Request } from '@playwright/test';
import { Pool } from 'pg';

/** A room is drawn by the server first; a press before the browser has taken it over would be lost. */
export async function settled(page: Page): Promise<void> {
  await page.waitForFunction(
    () => !document.querySelector('.house-bar') || document.documentElement.dataset.ready === 'yes',
    undefined,
    { polling: 100 },
  );
}

/** A page whose `goto` and `reload` wait until the room hears what is pressed. */
export const test = base.extend({
  page: async ({ page }, give) => {
    const [goto, reload] = [page.goto.bind(page), page.reload.bind(page)];
    page.goto = async (...where) => {
      const response = await goto(...where);
      await settled(page);
      return response;
    };
    page.reload = async (...how) => {
      const response = await reload(...how);
      await settled(page);
      return response;
    };
    await give(page);
  },
});

export const PASSWORD = 'harbour-bench-2026';
let pool: Pool | undefined;
/** The same database that the web process under test uses, as the application's role. */
export const query = async <T extends object>(sql: string, values: unknown[] = []): Promise<T[]> =>
  (pool ??= new Pool({ connectionString: process.env.DATABASE_URL })).query(sql, values).then((result) => result.rows as T[]);

type Who = 'counter' | 'technician' | 'signatory' | 'admin';
type Cookies = Awaited<ReturnType<ReturnType<Page['context']>['cookies']>>;
/** Who signed in once in this worker comes back with the same session, as a browser that was only closed; after signing out, by password again. */
const sessions = new Map<Who, Cookies>();

export async function signIn(page: Page, who: Who, to = '/'): Promise<void> {
  const before = sessions.get(who);
  if (before) {
    await page.context().addCookies(before);
    await page.goto(to);
    await settled(page);
    if (await page.locator('.house-bar').isVisible()) return;
    await page.context().clearCookies();
  }
  await byPassword(page, who, to);
  sessions.set(who, await page.context().cookies());
}

/** Through the door itself. */
export async function byPassword(page: Page, who: Who, to = '/'): Promise<void> {
  await page.goto(`/sign-in?next=${encodeURIComponent(to)}`);
  await page.getByLabel('Mail address').fill(`${who}@port-ambrel.example`);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
  // Two tests may sign in as the same person at the same moment, which the house allows one after the other.
  await expect
    .poll(
      async () => {
        const busy = page.getByText('Somebody is signing in with this address at this moment');
        // The way may open between the look and the press: a button that is gone is no reason to wait for it.
        if (await busy.isVisible())
          await page
            .getByRole('button', { name: 'Sign in' })
            .click({ timeout: 1000 })
            .catch(() => undefined);
        return page.locator('.house-bar').isVisible();
      },
      { timeout: 30_000, intervals: [300] },
    )
    .toBe(true);
  await settled(page);
}

/** Goes on from a wait before its time, as a person in a hurry would: with a reason, on record. */
export async function goOnEarly(page: Page, reason: string): Promise<void> {
  const waiting = page.locator('.present-step[data-kind="wait"]');
  await expect(waiting).toBeVisible({ timeout: 45_000 });
  const key = await waiting.getAttribute('data-step');
  await waiting.getByRole('button', { name: 'Go on N' }).click();
  // A purge is over as soon as the display is back: then nothing is asked.
  const why = page.getByLabel(/are left/);
  const gone = page.locator(`.present-step:not([data-step="${key}"])`);
  await expect(why.or(gone).first()).toBeVisible();
  if (!(await why.isVisible())) return;
  await why.fill(reason);
  await page.getByRole('button', { name: 'Go on all the same' }).click();
}

/** Presses what the present step is about. */
export const act = (page: Page) => page.locator('[data-main-action]').click();

/** Answers every question of the step that something is good, and goes on: all by keys. */
export async function allGood(page: Page): Promise<void> {
  const questions = await page.locator('.present-step .btn-group').count();
  for (let i = 0; i < questions; i += 1) {
    await page.locator('body').press('y');
    // As fast as a hand, not as a scanner.
    await page.waitForTimeout(90);
  }
  await act(page);
}

/** The key of a place: one digit after the other, as fast as a hand. */
export async function pressPlace(page: Page, testId: string): Promise<void> {
  for (const digit of testId.replace('place-', '')) {
    await page.locator('body').press(digit);
    await page.waitForTimeout(90);
  }
}

/** The present step and of what kind it is, both at the same moment: between two looks a second press may have gone on. */
export const presentStep = (page: Page): Promise<{ key: string | undefined; kind: string }> =>
  page.locator('.present-step').evaluate((one) => {
    const { step, kind = '' } = (one as HTMLElement).dataset;
    return { key: step, kind };
  });

/**
 * Presses a key for this step alone: in one moment of the page with the look whether it is the present one, and gone on from only when all that the press sent was answered. On a busy machine a second press would else land
 * on the step after it.
 */
export async function pressAt(page: Page, step: string, key: string): Promise<void> {
  const sent = new Set<Request>();
  const begun = (one: Request) => void (one.url().endsWith('/api/bench') && sent.add(one));
  const ended = (one: Request) => void sent.delete(one);
  page.on('request', begun).on('requestfinished', ended).on('requestfailed', ended);
  await page.evaluate(
    ([wanted, pressed]) => {
      const now = document.querySelector<HTMLElement>('.present-step')?.dataset.step;
      if (now !== wanted) return;
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key: pressed!, bubbles: true, cancelable: true }));
    },
    [step, key],
  );
  for (let quiet = 0; quiet < 3; quiet = sent.size ? 0 : quiet + 1) await page.waitForTimeout(100);
  page.off('request', begun).off('requestfinished', ended).off('requestfailed', ended);
}

/** Leaves by the name in the bar, and waits until the door is there: an answer that comes later would take the cookie of whoever came in meanwhile. */
export async function signOut(page: Page): Promise<void> {
  await page.locator('.bar-menu summary').click();
  await page.getByRole('button', { name: 'Sign out', exact: true }).click();
  await page.waitForURL('**/sign-in**');
}

/** Puts the signatory's name to what is on the page. */
export async function sign(page: Page, button = 'Approve and issue the certificate'): Promise<void> {
  await page.getByLabel('Your password, to sign').fill(PASSWORD);
  await page.getByRole('button', { name: button }).click();
}

/** The signatory's turn at another computer: the page of the document that comes of it, and its id. */
export async function approve(browser: Browser, run: string): Promise<{ page: Page; id: string }> {
  const page = await (await browser.newContext()).newPage();
  await signIn(page, 'signatory', `/approve/${run}`);
  await sign(page);
  await page.waitForURL('**/certificates/**');
  return { page, id: page.url().split('/').pop()! };
}

export const step = (page: Page, name: string | RegExp) =>
  expect(page.locator('.present-step h2')).toContainText(name, { timeout: 45_000 });

/** Types what the display shows and takes it with Enter, channel by channel. */
export async function read(page: Page, texts: Record<string, string>): Promise<void> {
  for (const [channel, text] of Object.entries(texts)) {
    const row = page.getByTestId(new RegExp(`^channel-${channel}-`));
    await row.locator('.reading-input').fill(text);
    await row.locator('.reading-input').press('Enter');
    const taken = page.locator('.log-line', { hasText: ` ${text} ` }).first();
    // Typed sooner than gas acts: the reason is one key, once a step.
    const why = row.getByLabel(/^Why .* counts$/);
    await expect(taken.or(why).first()).toBeVisible();
    if (await why.isVisible()) await why.press('1');
    await expect(taken).toBeVisible();
  }
}

/** Puts a fresh instrument of the four-gas family on a bench place and starts its run, through the database's own use by the screens. */
export async function receiveInstrument(page: Page, serial: string, customer = 'Ambrel Ship Repair Yard'): Promise<string> {
  await page.goto('/receive');
  await page.getByLabel('Customer', { exact: true }).fill(customer.slice(0, 9));
  await page.getByRole('button', { name: customer, exact: true }).click();
  await page.getByLabel('Instrument', { exact: true }).fill(serial);
  await page.getByRole('button', { name: `Make a new instrument with serial ${serial}` }).click();
  await page.getByLabel('Maker and model').selectOption({ label: 'Ordfell OF-410, Four-gas leak monitor' });
  await page.getByLabel('Sensor serial of CO', { exact: true }).fill('CO-NEW-1');
  await page.getByRole('button', { name: 'Make instrument' }).click();
  await expect(page.getByTestId(`line-${serial}`)).toBeVisible();
  // A group that one looks at together is passed by one press; the rest stays not looked at.
  await expect(page.getByTestId(`line-${serial}`)).toContainText('not looked at');
  await page.getByRole('button', { name: 'pass: Housing, keys, battery' }).click();
  await page.getByRole('button', { name: /Receive 1 instrument/ }).click();
  const code = await page.locator('li .mono').innerText();
  return code;
}
