import { summarise } from '@/core/results/summary';
import { say } from '@/core/words/say';
import type { LoadedRun } from '@/features/bench/server';
import { noteStep, openNonconformity, stepsOf } from '@/features/register/server';
import type { UseCaseContext } from '@/platform/use-case';
import { ownedAsset } from './owned-asset';
import '@/core/words/en/register';

/** An instrument that was found outside comes into the register when its document is approved (ISO/IEC 17025:2017, 7.10); that the customer was told by the notice is noted with it. */
export async function registerFoundOutside(
  context: UseCaseContext,
  { row, state, procedure }: LoadedRun,
  told: boolean,
): Promise<void> {
  if (state.started?.practice || summarise(procedure, state).asFound !== 'outside') return;
  const { asset, model } = await ownedAsset(context.tx, row);
  const { id } = await openNonconformity(context, {
    kind: 'foundOutside',
    what: say({ code: 'register.foundWhat', numbers: { item: `${asset.maker} ${model}`, serial: asset.serial } }),
    assetId: row.assetId,
    customerId: row.customerId,
    runId: row.id,
  });
  if (told && !(await stepsOf(context, id)).some((one) => one.step === 'told'))
    await noteStep(context, { id, step: 'told', choice: 'told', text: say({ code: 'register.noticeSent' }) });
}
