import { sql } from 'drizzle-orm';
import type { WordCode } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { certificate } from '@/data/schema';
import { standingTable } from '@/features/budgets/server';
import { shownMailServer } from '@/platform/mail-server';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/setup';

export interface Step {
  title: WordCode;
  why: WordCode;
  href: string;
  done: boolean;
}

/** Whether a document was ever issued here. */
export async function hasDocuments(tx: Transaction): Promise<boolean> {
  return (await tx.select({ id: certificate.id }).from(certificate).limit(1)).length > 0;
}

interface Found extends Record<string, unknown> {
  temperature: boolean;
  humidity: boolean;
  pressure: boolean;
  gas: boolean;
  liquid: boolean;
  models: boolean;
  measures_gas: boolean;
  measures_liquid: boolean;
  signatory: boolean;
  customer: boolean;
  certificate: boolean;
  backup: boolean;
}

/** What a first genuine certificate needs, in the order in which it is best done, and whether it is there. One question to the database. */
export async function firstWeek(tx: Transaction, today: string): Promise<Step[]> {
  const settings = await readSettings(tx);
  const accepted = sql`accepted is not null and expires >= ${today}::date and state = 'good'`;
  const measures = (substance: string) =>
    sql`exists (select 1 from reference where kind = 'tool' and ${accepted} and jsonb_path_exists(components, '$[*] ? (@.substance == $what)', jsonb_build_object('what', ${substance}::text)))`;
  const { rows } = await tx.execute<Found>(sql`select
    ${measures('temperature')} as temperature, ${measures('humidity')} as humidity, ${measures('pressure')} as pressure,
    exists (select 1 from reference where kind = 'gas' and ${accepted}) as gas,
    exists (select 1 from reference where kind in ('buffer', 'standard') and ${accepted}) as liquid,
    exists (select 1 from instrument_model where retired_at is null) as models,
    exists (select 1 from instrument_model where retired_at is null and jsonb_path_exists(channels, '$[*].calibrationGas')) as measures_gas,
    exists (select 1 from instrument_model where retired_at is null and jsonb_path_exists(channels, '$[*] ? (@.measurand == "pH" || @.measurand == "conductivity" || @.measurand == "redox potential" || @.measurand == "turbidity")')) as measures_liquid,
    exists (select 1 from "user" where active and role = 'signatory') as signatory,
    exists (select 1 from customer where retired_at is null) as customer,
    exists (select 1 from certificate) as certificate,
    exists (select 1 from house_check where kind = 'backup' and ok) as backup`);
  const found = rows[0]!;
  const remembered = (await standingTable(tx)).some((line) => line.source.kind === 'memory');
  const step = (
    name:
      | 'address'
      | 'mail'
      | 'models'
      | 'thermometer'
      | 'hygrometer'
      | 'barometer'
      | 'gas'
      | 'liquid'
      | 'standing'
      | 'signatory'
      | 'customer'
      | 'certificate'
      | 'backup',
    href: string,
    done: boolean,
  ): Step => ({
    title: `week.${name}`,
    why: `week.${name}Why`,
    href,
    done,
  });
  return [
    step('address', '/office', settings.address !== '' && settings.contact !== ''),
    step('mail', '/office#mail-server', (await shownMailServer(tx)) !== null || process.env.WERKBANK_SIMULATED === 'yes'),
    step('signatory', '/office/people', found.signatory || settings.samePersonApproves),
    step('models', '/models', found.models),
    step('thermometer', '/shelf', found.temperature),
    step('hygrometer', '/shelf', found.humidity),
    step('barometer', '/shelf', found.pressure),
    ...(found.measures_gas || !found.models ? [step('gas', '/shelf', found.gas)] : []),
    ...(found.measures_liquid ? [step('liquid', '/shelf', found.liquid)] : []),
    step('standing', '/office/budgets', !remembered),
    step('customer', '/customers', found.customer),
    step('certificate', '/receive', found.certificate),
    step('backup', '/office/house', found.backup || process.env.WERKBANK_SIMULATED === 'yes'),
  ];
}
