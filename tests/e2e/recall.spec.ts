import { expect } from '@playwright/test';
import { PASSWORD, query, signIn, test } from './people';

test('a bottle from suspicion to letters: judged anew, decided, released by the signatory; check pages say withdrawn, the register says what was done; from a value back to its certificate', async ({
  page,
  browser,
}) => {
  const outside = process.env.WERKBANK_PUBLIC_ORIGIN!;
  // A bottle that some runs used and nobody suspects yet.
  const [bottle] = await query<{ id: string; substance: string; value: string; runs: number }>(`
    select r.id, c->>'substance' as substance, c->>'value' as value, count(distinct u.run_id)::int as runs from reference r join run_reference u on u.reference_id = r.id
    join run_summary s on s.run_id = u.run_id and not s.practice and s.as_left = 'within', jsonb_array_elements(r.components) c
    where r.kind = 'gas' and c->>'substance' = 'CO' and c->>'unit' = 'ppm' and not exists (select from suspicion x where x.reference_id = r.id) group by 1, 2, 3 having count(distinct u.run_id) between 5 and 60 order by 4 limit 1`);
  await signIn(page, 'technician', `/shelf/${bottle!.id}`);
  await page.getByRole('link', { name: 'Where it was used' }).click();
  // Others may have used it meanwhile.
  const counted = Number.parseInt(await page.getByTestId('trace-counts').innerText(), 10);
  expect(counted).toBeGreaterThanOrEqual(bottle!.runs);
  await page.goto(`/shelf/${bottle!.id}`);
  const form = page.getByTestId('suspect');
  await form.getByText('Suspect it', { exact: true }).click();
  await form.getByRole('button', { name: 'Judge anew' }).click();
  await expect(form.getByText('Say in a few words why.')).toBeVisible();
  await form.getByLabel('CO: Thought true').selectOption('value');
  await form.getByLabel('CO: a value').fill(String(Number(bottle!.value) * 0.6));
  await form.getByLabel('Why is it suspected?').fill('The supplier called it back');
  await form.getByRole('button', { name: 'Judge anew' }).click();
  await page.waitForURL('**/recall/**');
  await expect(page.getByTestId('recall-summary')).toContainText('change their verdict', { timeout: 60_000 });
  // The technician decides nothing.
  await expect(page.getByTestId('release-recall')).toHaveCount(0);
  const recall = page.url();
  const id = recall.split('/').pop()!;

  const signatory = await (await browser.newContext()).newPage();
  await signIn(signatory, 'signatory', new URL(recall).pathname);
  const choices = signatory.getByLabel('What becomes of it', { exact: true });
  await expect(choices.first()).toHaveValue('withdraw');
  await choices.first().selectOption('keep');
  await expect
    .poll(
      async () => (await query('select 1 from suspicion_result where suspicion_id = $1 and decision = $2', [id, 'keep'])).length,
    )
    .toBeGreaterThan(0);
  await signatory.getByLabel('What the customers are told first').fill('The carbon monoxide of one of our bottles was too low.');
  await signatory.getByRole('button', { name: 'Save the text' }).click();
  await expect(signatory.getByTestId('recall-letters').locator('pre').first()).toContainText(
    'carbon monoxide of one of our bottles',
    { timeout: 20_000 },
  );
  const release = signatory.getByTestId('release-recall');
  await release.getByLabel('Your password, to sign').fill('wrong');
  await release.getByRole('button', { name: 'Release' }).click();
  await expect(release.getByRole('alert')).toBeVisible();
  await release.getByLabel('Your password, to sign').fill(PASSWORD);
  await release.getByRole('button', { name: 'Release' }).click();
  await expect(signatory.getByText(/^Released by /)).toBeVisible();
  const documents = await query<{ token: string; decision: string }>(
    `select distinct on (c.run_id) c.token, r.decision from suspicion_result r join certificate c on c.run_id = r.run_id and c.withdraws is null where r.suspicion_id = $1 order by c.run_id, c.revision desc`,
    [id],
  );
  const stranger = await (await browser.newContext()).newPage();
  for (const decision of ['withdraw', 'keep']) {
    await stranger.goto(`${outside}/verify/${documents.find((one) => one.decision === decision)!.token}`);
    const withdrawn = stranger.getByText('It was withdrawn by');
    if (decision === 'withdraw') await expect(withdrawn).toBeVisible();
    else await expect(withdrawn).toHaveCount(0);
  }
  const letters = await query<{ body: string }>(
    "select body from mail where message_id like '<recall-%' and created_at > now() - interval '10 minutes'",
  );
  expect(letters.length).toBeGreaterThan(0);
  expect(letters.every(({ body }) => body.startsWith('The carbon monoxide of one of our bottles'))).toBe(true);
  await signatory.locator('h1 + a').click();
  await expect(signatory.getByTestId('step-told')).toContainText('told');
  await signatory.getByRole('link', { name: 'What rests on it, judged anew' }).click();
  // Back from a value to the certificate of what it was compared with.
  const run = await signatory.getByTestId('recall-lines').locator('a[href^="/runs/"]').first().getAttribute('href');
  await signatory.goto(`${run}/trace`);
  await expect(signatory.getByTestId('traced-values').locator(`a[href="/shelf/${bottle!.id}"]`).first()).toBeVisible();
});
