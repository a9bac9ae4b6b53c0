import { addDays, format, subDays } from 'date-fns';
import { and, desc, eq, inArray } from 'drizzle-orm';
import type { Act } from '@/core/practice/act';
import type { ExerciseKind } from '@/core/practice/exercise';
import { workAsMaster } from '@/core/practice/master';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { instrumentModel, run, runSummary, user } from '@/data/schema';
import { giveCompetence } from '@/features/competence/server';
import { exerciseFor, keepAttempt, makeExercise } from '@/features/practice/server';

type As = <T>(actor: Actor, work: (tx: Transaction) => Promise<T>) => Promise<T>;
const GAS = 'four-gas-leak-monitor';

/** What the technician practised, well, badly and once only half; what came of it; and an exercise made of a run of the house. */
export async function practised(
  as: As,
  { technician, signatory }: { technician: Actor; signatory: Actor },
  now: Date,
): Promise<void> {
  const models = await as(technician, (tx) =>
    tx
      .select()
      .from(instrumentModel)
      .where(inArray(instrumentModel.name, ['OF-410', 'VT-40'])),
  );
  const on = models.find((one) => one.name === 'OF-410')!.id;
  const work = (days: number, kind: Exclude<ExerciseKind, 'own'>, seed: number, change: (acts: Act[]) => Act[] = (all) => all) =>
    as(technician, async (tx) => {
      const at = subDays(now, days);
      const asked = { kind, seed, models: [on], own: undefined };
      const { exercise } = (await exerciseFor(tx, asked))!;
      const start = subDays(at, 1);
      const { done } = workAsMaster(exercise, { start, actor: technician, id: 'seed' });
      return keepAttempt(
        { tx, actor: technician, now: at },
        { ...asked, began: start.toISOString(), acts: change(done.map((one) => one.act)) as object[] },
      );
    });
  // Half of it, and away to the telephone.
  await work(96, 'guided', 1, (all) => all.slice(0, 12));
  await work(95, 'guided', 1);
  // Found nothing, and let the gas run meanwhile.
  await work(94, 'findFault', 3, (all) => {
    const shut = all.findIndex((one) => one.do === 'command' && one.command.type === 'changeStimulus' && !one.command.on);
    return all
      .filter((one) => one.do !== 'look' && one.do !== 'diagnose')
      .map((one) => (all.indexOf(one) >= shut ? { ...one, at: one.at + 40_000 } : one));
  });
  await work(90, 'findFault', 11);
  await work(88, 'dangerousDay', 2);
  const until = (days: number) => format(addDays(now, days), 'yyyy-MM-dd');
  await as(signatory, async (tx) => {
    const context = { tx, actor: signatory, now: subDays(now, 85) };
    await giveCompetence(context, {
      person: technician.id,
      procedure: GAS,
      basis: 'practice',
      why: 'Found the fault on the second try, shut the gas before anything else on the dangerous day.',
      endsOn: until(24),
    });
    const [other] = await tx
      .select({ id: user.id })
      .from(user)
      .where(and(eq(user.role, 'administrator'), eq(user.active, true)));
    if (other)
      await giveCompetence(context, {
        person: other.id,
        procedure: GAS,
        basis: 'word',
        why: 'Wrote this procedure and works by it since the house began.',
        endsOn: until(600),
      });
    await giveCompetence(
      { ...context, now: subDays(now, 400) },
      {
        person: technician.id,
        procedure: 'two-buffer-ph-meter',
        basis: 'word',
        why: 'Came from a laboratory for drinking water.',
        endsOn: until(-12),
      },
    );
    const [last] = await tx
      .select({ id: run.id })
      .from(run)
      .innerJoin(runSummary, eq(runSummary.runId, run.id))
      .where(and(eq(run.procedureId, GAS), eq(runSummary.status, 'approved'), eq(runSummary.asFound, 'outside')))
      .orderBy(desc(runSummary.startedAt), desc(run.id))
      .limit(1);
    if (last) await makeExercise({ ...context, now: subDays(now, 30) }, { run: last.id, title: 'A monitor that came outside' });
  });
}
