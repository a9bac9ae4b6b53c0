import { expect, type Page } from '@playwright/test';
import { act, allGood, presentStep, query, settled, signIn, test } from './people';

async function one(page: Page, kind: string): Promise<void> {
  const hand = page.getByTestId('practice-hand');
  const step = page.locator('.present-step');
  switch (kind) {
    case 'wait':
      // Its clock runs ten times as quick: it is waited for.
      await expect(step.locator('.big-clock.over, .ready-mark').first()).toBeVisible({ timeout: 90_000 });
      return act(page);
    case 'condition':
      await page.getByLabel('Temperature, °C').fill('21.0');
      await page.getByLabel('Air pressure, hPa').fill('1013');
      await page.getByLabel('Relative humidity, %').fill('40');
      return act(page);
    case 'reference':
      return step
        .getByRole('button', { name: /^Use this one/ })
        .first()
        .click();
    case 'check': {
      for (const field of await step.locator('input.form-control').all()) if (!(await field.inputValue())) await field.fill('0');
      return allGood(page);
    }
    case 'read':
      // What has just settled may have been the step before: pressed again until it is taken, as a hand does.
      return expect(async () => {
        const key = await step.getAttribute('data-step');
        await step.getByRole('button', { name: /^Capture what has settled/ }).click();
        await expect(page.locator(`.present-step[data-step="${key}"]`)).toHaveCount(0, { timeout: 1500 });
      }).toPass({ timeout: 90_000 });
    case 'adjust': {
      const zero = /zero/i.test((await step.locator('h2').textContent()) ?? '');
      await page.waitForTimeout(8000);
      await hand.getByRole('button', { name: zero ? 'ZERO' : 'SPAN', exact: true }).click();
      await expect(page.getByTestId('practice-said')).toContainText('takes it');
      return act(page);
    }
    case 'save':
      await hand.getByRole('button', { name: 'SAVE', exact: true }).click();
      await expect(page.getByTestId('practice-said')).toContainText('takes it');
      return act(page);
    default:
      return act(page);
  }
}

test('an exercise that is left in the middle has no points; what is wrong is looked for, put right and named', async ({
  page,
}) => {
  await signIn(page, 'technician', '/practice');
  await page.getByLabel('On which instrument').selectOption({ label: 'Ordfell OF-125' });
  await page.getByRole('radio', { name: 'First run, shown the way' }).check();
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(page.getByTestId('practice')).toContainText('PRACTICE');
  await expect(page.getByTestId('coach')).toContainText('Look, then answer what you see');
  const [model] = await query<{ id: string }>(`select id from instrument_model where name = 'OF-410'`);
  await page.goto(`/practice/do?kind=findFault&model=${model!.id}&seed=3`);
  await settled(page);
  await page.getByRole('button', { name: 'Read', exact: true }).click();
  const hand = page.getByTestId('practice-hand');
  await hand.getByLabel('Put right', { exact: true }).selectOption({ index: 1 });
  await hand.getByRole('button', { name: 'Put right: do it' }).click();
  await expect(page.getByTestId('practice-said')).toContainText('Done.');
  await hand.getByLabel('Look at', { exact: true }).selectOption({ label: 'the tube' });
  await hand.getByRole('button', { name: 'Look at: do it' }).click();
  await expect(page.getByTestId('practice-said')).toContainText(/tube/);
  await hand.getByLabel('What is wrong', { exact: true }).selectOption({ label: 'nothing is wrong' });
  await hand.getByRole('button', { name: 'What is wrong: do it' }).click();
  await page.getByRole('button', { name: 'Leave it here' }).click();
  await expect(page.getByTestId('score')).toContainText('Left in the middle');
  await expect(page.getByTestId('debrief')).toContainText('said what is wrong');
});

