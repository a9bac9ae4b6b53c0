import { expect } from '@playwright/test';
import { query, settled, signIn, test } from './people';

/** What a customer wants of its own: where its instruments are, by which tolerance they are judged, who is forgotten; and what was wrong, seen to. */
test('sites, a tolerance that was agreed, a contact who is blanked; a complaint from its entry to a signatory’s word', async ({
  page,
  browser,
}) => {
  const tail = String(Date.now() % 1e6);
  const [site, person] = [`Cellar ${tail}`, `Person ${tail}`];
  const [one] = await query<{ id: string; customer: string; serial: string; model: string }>(
    `select a.id, a.customer_id as customer, a.serial, m.maker || ' ' || m.name as model from asset a join customer c on c.id = a.customer_id join instrument_model m on m.id = a.model_id
     where c.name = 'Tidewater Tramway Tunnels' and m.name = 'OF-410' and a.status = 'inUse' and not exists (select from ticket t where t.asset_id = a.id and t.status <> 'returned') limit 1`,
  );
  const { id, customer, serial, model } = one!;
  await signIn(page, 'counter', `/customers/${customer}`);

  await test.step('a site is made, the instrument put there, and found by it', async () => {
    const sites = page.getByTestId('sites');
    await sites.getByRole('button', { name: 'Add a site' }).click();
    await sites.getByRole('button', { name: 'Save' }).click();
    await expect(sites.getByText('The site’s name is needed.')).toBeVisible();
    await sites.getByLabel('Name').fill(site);
    await sites.getByRole('button', { name: 'Save' }).click();
    await expect(sites).toContainText(`${site}no instrument`);
    await page.goto(`/assets/${id}`);
    await page.getByLabel('Site of its customer').selectOption(site);
    await expect(page.getByText('Saved.')).toBeVisible();
    await page.goto(`/assets?q=${encodeURIComponent(site)}&columns=serial.site`);
    await expect(page.getByRole('row', { name: serial })).toContainText(site);
  });

  await test.step('a tolerance: too narrow is said at its field; agreed, it stands at the channel of the instrument', async () => {
    await page.goto(`/customers/${customer}`);
    const agreed = page.getByTestId('tolerances');
    await agreed.getByRole('button', { name: 'Agree a tolerance' }).click();
    await agreed.getByLabel('Model').selectOption(model);
    await agreed.getByLabel('Channel').selectOption('CO');
    await agreed.getByLabel('± in ppm').fill('0,2');
    await agreed.getByLabel('Agreed on').fill('2 Nov 2026');
    await agreed.getByLabel('With whom').fill('letter of that day');
    await agreed.getByRole('button', { name: 'Save' }).click();
    await expect(agreed.getByText('1 ppm', { exact: false })).toBeVisible();
    await agreed.getByLabel('± in ppm').fill('4');
    await agreed.getByRole('button', { name: 'Save' }).click();
    await expect(agreed).toContainText('± 4 ppmagreed on 2 Nov 2026');
    await page.goto(`/assets/${id}`);
    await expect(page.getByRole('row', { name: /CO carbon monoxide/ })).toContainText('± 4 ppm agreed with the customer');
    // Nobody else's walk is judged by it.
    await page.goto(`/customers/${customer}`);
    await agreed.getByRole('button', { name: 'Correct' }).click();
    await agreed.getByRole('button', { name: 'End it' }).click();
    await expect(agreed).toContainText('None: instruments are judged by the tolerances of their models.');
  });

  await test.step('a contact who asks for it is blanked, and the history of the customer says so without a name', async () => {
    const contacts = page.getByTestId('contacts');
    await contacts.getByRole('button', { name: 'Add a contact' }).click();
    await contacts.getByLabel('Name').fill(person);
    await contacts.getByRole('button', { name: 'Save' }).click();
    await expect(contacts).toContainText(person);
    const blanking = contacts.locator('.d-flex').filter({ hasText: person }).getByTestId('blank-person');
    await blanking.getByText('Blank …').click();
    await blanking.getByRole('button', { name: 'Blank for good' }).click();
    await expect(blanking.getByText('Say in a few words why.')).toBeVisible();
    await blanking.getByLabel('Why?').fill('asked for it');
    await blanking.getByRole('button', { name: 'Blank for good' }).click();
    await expect(contacts).not.toContainText(person);
    expect(
      await query(`select 1 from change_log l where l.before::text like $1 or l.after::text like $1`, [`%${person}%`]),
    ).toEqual([]);
  });

  await test.step('a complaint is entered, seen to step by step, and closed by a signatory when nothing is missing', async () => {
    await page.goto('/register');
    await page.getByText('Enter one').click();
    await page.getByLabel('What was wrong').fill(`Came back without its clip, ${tail}`);
    await page.getByLabel('Serial of the instrument').fill(serial);
    await page.getByRole('button', { name: 'Enter it' }).click();
    await page.waitForURL('**/register/*');
    const address = new URL(page.url()).pathname;
    const technician = await (await browser.newContext()).newPage();
    await signIn(technician, 'technician', address);
    const note = async (step: string, text: string, choice?: string) => {
      const part = technician.getByTestId(`step-${step}`);
      if (choice) await part.getByRole('combobox').selectOption(choice);
      await part.getByRole('textbox').first().fill(text);
      await part.getByRole('button', { name: 'Note it', exact: true }).click();
      await expect(part.getByText('Note it anew').first()).toBeVisible();
      await expect(part).toContainText(text);
    };
    await note('evaluation', 'no result is touched');
    await note('told', 'by telephone', 'told');
    await note('cause', 'not on the slip', 'training, mistake');
    await note('action', 'it is on the slip now');
    await expect(technician.getByRole('button', { name: 'Close it' })).toHaveCount(0);
    const signatory = await (await browser.newContext()).newPage();
    await signIn(signatory, 'signatory', address);
    await signatory.getByRole('button', { name: 'Close it' }).click();
    await expect(signatory.locator('.field-problem')).toContainText('Did it help?');
    await note('effect', 'none since');
    await signatory.reload();
    await settled(signatory);
    await signatory.getByRole('button', { name: 'Close it' }).click();
    await expect(signatory.getByText('Closed by Henrike Solde', { exact: false })).toBeVisible();
    await Promise.all([technician.context().close(), signatory.context().close()]);
  });

  await test.step('what the house does by itself is seen in the office', async () => {
    await signIn(page, 'admin', '/office/jobs');
    await expect(page.getByTestId('by-the-clock')).toContainText('every day from 7 h on');
    await expect(page.getByTestId('queue')).toBeVisible();
  });
});
