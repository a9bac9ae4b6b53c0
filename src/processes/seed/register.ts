import { addDays, addMonths, format, subDays } from 'date-fns';
import { asc } from 'drizzle-orm';
import type { Actor } from '@/core/record/event';
import { CAUSES } from '@/core/record/nonconformity';
import type { Transaction } from '@/data/connection';
import { nonconformity } from '@/data/schema';
import { closeNonconformity, enterNonconformity, noteStep } from '@/features/register/server';
import type { Random } from './random';

/** Older entries were seen to; the newest wait. */
const OPEN_DAYS = 45;

/** What was found outside over the years was evaluated, told and closed; a complaint waits for its effect to be looked at, and another has nothing done about it yet. */
export async function seeToRegister(tx: Transaction, signatory: Actor, random: Random, now: Date): Promise<void> {
  const entries = await tx.select().from(nonconformity).orderBy(asc(nonconformity.openedAt), asc(nonconformity.id));
  for (const entry of entries) {
    if (entry.openedAt > subDays(now, OPEN_DAYS)) continue;
    const at = (days: number) => ({ tx, actor: signatory, now: addDays(entry.openedAt, days) });
    await noteStep(at(1), {
      id: entry.id,
      step: 'evaluation',
      choice: '',
      text: 'Readings since the last good calibration are in doubt; the customer decides what rests on them.',
    });
    await noteStep(at(2), { id: entry.id, step: 'told', choice: 'told', text: 'By the notice that went out with the document.' });
    await noteStep(at(2), {
      id: entry.id,
      step: 'cause',
      choice: random.pick(CAUSES.filter((one) => one !== 'procedure' && one !== 'people')),
      text: 'As the sheet of the run says.',
    });
    await closeNonconformity(at(3), { id: entry.id });
  }
  const late = await enterNonconformity(
    { tx, actor: signatory, now: addMonths(now, -2) },
    { kind: 'complaint', what: 'A customer had its monitor back without its charger.', serial: '' },
  );
  const on = (days: number) => ({ tx, actor: signatory, now: subDays(now, days) });
  await noteStep(on(50), { id: late.id, step: 'evaluation', choice: '', text: 'No result is touched.' });
  await noteStep(on(50), { id: late.id, step: 'told', choice: 'told', text: 'By telephone; the charger was sent.' });
  await noteStep(on(48), { id: late.id, step: 'cause', choice: 'people', text: 'What comes along was not written on the slip.' });
  await noteStep(on(48), {
    id: late.id,
    step: 'action',
    choice: '',
    text: 'What comes along is noted at receipt, and read out when it goes.',
    lookAgainOn: format(subDays(now, 3), 'yyyy-MM-dd'),
  });
  await enterNonconformity(on(1), {
    kind: 'other',
    what: 'The barometer on the north wall and the one of the bench differ by 2 hPa since the heating was moved.',
    serial: '',
  });
}
