import { expect } from '@playwright/test';
import { signIn, test } from './people';

test('a procedure is copied, a step added, moved and put right, walked, released and recalled; its JSON comes in again', async ({
  page,
  browser,
}) => {
  test.setTimeout(180_000);
  await signIn(page, 'technician', '/procedures/turbidity-meter');
  const name = `Turbidity, rested ${Date.now() % 1e6}`;
  await page.getByLabel('Name of the copy').fill(name);
  await page.getByRole('button', { name: 'Copy it to change it' }).click();
  await page.waitForURL(/\/edit$/);
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
  const id = /procedures\/([^/]+)\/edit/.exec(page.url())![1]!;
  const steps = page.getByTestId('outline').locator('.outline-step');
  const form = page.getByTestId('chosen');
  const before = await steps.count();

  await test.step('a step is added, said what it is, and moved by keys and by hand', async () => {
    await steps.first().locator('button').click();
    await form.getByLabel('Kind').selectOption('wait');
    await form.getByRole('button', { name: 'Add a step after it' }).click();
    await expect(steps).toHaveCount(before + 1);
    await form.getByLabel('What is done').fill('Let the vial stand');
    await form.getByLabel('Seconds at least').fill('120');
    await form.getByLabel('Why it is done').fill('Bubbles rise.');
    await form.getByRole('button', { name: 'Move up' }).click();
    await expect(steps.first()).toContainText('Let the vial stand');
    // Both ends of the way in sight: a mouse does nothing below the edge of the window.
    await page
      .getByTestId('outline')
      .getByRole('heading', { name: 'Steps' })
      .evaluate((one) => one.scrollIntoView({ block: 'center' }));
    await page.waitForTimeout(300);
    const from = (await steps.first().locator('.grip').boundingBox())!;
    const to = (await steps.nth(2).boundingBox())!;
    await page.mouse.move(from.x + 8, from.y + 12);
    await page.mouse.down();
    await page.mouse.move(to.x + 30, to.y + 12, { steps: 8 });
    // Where it would land is worked out with the next picture.
    await page.waitForTimeout(200);
    await page.mouse.up();
    await expect(steps.nth(1)).toContainText('Let the vial stand');
    // The click that ends a drag is no click.
    await page.waitForTimeout(250);
  });

  await test.step('a place and a point are added, named and read; what is used can’t be left out', async () => {
    const outline = page.getByTestId('outline');
    await outline.getByRole('button', { name: 'Add a place' }).click();
    await form.getByLabel('Name', { exact: true }).fill('second opinion');
    await form.getByLabel('What stands there').selectOption('tool');
    await outline.getByRole('button', { name: 'Add a point' }).click();
    await form.getByLabel('Name', { exact: true }).fill('Empty vial');
    await form.getByLabel('Compared with').selectOption('fixed');
    await form.getByLabel('Tolerance').selectOption('own');
    await form.getByLabel('Limit', { exact: true }).fill('0');
    await expect(page.getByText('the limit of point “Empty vial” must be a figure above nought')).toBeVisible();
    await form.getByLabel('Limit', { exact: true }).fill('0.5');
    await steps.filter({ hasText: 'As found: formazin, low' }).locator('button').click();
    await form.getByRole('checkbox', { name: 'Empty vial' }).check();
    await outline.getByRole('button', { name: 'Empty vial' }).click();
    await expect(form.getByRole('button', { name: 'Leave it out' })).toBeDisabled();
    await expect(form.getByText('Used by: As found: formazin, low.')).toBeVisible();
    await outline.getByRole('button', { name: 'second opinion' }).click();
    await form.getByRole('button', { name: 'Leave it out' }).click();
    await expect(outline.getByText('second opinion')).toHaveCount(0);
    await steps.nth(1).locator('button').click();
  });

  await test.step('what does not fit is refused by name, nothing is lost; then it is walked', async () => {
    await form.getByLabel('What is done').fill('');
    await page.getByRole('button', { name: 'Save the draft' }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'title' })).toBeVisible();
    await form.getByLabel('What is done').fill('Let the vial stand');
    await page.getByRole('button', { name: 'Walk all its ways' }).click();
    await expect(page.getByTestId('walked')).toContainText('each comes to its end', { timeout: 90_000 });
    await expect(page.getByTestId('release')).toHaveCount(0);
  });

  await test.step('a signatory releases it with its validation, and recalls it', async () => {
    const signatory = await (await browser.newContext()).newPage();
    await signIn(signatory, 'signatory', `/procedures/${id}/edit`);
    const release = signatory.getByTestId('release');
    await release.getByRole('button', { name: 'Release it' }).click();
    await expect(release.getByText('Say what is new.')).toBeVisible();
    await release.getByLabel('What is new').fill('Two minutes of rest.');
    await release.getByLabel(/What was tried/).fill('One SM-40 against 20 and 100 NTU, ten times each.');
    await release.getByLabel(/^Result/).fill('Fit: spread half as wide as before.');
    await release.getByRole('button', { name: 'Release it' }).click();
    await expect(signatory.getByTestId('versions')).toContainText('Two minutes of rest.');
    await expect(signatory.getByTestId('procedure-step').filter({ hasText: 'Let the vial stand' })).toHaveCount(1);
    const recall = signatory.getByTestId('recall-procedure');
    await recall.locator('summary').click();
    await recall.getByLabel('Why').fill('The rest is too short for cold samples.');
    await recall.getByRole('button').click();
    await expect(signatory.getByRole('alert').filter({ hasText: 'RECALLED' })).toContainText('cold samples');
    const json = await (await signatory.request.get(`/procedures/${id}/json`)).text();
    await signatory.goto('/procedures');
    await signatory
      .locator('input[type=file]')
      .setInputFiles({ name: 'p.json', mimeType: 'application/json', buffer: Buffer.from(json) });
    await signatory.waitForURL(/\/edit$/);
    await expect(signatory.getByRole('heading', { level: 1 })).toContainText(name);
    await signatory.context().close();
  });
});

test('the demo’s draft says where its valve stays open, and what was corrected since it was copied is taken over part by part', async ({
  page,
}) => {
  await signIn(page, 'technician', '/procedures');
  await page.getByRole('link', { name: 'CO monitor, shorter day' }).click();
  await page.getByRole('link', { name: 'Work on the draft' }).click();
  await expect(page.getByTestId('walked')).toContainText('A zero on open gas');
  const corrections = page.getByTestId('corrections');
  await expect(corrections.getByText('changed here as well')).toHaveCount(1);
  await corrections.getByRole('listitem').filter({ hasText: 'cautions' }).getByRole('button').click();
  await page.getByRole('button', { name: 'Save the draft' }).click();
  await expect(corrections.getByRole('listitem')).toHaveCount(1);
});
