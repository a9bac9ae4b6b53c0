import { notFound } from 'next/navigation';
import { EXERCISE_KINDS } from '@/core/practice/exercise';
import { ExerciseSheet } from '@/features/practice';
import { exerciseFor } from '@/features/practice/server';
import { keysOfModel } from '@/features/bench/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

const ID = /^[0-9a-f-]{36}$/;

export const metadata = { title: 'Practice' };
export default page({ permission: 'bench', name: '/practice/do' }, async ({ tx, actor, now, search }) => {
  const kind = EXERCISE_KINDS.find((one) => one === search.kind);
  const seed = Number(search.seed ?? '');
  const models = (search.model ?? '').split(',').filter((one) => ID.test(one));
  const own = ID.test(search.own ?? '') ? search.own : undefined;
  if (!kind || !Number.isSafeInteger(seed) || seed < 0) notFound();
  const found = await exerciseFor(tx, { kind, seed, models, own });
  if (!found) notFound();
  const { zone, currency } = await readSettings(tx);
  const [modelId] = models;
  return (
    <ExerciseSheet
      exercise={found.exercise}
      asked={{ models, ...(own ? { own } : {}) }}
      keys={modelId ? await keysOfModel(tx, { modelId, procedureId: found.procedure.id, atBench: true }) : {}}
      me={{ id: actor.id, name: actor.name }}
      today={dateIn(zone, now)}
      currency={currency}
      zone={zone}
    />
  );
});
