import { expect } from '@playwright/test';
import { approve, query, settled, signIn, test } from '../people';
import { makeRun, manyPlaces } from '../gas/make-run';
import { standInMeter } from './meter';
import { flyWater } from './pilot';

interface Family {
  family: number;
  model: string;
  /** What its certificate has to say of the probes. */
  states: RegExp[];
  /** Walked in the long trial alone: on other days care.spec.ts takes a pH meter through its sheet. */
  long?: true;
}

const FAMILIES: Family[] = [
  { family: 3, model: 'PG-3P', long: true, states: [/slope \d+\.\d %.*between pH 4\.\d+ and 7\.\d+/, /offset/, /response/] },
  { family: 5, model: 'SM-35', states: [/slope/, /cell constant/, /100 % is saturation at the air pressure of the place/] },
];

test.beforeAll(manyPlaces);

for (const { family, model, states } of FAMILIES.filter(({ long }) => !long || process.env.WERKBANK_IN_FULL === 'yes'))
  test(`family ${family}, ${model}: from the place to the approved certificate, readings off the meter's line`, async ({
    page,
    browser,
  }) => {
    const device = await standInMeter({ model, serial: `W${family}-${Date.now() % 1e7}` });
    try {
      const { run, assetId } = await makeRun({ model, serial: device.serial });
      await signIn(page, 'technician', `/runs/${run}`);
      await settled(page);
      await expect(page.getByTestId('line-strip')).toContainText('Live from', { timeout: 45_000 });
      await flyWater({ page, device });
      await page.getByRole('button', { name: /Finish and hand/ }).click();
      await expect(page.locator('.present-step h2')).toContainText('Finished');
      const office = await approve(browser, run);
      const [made] = await query<{
        content: {
          title: string;
          probes: { lines: string[] }[];
          results: { left: { basis: string; expanded: string | null } | null }[];
          environment: { pressureHPa: { value: string; equipment: string } | null };
        };
        live: string;
        asleft: string;
        wrong: unknown[];
      }>(
        `select c.content, s.as_left as asleft, jsonb_path_query_array(c.content->'results', '$[*] ? (@.left.verdict == "outside" || @.left.verdict == "cannotTell").left') as wrong, (select count(*) from run_event e where e.run_id = c.run_id and e.type = 'readingCaptured' and e.source = 'live') as live
         from certificate c join run_summary s on s.run_id = c.run_id where c.id = $1`,
        [office.id],
      );
      expect(made!.wrong).toEqual([]);
      expect(made).toMatchObject({ asleft: 'within', content: { title: 'Calibration certificate' } });
      expect(Number(made!.live)).toBeGreaterThan(0);
      const said = made!.content.probes.flatMap((one) => one.lines).join('; ');
      for (const one of states) expect(said).toMatch(one);
      // Value at the measured temperature (or in air at the pressure), with what it is computed from; uncertainty; pressure among the conditions.
      expect(made!.content.results.map((one) => one.left?.basis).join(' ')).toMatch(/at \d+\.\d+ °C/);
      expect(made!.content.results.filter((one) => one.left?.expanded).length).toBeGreaterThan(0);
      expect(made!.content.environment.pressureHPa?.equipment).toBeTruthy();
      await office.page.goto(`/assets/${assetId}/probe`);
      await expect(office.page.locator('.probe-sheet').first()).toContainText(/it takes five/);
      await office.page.context().close();
    } finally {
      await device.close();
    }
  });
