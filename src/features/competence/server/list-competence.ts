import { desc, eq, sql } from 'drizzle-orm';
import Papa from 'papaparse';
import type { CompetenceBasis } from '@/core/stored/competence';
import type { Transaction } from '@/data/connection';
import { competence, user } from '@/data/schema';
import { proceduresById } from '@/features/procedures/server';

export type Stands = 'valid' | 'soon' | 'over' | 'ended';
export interface CompetenceLine {
  id: string;
  person: string;
  personName: string;
  procedure: string;
  title: string;
  basis: CompetenceBasis;
  why: string;
  givenOn: string;
  endsOn: string;
  givenBy: string;
  stands: Stands;
  ended: string | null;
}
/** So many days before its end it is said. */
const SOON_DAYS = 30;

/** Every authorisation, those that hold first, of a person or a procedure where asked. */
export async function listCompetence(
  tx: Transaction,
  { today, person }: { today: string; person?: string | undefined },
): Promise<CompetenceLine[]> {
  const rows = await tx
    .select({ one: competence, name: user.name, soon: sql<boolean>`${competence.endsOn} <= ${today}::date + ${SOON_DAYS}::int` })
    .from(competence)
    .innerJoin(user, eq(user.id, competence.person))
    .where(person ? eq(competence.person, person) : undefined)
    .orderBy(sql`${competence.endedAt} is not null`, user.name, competence.procedureId, desc(competence.givenAt), competence.id);
  const titles = await proceduresById(tx);
  return rows.map(({ one, name, soon }) => ({
    id: one.id,
    person: one.person,
    personName: name,
    procedure: one.procedureId,
    title: titles.get(one.procedureId)?.title ?? one.procedureId,
    basis: one.basis,
    why: one.why,
    givenOn: one.givenOn,
    endsOn: one.endsOn,
    givenBy: one.givenBy,
    stands: one.endedAt ? 'ended' : one.endsOn < today ? 'over' : soon ? 'soon' : 'valid',
    ended: one.endedAt ? `${one.endedBy}: ${one.endedWhy}` : null,
  }));
}

/** The same as a table. */
export async function competenceCsv(tx: Transaction, today: string): Promise<string> {
  const rows = await listCompetence(tx, { today });
  return Papa.unparse(
    {
      fields: ['person', 'procedure', 'basis', 'why', 'given_on', 'ends_on', 'given_by', 'stands', 'ended'],
      data: rows.map((one) => [
        one.personName,
        one.title,
        one.basis,
        one.why,
        one.givenOn,
        one.endsOn,
        one.givenBy,
        one.stands,
        one.ended ?? '',
      ]),
    },
    { escapeFormulae: true },
  );
}

/** People and procedures to choose from. */
export async function toAuthorise(
  tx: Transaction,
): Promise<{ people: { id: string; name: string }[]; procedures: { id: string; title: string }[] }> {
  const people = await tx.select({ id: user.id, name: user.name }).from(user).where(eq(user.active, true)).orderBy(user.name);
  const procedures = [...(await proceduresById(tx)).values()].map(({ id, title }) => ({ id, title }));
  return { people, procedures: procedures.sort((a, b) => a.title.localeCompare(b.title)) };
}
