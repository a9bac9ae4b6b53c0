import { timingSafeEqual } from 'node:crypto';
import { sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import type { Database, Transaction } from '@/data/connection';
import { instrumentModel, user } from '@/data/schema';
import { putPolicy } from '@/features/due/server';
import { addUser } from '@/features/office/server';
import { asActor } from '@/platform/as-actor';
import { recordAudit } from '@/platform/audit';
import { Problem } from '@/platform/problem';
import { DEFAULT_SETTINGS, writeSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { MODELS } from '@/procedures/models';
import type { SetUpInput, Team } from '../schemas';
import '@/core/words/en/setup';

/** Places at a bench for so many people; can be changed in the office. */
const PLACES: Record<Team, number> = { alone: 2, few: 6, many: 12 };

/** Whether nobody can sign in yet: then the first visit leads to the set-up. */
export async function isEmptyHouse(db: Transaction | Database): Promise<boolean> {
  return (await db.select({ id: user.id }).from(user).limit(1)).length === 0;
}

/** Kinds of instrument that ship, with how many models each has. */
export function shippedFamilies(): { kind: string; models: string[] }[] {
  const kinds = new Map<string, string[]>();
  for (const model of MODELS)
    if (model.procedureId) kinds.set(model.kind, [...(kinds.get(model.kind) ?? []), `${model.maker} ${model.name}`]);
  return [...kinds].map(([kind, models]) => ({ kind, models })).sort((one, other) => one.kind.localeCompare(other.kind));
}

const sameKey = (given: string, wanted: string): boolean => {
  const [one, other] = [Buffer.from(given), Buffer.from(wanted)];
  return wanted.length > 0 && one.length === other.length && timingSafeEqual(one, other);
};

/**
 * Makes an empty house somebody's: settings, first administrator, models of the families that are asked for. Once, by whoever holds the key that the house wrote when it started; two at once, and the second is told.
 * Errors: Problem (403) for another key, (409) where somebody can sign in already, (400) beside the password.
 */
export async function setUp(
  { tx, now }: Pick<UseCaseContext, 'tx' | 'now'>,
  input: SetUpInput,
): Promise<{ email: string; models: number }> {
  await tx.execute(sql`select pg_advisory_xact_lock(7212)`);
  if (!(await isEmptyHouse(tx))) throw new Problem(say({ code: 'setup.done' }), {}, 409);
  if (!sameKey(input.key, process.env.WERKBANK_SETUP_KEY ?? ''))
    throw new Problem(say({ code: 'setup.wrongKey' }), { key: say({ code: 'setup.wrongKey' }) }, 403);
  const actor = { id: 'set-up', name: input.person, role: 'administrator' as const };
  await asActor(tx, actor, 'setUp');
  const alone = input.team === 'alone';
  await writeSettings(tx, {
    ...DEFAULT_SETTINGS,
    name: input.name,
    address: input.address,
    place: input.place || input.address,
    contact: input.contact,
    zone: input.zone,
    currency: input.currency,
    mailFrom: input.email.toLowerCase(),
    places: PLACES[input.team],
    samePersonApproves: alone,
    // Who gives out roles doesn't sign where somebody else can.
    administratorSigns: alone || DEFAULT_SETTINGS.administratorSigns,
  });
  await addUser({ tx, actor, now }, { name: input.person, email: input.email, role: 'administrator', password: input.password });
  const wanted = MODELS.filter((model) => model.procedureId && input.families.includes(model.kind));
  for (const { maker, name, kind, procedureId, traits, channels, every } of wanted) {
    const [row] = await tx
      .insert(instrumentModel)
      .values({ maker, name, kind, procedureId, traits, channels })
      .returning({ id: instrumentModel.id });
    await putPolicy({ tx }, { scope: 'model', modelId: row!.id, every, reason: '' });
  }
  await recordAudit({ tx, actor, now }, 'setUp', input.name, { models: wanted.length });
  return { email: input.email, models: wanted.length };
}
