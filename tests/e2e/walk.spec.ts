import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { contentHash } from '@/core/certificate/canonical';
import { expect } from '@playwright/test';
import { simpleParser } from 'mailparser';
import { act, allGood, goOnEarly, query, pressPlace, read, receiveInstrument, sign, signIn, signOut, step, test } from './people';

/** The whole way, from the ticket to the certificate and the reminder, in a real browser. */
test('walks from receipt to reminder', async ({ page, browser }) => {
  const serial = `WALK-${Date.now() % 1e6}`;

  await test.step('receive: unknown serial is made, its slip carries a code', async () => {
    await signIn(page, 'counter', '/receive');
  });
  const code = await receiveInstrument(page, serial);
  await page.getByRole('link', { name: 'Slip', exact: true }).click();
  await expect(page.locator('.slip')).toContainText(serial);
  await expect(page.locator('.slip svg')).toBeVisible();

  await test.step('bench: to a place by keys; its clock runs and survives a reload', async () => {
    await signOut(page);
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
    await signIn(page, 'technician');
    const ticket = page.getByTestId(`ticket-${code}`);
    await ticket.click();
    const free = await page.locator('.place.free').first().getAttribute('data-testid');
    await pressPlace(page, free!);
    await expect(page.getByTestId(free!)).toContainText(serial);
    const clock = page.getByTestId(free!).locator('.clock');
    await expect(clock).toContainText(/^4:5\d/);
    await page.waitForTimeout(1500);
    await page.reload();
    await expect(page.getByTestId(free!).locator('.clock')).toContainText(/^4:[45]\d/);
    await page.getByTestId(free!).getByRole('button', { name: 'Start the run' }).click();
    await page.waitForURL('**/runs/**');
  });

  await test.step('prepare: conditions are checked beside the field; an expired bottle is refused with the reason', async () => {
    await goOnEarly(page, 'warmed up on the way here');
    await step(page, 'Conditions');
    await page.getByLabel('Temperature, °C').fill('two');
    await page.getByLabel('Air pressure, hPa').fill('1013');
    await page.getByLabel('Relative humidity, %').fill('45');
    await page.getByRole('button', { name: 'Record' }).click();
    await expect(page.getByText('two is no figure from -10 to 50 °C')).toBeVisible();
    await page.getByLabel('Temperature, °C').fill('21.5');
    // A hygrometer that came back and was not looked at yet is refused with the reason.
    await page.getByLabel('Relative humidity read by').selectOption({ label: 'Thermo-hygrometer SM-H-0041' });
    await page.getByRole('button', { name: 'Record' }).click();
    await expect(page.getByText(/SM-H-0041, has not been accepted yet/)).toBeVisible();
    await page.getByLabel('Relative humidity read by').selectOption({ label: 'Thermo-hygrometer SM-H-0034' });
    await page.getByRole('button', { name: 'Record' }).click();
    await step(page, 'Choose the bottle');
    await expect(page.getByTestId('reference-FG-1377')).toContainText('expired on');
    await expect(page.getByTestId('reference-FG-1391')).toContainText('is empty');
    await expect(page.getByTestId('reference-FG-1388')).toContainText('recalled');
    await expect(page.getByTestId('reference-MN-0711')).toContainText(/has no O2/);
    await page.getByTestId('reference-FG-1402').getByRole('button', { name: 'Use this one' }).click();
    await step(page, 'Auto-zero at switch-on');
    // Nothing goes out over a question that nobody answered.
    await page.locator('body').press('n');
    await expect(page.getByText('Passed for every gas: an answer is missing.')).toBeVisible();
    await allGood(page);
  });

  await test.step('as found: verdict and uncertainty while typing; a wrong entry is struck out with a reason', async () => {
    await step(page, 'As found: clean air');
    await read(page, { ex: '0', h2s: '0.0', co: '1', o2: '20.9' });
    await step(page, 'Gas on');
    await page.getByRole('button', { name: /Gas is on/ }).click();
    await expect(page.locator('.gas-bar')).toContainText('GAS IS OPEN');
    await step(page, 'As found: gas');
    const h2s = page.getByTestId(/^channel-h2s-/);
    await h2s.locator('.reading-input').fill('25,000');
    await expect(h2s).toContainText('is not a number');
    // A comma, as a keyboard of the continent has it.
    await h2s.locator('.reading-input').fill('21,5');
    await expect(h2s).toContainText('outside');
    await expect(h2s).toContainText('error −3.5');
    await expect(h2s).toContainText('± 2.5');
    await expect(h2s).toContainText(/U 1\.\d/);
    await h2s.locator('.reading-input').press('Enter');
    await expect(h2s).toContainText(/a reading takes 45 s here/);
    await h2s.getByLabel('Why H₂S counts').press('1');
    await read(page, { o2: '17.9', ex: '47' });
    await page.locator('.log-line', { hasText: 'Combustible 47' }).getByRole('button', { name: 'strike' }).click();
    await page.getByRole('button', { name: 'Strike out' }).click();
    await expect(page.getByText('Say in a few words why.')).toBeVisible();
    await page.getByLabel('Reason for striking out').fill('misread the display');
    await page.getByRole('button', { name: 'Strike out' }).click();
    await expect(page.locator('.struck', { hasText: 'Combustible 47' })).toBeVisible();
    await read(page, { ex: '46', co: '97' });
    await step(page, 'Gas off');
    await page.locator('body').press('g');
    await expect(page.locator('.gas-bar')).toHaveCount(0);
    await goOnEarly(page, 'display is back at zero');
  });

  await test.step('zero and span: a channel that fails is cleared, zeroed and tried a second time', async () => {
    await step(page, 'Zero all channels');
    await act(page);
    await step(page, 'Gas on: O₂');
    await page.getByRole('button', { name: /Gas is on/ }).click();
    for (const channel of ['O₂', 'Combustible']) {
      await step(page, `Span this channel: ${channel}`);
      await act(page);
    }
    await step(page, 'Span this channel: H₂S');
    await page.getByRole('button', { name: 'Failed' }).click();
    await step(page, 'Gas off to clear: H₂S');
    await page.getByRole('button', { name: /Gas is off/ }).click();
    await step(page, 'Let it clear');
    await goOnEarly(page, 'cleared quickly');
    await step(page, 'Zero again');
    await act(page);
    await page.getByRole('button', { name: /Gas is on/ }).click();
    await step(page, 'Span this channel: H₂S (try 2)');
    await act(page);
    await step(page, 'Span this channel: CO');
    await act(page);
  });

  await test.step('as left in the gas that is still open, then back to clean air', async () => {
    await step(page, 'As left: gas, still open');
    await read(page, { o2: '18.0', ex: '50', h2s: '25.0', co: '100' });
    await step(page, 'Gas off');
    await page.getByRole('button', { name: /Gas is off/ }).click();
    await goOnEarly(page, 'display is back at zero');
    await step(page, 'As left: clean air');
    await read(page, { ex: '0', h2s: '0.0', co: '0', o2: '20.9' });
    await step(page, 'Sound, light, vibration');
    await allGood(page);
    await goOnEarly(page, 'display is back at zero');
    await step(page, 'Clear to zero before it is switched off');
    await allGood(page);
    await step(page, 'All steps done');
    await page.getByRole('button', { name: /Finish and hand/ }).click();
    await step(page, 'Finished');
  });
  const [run] = await query<{ id: string }>('select r.id from run r join asset a on a.id = r.asset_id where a.serial = $1', [
    serial,
  ]);

  const signatory = await browser.newContext();
  const office = await signatory.newPage();
  const certificateId =
    await test.step('the signatory sees it side by side and approves; a certificate and its PDF come out', async () => {
      await signIn(office, 'signatory', `/approve/${run!.id}`);
      await expect(office.locator('.results-table')).toContainText('21.5');
      await expect(office.getByTestId('not-plain')).toContainText('warmed up on the way here');
      await office.getByRole('button', { name: 'Budget of H₂S, Gas, As found' }).click();
      await expect(office.getByTestId('budget')).toContainText('reference as certified');
      await expect(office.getByTestId('budget')).toContainText('Quality file Q-12');
      await office.getByLabel('Annex: uncertainty budgets').check();
      await expect(office.getByText('misread the display')).toBeVisible();
      await sign(office);
      await office.waitForURL('**/certificates/**');
      return office.url().split('/').pop()!;
    });
  const [certificate] = await query<{ number: string; token: string; hash: string }>(
    'select number, token, hash from certificate where id = $1',
    [certificateId],
  );
  const [owner] = await query<{ next_due: string; today: string }>(
    "select next_due::text, to_char(now(), 'YYYY-MM-DD') as today from asset where serial = $1",
    [serial],
  );

  await test.step('the PDF says what ISO/IEC 17025:2017, 7.8.2 and 7.8.4 ask for, read by an outside program', async () => {
    const pdf = await office.request.get(`/certificates/${certificateId}/pdf`);
    const file = join(mkdtempSync(join(tmpdir(), 'werkbank-pdf-')), 'c.pdf');
    writeFileSync(file, await pdf.body());
    const text = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }).replace(/\s+/g, ' ');
    const clauses: [string, RegExp][] = [
      ['a title', /Calibration certificate/],
      ['b laboratory', /Port Ambrel Instrument Workshop.*Ropewalk 5, Port Ambrel/],
      ['c place of the work', /Done at: Workshop, Ropewalk 5/],
      ['d unique number, pages, mark of the end', new RegExp(`${certificate!.number}.*page 1 of \\d.*— End of document —`)],
      ['e customer and contact', /Customer Ambrel Ship Repair Yard, Dock 3, Port Ambrel.*Contact Runa Oskeld/],
      [
        'f method as it was done',
        /Method Comparison with a certified gas mixture.*Gas at 0\.5 L\/min.*document four-gas-leak-monitor\/\d/,
      ],
      [
        'g item and condition',
        new RegExp(
          `Ordfell OF-410, serial number ${serial}.*Inspected on receipt: no fault found \\(Case, clip and display; Keys; Battery contacts and voltage\\)`,
        ),
      ],
      ['h receipt and i dates of the work', /received \d+ \w+ \d{4}, calibrated \d+ \w+ \d{4}, issued \d+ \w+ \d{4}/],
      ['l only the items', /relate only to the items calibrated/],
      [
        'm results with units',
        /H₂S, gas as found ppm 25\.0 21\.5 −3\.5 2\.5 1\.\d \(\d\.\d\d\) OUTSIDE as left ppm 25\.0 25\.0 0\.0 2\.5/,
      ],
      ['n deviations from the method', /too early\. warmed up on the way here/],
      ['o who authorised', /Authorised by Henrike Solde/],
      ['p results of others', /Results of others: none/],
      ['7.8.4.1 a uncertainty', /U is the expanded uncertainty of the deviation/],
      [
        'b conditions',
        /21\.5 ± 0\.3 °C \(Thermo-hygrometer SM-H-0034\), 1013\.\d+ ± 0\.5 hPa \(Barometer SM-B-0021\), 45 ± 2\.5 % relative humidity/,
      ],
      ['c traceability', /Traceability Gravimetric, traceable to the SI/],
      ['d before and after adjustment', /As found.*As left/],
      [
        'e statement of conformity with rule',
        /As found: outside tolerance\. As left: within tolerance\. Against: tolerances of Ordfell OF-410.*Covers: .*H₂S, Gas, as found.*Not covered: .*Decision rule: Simple acceptance.*ILAC-G8:09\/2019/,
      ],
      ['7.8.2.2 supplied by the customer', /Supplied by the customer: Asked for: Calibrate/],
      ['no accreditation claimed', /no accreditation is claimed/],
      ['reproduction', /reproduced only in full/],
      ['adjustments and tries', /Span: H₂S, failed\..*Span: H₂S, passed \(second try\)/],
      ['references with lot and expiry', /Four-gas mix, hand bottle.*lot FG-1402/],
      ['7.8.4.3 due where agreed', /Next calibration due.*agreed with the customer/],
      ['auto-zero', /auto-zeroed at power-on/],
      ['scale', /100 %LEL = 5\.0 %vol of methane \(NFPA 497\)/],
      ['hash', new RegExp(certificate!.hash)],
      ['annex of budgets', /Annex: uncertainty budgets.*reference as certified/],
      ['reached by', /555 0142/],
      ['what supplied means', /the laboratory does not answer for it/],
    ];
    for (const [clause, pattern] of clauses) expect.soft(text, clause).toMatch(pattern);
    expect(execFileSync('qpdf', ['--check', file], { encoding: 'utf8' })).toContain('No syntax or stream encoding errors');
    execFileSync('pdfdetach', ['-saveall', '-o', join(file, '..'), file]);
    const embedded = JSON.parse(readFileSync(join(file, '..', 'certificate.json'), 'utf8'));
    expect(contentHash(embedded.content)).toBe(certificate!.hash);
    // UCUM codes beside the symbols of the display.
    expect(new Set(embedded.content.results.map((one: { unit: object }) => JSON.stringify(one.unit)))).toContain(
      '{"shown":"ppm","ucum":"[ppm]"}',
    );
  });

  await test.step('label, and the public page behind its code', async () => {
    await office.goto(`/certificates/${certificateId}/label`);
    await expect(office.locator('.label-card')).toContainText(serial);
    const stranger = await (await browser.newContext()).newPage();
    await stranger.goto(`/verify/${certificate!.token}`);
    await expect(stranger.getByRole('heading', { level: 1 })).toContainText('On record, and current');
    await expect(stranger.locator('body')).not.toContainText(serial);
    await stranger.goto(`/verify/${certificate!.number}`);
    await expect(stranger.getByRole('heading', { level: 1 })).toContainText('Not known here');
  });

  await test.step('due date stored by policy; made due today, the reminder goes out once, by SMTP', async () => {
    expect(owner!.next_due > owner!.today).toBe(true);
    await query('update asset set next_due = current_date where serial = $1', [serial]);
    // While it stands in the house it is nobody's to bring.
    await page.goto('/');
    const fetched = page.getByLabel('Out-tray').locator('.ticket', { hasText: serial });
    await fetched.getByRole('button', { name: 'Hand back' }).click();
    await expect(fetched).toHaveCount(0);
    await page.goto('/due?window=all');
    await page.getByRole('button', { name: 'Send the reminders that are due' }).click();
    await expect(page.locator('.page-head').getByRole('status')).toContainText(/on (its|their) way/);
    await page.getByRole('button', { name: 'Send the reminders that are due' }).click();
    await expect(page.locator('.page-head').getByRole('status')).toContainText('Nothing is due that was not told already.');
    const folder = process.env.WERKBANK_MAIL_FOLDER!;
    const arrived = () => Promise.all(readdirSync(folder).map((name) => simpleParser(readFileSync(join(folder, name)))));
    // The jobs process sends them one after the other.
    await expect
      .poll(async () => (await arrived()).filter((mail) => mail.text?.includes(serial)).length, { timeout: 15_000 })
      .toBe(3);
    const mails = await arrived();
    // The document came with its paper when it was approved.
    const paper = mails.filter((mail) => mail.text?.includes(serial) && mail.subject?.includes(certificate!.number));
    expect(paper.map((mail) => mail.attachments[0]?.filename)).toEqual([`${certificate!.number}.pdf`]);
    // What was found outside went to the customer as a notice of its own, once.
    expect(mails.filter((mail) => mail.text?.includes(serial) && mail.text.includes('In doubt'))).toHaveLength(1);
    const mine = mails.filter((mail) => mail.text?.includes(serial) && /due for calibration/i.test(mail.text));
    expect(mine).toHaveLength(1);
    expect(mine[0]!.to).toMatchObject({ text: 'safety@ship-repair.example' });
    await page.goto('/due/outbox');
    await expect(page.getByTestId('mail').filter({ hasText: 'Ambrel Ship Repair Yard' }).first()).toContainText('sent');
  });

  await test.step('the card shows the visit, the certificate and the drift', async () => {
    await page.goto('/');
    await page.getByLabel('Scan or type a code').fill(serial);
    await page.getByLabel('Scan or type a code').press('Enter');
    await page.waitForURL('**/assets/**');
    await expect(page.getByRole('link', { name: certificate!.number })).toBeVisible();
    await expect(page.locator('tbody', { hasText: certificate!.number })).toContainText('outside');
  });
});
