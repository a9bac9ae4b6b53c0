import { sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import '@/core/words/en/from-paper';

/** How long a screen keeps the hand on a run without saying so again. */
const HOLD_SECONDS = 20;

export interface Hand {
  mine: boolean;
  who: string;
}

/** One screen captures live readings of a run, the others watch. Asking again keeps it; `take` takes it over from somebody else. */
export async function holdHand(
  { tx, actor }: UseCaseContext,
  { run, screen, take }: { run: string; screen: string; take: boolean },
): Promise<Hand> {
  const { rows: there } = await tx.execute(sql`select 1 from run where id = ${run}::uuid`);
  if (there.length === 0) throw new Problem(say({ code: 'paper.noRun' }), {}, 404);
  const result = await tx.execute<{ screen: string; who: string }>(sql`
    insert into run_hand (run_id, screen, who, until) values (${run}::uuid, ${screen}, ${actor.name}, now() + make_interval(secs => ${HOLD_SECONDS}))
    on conflict (run_id) do update set screen = excluded.screen, who = excluded.who, until = excluded.until
    where run_hand.screen = excluded.screen or run_hand.until < now() or ${take} returning screen, who`);
  if (result.rows[0]) return { mine: true, who: actor.name };
  const held = await tx.execute<{ who: string }>(sql`select who from run_hand where run_id = ${run}::uuid`);
  return { mine: false, who: held.rows[0]?.who ?? '' };
}

/** Whether another screen holds it now: a live reading from this one is then refused. */
export async function heldByOther({ tx }: Pick<UseCaseContext, 'tx'>, run: string, screen: string): Promise<string | null> {
  const result = await tx.execute<{ who: string }>(
    sql`select who from run_hand where run_id = ${run}::uuid and screen <> ${screen} and until >= now()`,
  );
  return result.rows[0]?.who ?? null;
}
