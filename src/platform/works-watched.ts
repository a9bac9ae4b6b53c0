import { and, eq, gt, gte, inArray, isNull, lte, or, sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { competence, run, runEvent, runWatched, user } from '@/data/schema';
import { dateIn } from './clock';
import { readSettings } from './settings';

/** A run of somebody who isn't authorised for its procedure. */
export interface WatchNeeded {
  person: { id: string; name: string };
  procedure: string;
  /** Who may watch it: authorised for it themselves. */
  watchers: { id: string; name: string }[];
  watched: { by: string; at: string; note: string } | null;
}

const valid = (procedure: string, on: string) =>
  and(
    eq(competence.procedureId, procedure),
    lte(competence.givenOn, on),
    gte(competence.endsOn, on),
    or(isNull(competence.endedOn), gt(competence.endedOn, on)),
  );

/** Who is authorised for a procedure on a day, by name. */
export const authorisedFor = (tx: Transaction, procedure: string, on: string): Promise<{ id: string; name: string }[]> =>
  tx
    .selectDistinct({ id: user.id, name: user.name })
    .from(competence)
    .innerJoin(user, eq(user.id, competence.person))
    .where(and(valid(procedure, on), eq(user.active, true)))
    .orderBy(user.name);

/** What a hand does at an instrument, by the event it leaves. */
const HANDS_ON = ['started', 'readingCaptured', 'adjusted', 'saved', 'bumped', 'cared'] as const;

/**
 * Whether a run is work that has to be watched: the setting says so, and somebody who works it isn't authorised for its procedure on the day it was begun. Null where it isn't.
 * `me`: who would work it next. Errors: none. Source: ISO/IEC 17025:2017, 6.2.5.
 */
export async function watchNeeded(
  tx: Transaction,
  { run: id, me }: { run: string; me?: { id: string; name: string } },
): Promise<WatchNeeded | null> {
  const { worksWatched, zone } = await readSettings(tx);
  if (!worksWatched) return null;
  const [row] = await tx.select({ procedure: run.procedureId, at: run.createdAt }).from(run).where(eq(run.id, id));
  if (!row) return null;
  const hands = await tx
    .selectDistinct({ id: sql<string>`${runEvent.actor}->>'id'`, name: sql<string>`${runEvent.actor}->>'name'` })
    .from(runEvent)
    .where(and(eq(runEvent.runId, id), inArray(runEvent.type, [...HANDS_ON])));
  const watchers = await authorisedFor(tx, row.procedure, dateIn(zone, row.at));
  const not = [...hands, ...(me ? [me] : [])].find((one) => !watchers.some((each) => each.id === one.id));
  if (!not) return null;
  const [found] = await tx.select().from(runWatched).where(eq(runWatched.runId, id));
  return {
    person: not,
    procedure: row.procedure,
    watchers,
    watched: found ? { by: found.watcherName, at: found.at.toISOString(), note: found.note } : null,
  };
}
