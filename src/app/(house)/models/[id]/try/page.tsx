import { notFound } from 'next/navigation';
import { PracticeSheet } from '@/features/practice';
import { keysOfModel } from '@/features/bench/server';
import { modelPage } from '@/features/models/server';
import { draftOf, procedureById } from '@/features/procedures/server';
import { dateIn } from '@/platform/clock';
import { may } from '@/platform/permission';
import { page } from '@/platform/page';
import { readSettings } from '@/platform/settings';

export const metadata = { title: 'Practice' };
export default page({ permission: 'signedIn', name: '/models/[id]/try' }, async ({ tx, actor, now, params, search }) => {
  const found = await modelPage(tx, params.id!);
  // A draft is tried before it is released, on a model whose procedure it may become.
  const procedure = search.draft ? await draftOf(tx, search.draft) : await procedureById(tx, found?.model.procedureId ?? null);
  if (!found || !procedure) notFound();
  const { id, maker, name, traits, channels } = found.model;
  const { zone, currency } = await readSettings(tx);
  const atBench = may(actor.role, 'bench');
  return (
    <PracticeSheet
      model={{ id, maker, name, traits, channels }}
      procedure={procedure}
      keys={await keysOfModel(tx, { modelId: id, procedureId: procedure.id, atBench })}
      mayWriteKeys={atBench}
      me={{ id: actor.id, name: actor.name }}
      today={dateIn(zone, now)}
      currency={currency}
      zone={zone}
    />
  );
});
