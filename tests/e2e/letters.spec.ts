import { expect } from '@playwright/test';
import { query, signIn, test } from './people';

const linkOf = async (customer: string): Promise<string> => {
  const [row] = await query<{ body: string }>(
    `select m.body from mail m join customer c on c.id = m.customer_id where c.name = '${customer}' and m.body like '%/answer/%' order by m.created_at desc limit 1`,
  );
  return /\/answer\/[\w-]{43}/.exec(row!.body)![0];
};

test('the office writes a mail’s text in German beside its preview; a customer is asked with it, answers by the link once, and the house acts by it', async ({
  page,
  browser,
}) => {
  const name = 'Cold Lane Ice Rink';
  await signIn(page, 'admin', '/office/mails?kind=asked&language=de');
  const text = page.getByTestId('mail-text');
  await text.getByLabel('Text', { exact: true }).fill('{greeting}\n\nMit Bitte um Antwort:\n{nothing}');
  await expect(text.getByText('There is no {nothing} for this letter.')).toBeVisible();
  await expect(text.getByRole('button', { name: 'Save this text' })).toBeDisabled();
  await text.getByLabel('Text', { exact: true }).fill('{greeting}\n\nMit Bitte um Antwort:\n\n');
  for (const place of ['{question} *', '{answer} *', '{workshop}']) await text.getByRole('button', { name: place }).click();
  await expect(page.getByTestId('preview')).toContainText('Mit Bitte um Antwort:');
  await expect(page.getByTestId('preview')).toContainText('Antworten Sie hier, bis');
  await text.getByRole('button', { name: 'Save this text' }).click();
  await expect(text.getByRole('status')).toHaveText('Saved: letters from now on have it.');

  const [{ id }] = (await query<{ id: string }>(`select id from customer where name = '${name}'`)) as [{ id: string }];
  await page.goto(`/customers/${id}`);
  const questions = page.getByTestId('questions');
  await questions.getByRole('button', { name: 'Ask something' }).click();
  await questions.getByLabel('About').selectOption({ label: 'the due date on paper' });
  await expect(questions.getByLabel('As the customer will read it')).toHaveValue(/Dürfen unsere Dokumente/);
  await questions.getByLabel('To', { exact: true }).fill('nobody');
  await questions.getByRole('button', { name: 'Ask by mail' }).click();
  await expect(questions.getByText('A mail address to ask at.')).toBeVisible();
  await questions.getByLabel('To', { exact: true }).fill('eis@cold-lane.example');
  await questions.getByRole('button', { name: 'Ask by mail' }).click();
  await expect(questions.getByTestId('question').first()).toContainText('open until');

  const outside = process.env.WERKBANK_PUBLIC_ORIGIN!;
  const link = await linkOf(name);
  const stranger = await (await browser.newContext()).newPage();
  await stranger.goto(`${outside}${link}`);
  await expect(stranger.getByText('Dürfen unsere Dokumente')).toBeVisible();
  // Nameless it is not taken, and a second window finds it answered.
  expect(
    (await stranger.request.post(`${outside}/api${link}`, { form: { answer: 'yes', name: ' ' }, maxRedirects: 0 })).headers()
      .location,
  ).toContain('name=needed');
  await stranger.getByLabel('Ihr Name').fill('Ada Frost');
  await stranger.getByLabel('Bemerkung').fill('Bitte ab dem nächsten Dokument');
  await stranger.getByRole('button', { name: 'Ja, geben Sie ihn an' }).click();
  await expect(stranger.getByRole('status')).toContainText('Beantwortet von Ada Frost');
  await stranger.request.post(`${outside}/api${link}`, { form: { answer: 'no', name: 'Somebody' } });
  await stranger.goto(`${outside}/answer/${'x'.repeat(43)}`);
  await expect(stranger.getByText('This link is not known.')).toBeVisible();
  await stranger.context().close();

  await expect
    .poll(
      async () => (await query<{ agrees_due: boolean }>(`select agrees_due from customer where id = '${id}'`))[0]!.agrees_due,
      {
        timeout: 30_000,
      },
    )
    .toBe(true);
  await page.goto('/customers/questions?state=answered');
  const line = page.getByTestId('question').filter({ hasText: name }).first();
  await expect(line).toContainText('Yes, state it: Ada Frost');
  await expect(line).toContainText('Bitte ab dem nächsten Dokument');
  await expect(line.getByRole('button', { name: 'Take it back' })).toHaveCount(0);
});
