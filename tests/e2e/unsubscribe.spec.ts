import { expect } from '@playwright/test';
import { query, signIn, test } from './people';

test('who gets reminders ends them by the link of the mail: looking ends nothing, one press does, and so does the mail program’s own (RFC 8058)', async ({
  page,
  browser,
}) => {
  const outside = process.env.WERKBANK_PUBLIC_ORIGIN!;
  const wants = async (name: string) =>
    (await query<{ wants_reminders: boolean }>(`select wants_reminders from customer where name = '${name}'`))[0]!
      .wants_reminders;
  const token = async (name: string) =>
    (await query<{ token: string }>(`select unsubscribe_token as token from customer where name = '${name}'`))[0]!.token;
  const [person, program] = ['Ravel Street Baths', 'Cold Lane Ice Rink'];
  const stranger = await (await browser.newContext()).newPage();
  await stranger.goto(`${outside}/unsubscribe/${await token(person)}`);
  await expect(stranger.getByText(`Reminders of calibrations go to ${person}.`)).toBeVisible();
  expect(await wants(person)).toBe(true);
  await stranger.getByRole('button', { name: 'No more reminders' }).click();
  await expect(stranger.getByText(`${person} gets no more reminders`)).toBeVisible();
  expect(await wants(person)).toBe(false);
  // The mail program, on its own, with the form that the standard says (RFC 8058, 3.2).
  const press = async (at: string) =>
    (await stranger.request.post(`${outside}/api/unsubscribe/${at}`, { form: { 'List-Unsubscribe': 'One-Click' } })).status();
  expect([await press(await token(program)), await press(await token(program))]).toEqual([204, 204]);
  expect(await wants(program)).toBe(false);
  expect(await press('0'.repeat(36))).toBe(404);
  await stranger.goto(`${outside}/unsubscribe/nobody`);
  await expect(stranger.getByText('This link is not known.')).toBeVisible();
  await stranger.context().close();
  // Who changed it is on record, and the counter sees it.
  await signIn(page, 'admin', '/office/house?of=customer');
  await expect(page.getByText('the customer, by the link in a mail').first()).toBeVisible();
});