test('a busy bench is conducted to its end by its word, no zero beside open gas; its debrief, and the authorisation that rests on it', async ({
  page,
  browser,
}) => {
  test.slow();
  await signIn(page, 'technician', '/practice');
  const [model] = await query<{ id: string }>(`select id from instrument_model where name = 'OF-125'`);
  await page.goto(`/practice/do?kind=busyBench&model=${model!.id},${model!.id}&seed=1`);
  await settled(page);
  const now = page.getByTestId('conductor-now');
  const places = page.getByRole('group', { name: 'Places of this exercise' });
  await expect(now).toContainText(/Now place \d: /);
  // What is said to be first may be refused, and another be wanted first: it presses nothing itself.
  const proposed = await now.textContent();
  await page.getByRole('button', { name: 'Not this one' }).click();
  await expect(now).not.toHaveText(proposed!);
  await page.getByRole('button', { name: 'As it was proposed' }).click();
  await expect(now).toHaveText(proposed!);
  const later = page.getByTestId('conductor-later').first();
  const wanted = /place (\d)/.exec((await later.textContent())!)![1]!;
  const [from, to] = [(await later.boundingBox())!, (await now.boundingBox())!];
  await page.mouse.move(from.x + 12, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + 30, from.y + from.height / 2, { steps: 4 });
  await page.mouse.move(to.x + 40, to.y + to.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(now).toContainText(`place ${wanted}`);
  await page.getByRole('button', { name: 'As it was proposed' }).click();
  const read = page.getByRole('button', { name: 'Read', exact: true });
  for (let guard = 0; guard < 200 && (await now.isVisible()); guard += 1) {
    const said = /^(Now|in .+?) place (\d): /.exec((await now.textContent().catch(() => '')) ?? '');
    if (said?.[1] !== 'Now') {
      await page.waitForTimeout(400);
      continue;
    }
    await places
      .getByRole('button')
      .nth(Number(said[2]) - 1)
      .click();
    if (await read.isVisible()) await read.click();
    await step(page);
  }
  // What is done is gone from the line; the last one, and what each ends with, by itself.
  for (const one of await places.getByRole('button').all()) {
    await one.click();
    if (await read.isVisible()) await read.click();
    for (let guard = 0; guard < 60 && (await presentStep(page)).key; guard += 1) await step(page);
    if (await page.locator('[data-main-action]').isVisible()) await act(page);
  }
  await expect(page.getByTestId('practice')).toHaveAttribute('data-ended', 'true');
  await page.getByRole('button', { name: 'To the debrief' }).click();
  await expect(page.getByTestId('score')).toBeVisible();
  const points = Number(/(\d+) of 100/.exec((await page.getByTestId('score').textContent()) ?? '')?.[1]);
  // No point is lost without a finding that says why.
  const minus = (
    await page
      .getByTestId('findings')
      .locator('li')
      .allTextContents()
      .catch(() => [])
  ).map((text) => Number(/−(\d+)/.exec(text)?.[1]));
  expect(points).toBe(100 - minus.reduce((sum, each) => sum + each, 0));
  expect(points).toBeGreaterThanOrEqual(80);
  await expect(page.getByTestId('findings').locator('[data-finding="zeroBesideGas"]')).toHaveCount(0);
  await expect(page.getByTestId('debrief').locator('tbody tr').first()).toContainText(/\d+ s/);
  // Nothing of it is a run, a booking or a document.
  const [{ n } = { n: -1 }] = await query<{ n: number }>(
    `select count(*)::int as n from run_summary where practice and started_at > now() - interval '1 hour'`,
  );
  expect(n).toBe(0);

  const office = await browser.newContext();
  const signatory = await office.newPage();
  await signIn(signatory, 'signatory', '/practice/competence');
  await signatory.getByRole('button', { name: 'Authorise somebody' }).click();
  const form = signatory.getByTestId('competence-form');
  const [technician] = await query<{ name: string }>(`select name from "user" where email like 'technician@%'`);
  await form.getByLabel('Person').selectOption({ label: technician!.name });
  await form.getByLabel('Procedure').selectOption({ index: 1 });
  await form.getByLabel('Until').fill('2020-01-01');
  await form.getByLabel('Why', { exact: true }).fill('Worked the exercise well, and shut the gas at once.');
  await form.getByRole('button', { name: 'Authorise', exact: true }).click();
  await expect(form).toContainText('The end lies ahead of today.');
  const [procedure] = await query<{ id: string }>(
    `select procedure_id as id from practice_attempt order by ended_at desc, id limit 1`,
  );
  await form.getByLabel('Procedure').selectOption(procedure!.id);
  const next = new Date(Date.now() + 200 * 86_400_000).toISOString().slice(0, 10);
  await form.getByLabel('Until').fill(next);
  await form.getByRole('button', { name: 'Authorise', exact: true }).click();
  await expect(signatory.getByTestId('competence')).toContainText('Worked the exercise well');
  await office.close();
});

/** The present step, and on to the next. */
async function step(page: Page): Promise<void> {
  const { key, kind } = await presentStep(page);
  if (!key) return;
  await one(page, kind);
  await page.waitForFunction((before) => document.querySelector('.present-step')?.getAttribute('data-step') !== before, key, {
    timeout: 60_000,
    polling: 100,
  });
}
