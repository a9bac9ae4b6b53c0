import { expect } from '@playwright/test';
import { doctored } from './doctor';
import { query, signIn, test } from './people';

test('the check page bears out the issued file and names each of ten doctored ones, without sending it anywhere', async ({
  page,
  browser,
}) => {
  await signIn(page, 'signatory', '/certificates');
  const [one, other] = (await query<{ id: string; token: string }>(
    `select c.id, c.token from certificate c where c.kind = 'calibration' and c.content->>'schema' = 'werkbank-certificate/2'
     and exists (select from jsonb_array_elements(c.content->'results') line where line->'left'->>'expanded' is not null)
     and not exists (select from certificate n where n.replaces = c.id or n.withdraws = c.id) order by c.issued_at desc limit 2`,
  )) as [{ id: string; token: string }, { id: string; token: string }];
  const fetched = async (path: string) => Buffer.from(await (await page.request.get(path)).body());
  const pdf = await fetched(`/certificates/${one.id}/pdf`);
  const [data, second] = await Promise.all(
    [one, other].map(async ({ id }) => JSON.parse((await fetched(`/certificates/${id}/json`)).toString()) as never),
  );
  const forged = doctored(pdf, data!, second!);
  expect(Object.keys(forged)).toHaveLength(10);

  // A stranger, who comes by the code on paper: to the public listener, which has nothing else.
  const outside = process.env.WERKBANK_PUBLIC_ORIGIN!;
  const stranger = await (await browser.newContext()).newPage();
  for (const door of ['/sign-in', '/', '/certificates'])
    expect((await stranger.request.get(`${outside}${door}`, { maxRedirects: 0 })).status()).toBe(404);
  await stranger.goto(`${outside}/verify/${one.token}`);
  const sent: string[] = [];
  stranger.on('request', (request) => request.method() !== 'GET' && sent.push(request.url()));
  const checked = stranger.getByTestId('checked');
  const look = async (name: string, buffer: Buffer) => {
    await stranger.getByLabel('File to check').setInputFiles({ name, mimeType: 'application/pdf', buffer });
    await expect(checked).toContainText(name);
  };
  await look('as-issued.pdf', pdf);
  await expect(checked).toHaveAttribute('data-verdict', 'genuine');
  let number = 0;
  for (const [how, bytes] of Object.entries(forged)) {
    await look(`doctored-${(number += 1)}.pdf`, bytes);
    await expect.soft(checked, how).toHaveAttribute('data-verdict', /doctored|notOurs/);
    // What is only seen: the data is genuine, and that is said as well.
    if (how.startsWith('seen')) {
      await expect.soft(checked, how).toContainText('signature holds');
      await expect.soft(checked, how).toHaveAttribute('data-verdict', 'doctored');
    }
  }
  await look('no-certificate.pdf', Buffer.from('%PDF-1.4\nnothing of ours'));
  await expect(checked).toHaveAttribute('data-verdict', 'unreadable');
  expect(sent).toEqual([]);
  await stranger.context().close();
});
