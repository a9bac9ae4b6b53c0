import { addYears, format, parseISO, subDays } from 'date-fns';
import { and, count, eq, gte, isNull, sql } from 'drizzle-orm';
import { ENOUGH_POINTS, SPEAKS_DAYS } from '@/core/stored/competence';
import { say } from '@/core/words/say';
import { competence, practiceAttempt, run, runEvent, runWatched, user } from '@/data/schema';
import { dateIn } from '@/platform/clock';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import type { GiveInput } from '../schemas';
import '@/core/words/en/competence';

/** Longest that an authorisation holds, years: then it is looked at anew. */
const LONGEST_YEARS = 3;

/**
 * Authorises a person for a procedure until a day. What it rests on has to be there: an exercise of that procedure worked well in the last year, a run that was watched, or the signatory's own word.
 * Errors: Problem (403, 409, beside the field). Source: ISO/IEC 17025:2017, 6.2.5 and 6.2.6.
 */
export async function giveCompetence(context: UseCaseContext, given: GiveInput): Promise<void> {
  const { tx, now, actor } = context;
  need(actor, 'approve');
  const today = dateIn((await readSettings(tx)).zone, now);
  const [person] = await tx
    .select()
    .from(user)
    .where(and(eq(user.id, given.person), eq(user.active, true)));
  if (!person) throw new Problem(say({ code: 'competence.whoNeeded' }), { person: say({ code: 'competence.whoNeeded' }) }, 409);
  // Nobody authorises themselves.
  if (person.id === actor.id)
    throw new Problem(say({ code: 'competence.notOneself' }), { person: say({ code: 'competence.notOneself' }) }, 409);
  checkEnd(given.endsOn, today);
  await checkBasis(context, given);
  const [held] = await tx
    .select({ id: competence.id })
    .from(competence)
    .where(
      and(
        eq(competence.person, person.id),
        eq(competence.procedureId, given.procedure),
        isNull(competence.endedAt),
        gte(competence.endsOn, today),
      ),
    );
  if (held) throw new Problem(say({ code: 'competence.already' }), { procedure: say({ code: 'competence.already' }) }, 409);
  await tx.insert(competence).values({
    person: person.id,
    procedureId: given.procedure,
    basis: given.basis,
    why: given.why,
    givenOn: today,
    endsOn: given.endsOn,
    givenAt: now,
    givenBy: actor.name,
  });
}

function checkEnd(endsOn: string, today: string): void {
  if (endsOn <= today) throw new Problem(say({ code: 'competence.ahead' }), { endsOn: say({ code: 'competence.ahead' }) }, 409);
  const latest = format(addYears(parseISO(today), LONGEST_YEARS), 'yyyy-MM-dd');
  const tooLong = say({ code: 'competence.tooLong', numbers: { years: LONGEST_YEARS } });
  if (endsOn > latest) throw new Problem(tooLong, { endsOn: tooLong }, 409);
}

async function checkBasis({ tx, now }: UseCaseContext, { person, procedure, basis }: GiveInput): Promise<void> {
  if (basis === 'word') return;
  const [{ n } = { n: 0 }] =
    basis === 'practice'
      ? await tx
          .select({ n: count() })
          .from(practiceAttempt)
          .where(
            and(
              eq(practiceAttempt.person, person),
              eq(practiceAttempt.procedureId, procedure),
              gte(practiceAttempt.points, ENOUGH_POINTS),
              gte(practiceAttempt.endedAt, subDays(now, SPEAKS_DAYS)),
            ),
          )
      : await tx
          .select({ n: count() })
          .from(runWatched)
          .innerJoin(run, eq(run.id, runWatched.runId))
          .innerJoin(runEvent, and(eq(runEvent.runId, run.id), eq(runEvent.type, 'started')))
          .where(and(eq(run.procedureId, procedure), sql`${runEvent.actor}->>'id' = ${person}`));
  if (n > 0) return;
  const said = say({ code: `competence.no.${basis}`, numbers: { points: ENOUGH_POINTS } });
  throw new Problem(said, { basis: said }, 409);
}

/** Its end or its grounds, put right. Errors: Problem (403, 404, 409). */
export async function correctCompetence(
  { tx, now, actor }: UseCaseContext,
  { id, why, endsOn }: { id: string; why: string; endsOn: string },
): Promise<void> {
  need(actor, 'approve');
  const [row] = await tx.select().from(competence).where(eq(competence.id, id)).for('update');
  if (!row) throw new Problem(say({ code: 'competence.gone' }), {}, 404);
  if (row.endedAt) throw new Problem(say({ code: 'competence.ended' }), {}, 409);
  if (row.person === actor.id) throw new Problem(say({ code: 'competence.notOneself' }), {}, 409);
  checkEnd(endsOn, dateIn((await readSettings(tx)).zone, now));
  await tx.update(competence).set({ why, endsOn }).where(eq(competence.id, id));
}

/** Takes an authorisation back from today on. Errors: Problem (403, 404, 409). */
export async function endCompetence(
  { tx, now, actor }: UseCaseContext,
  { id, reason }: { id: string; reason: string },
): Promise<void> {
  need(actor, 'approve');
  const [row] = await tx.select().from(competence).where(eq(competence.id, id)).for('update');
  if (!row) throw new Problem(say({ code: 'competence.gone' }), {}, 404);
  if (row.endedAt) throw new Problem(say({ code: 'competence.ended' }), {}, 409);
  const endedOn = dateIn((await readSettings(tx)).zone, now);
  await tx.update(competence).set({ endedAt: now, endedOn, endedBy: actor.name, endedWhy: reason }).where(eq(competence.id, id));
}
