import { isRefusal } from '@/core/words/refusal';
import type { Actor } from '@/core/record/event';
import { standingReading } from '@/core/record/state';
import type { Transaction } from '@/data/connection';
import { giveCommand, loadRun } from '@/features/bench/server';
import { approveRun, reopenCertificate, reviseCertificate, withdrawCertificate } from '@/features/certificates/server';

/** What became of a document after it was issued: revised, mended by reopening its run, or withdrawn. */
export async function changeLater(
  { tx, actors, at }: { tx: Transaction; actors: { technician: Actor; signatory: Actor }; at: Date },
  fate: 'revised' | 'reopened' | 'withdrawn',
  certificateId: string,
  run: string,
): Promise<void> {
  const office = { tx, actor: actors.signatory, now: at };
  if (fate === 'revised') await reviseCertificate(office, { certificateId, reason: 'Customer’s tag was written wrong' });
  if (fate === 'withdrawn')
    await withdrawCertificate(office, {
      certificateId,
      reason: 'The instrument was dropped on the way out; results no longer hold',
    });
  if (fate !== 'reopened') return;
  await reopenCertificate(office, { certificateId, reason: 'A figure was written down wrong' });
  const loaded = (await loadRun(tx, run))!;
  const channel = loaded.state.channels.find((one) => one.role === 'co')!;
  const wrong = standingReading(loaded.state, { channel: channel.id, phase: 'asFound', point: 'span' })!;
  const give = async (command: Parameters<typeof giveCommand>[1]['command'], id: string, actor: Actor) => {
    const given = await giveCommand({ tx, actor, now: at }, { run, commandId: `${id}-${run}`, command });
    if (isRefusal(given)) throw new Error(given.sentence);
  };
  await give(
    {
      type: 'correct',
      seq: wrong.seq,
      text: String(Number(wrong.reading.text) - 1),
      reason: 'Slip of the keys: the trace shows one less',
    },
    'correct',
    actors.technician,
  );
  await give({ type: 'finish' }, 'finish-again', actors.technician);
  await approveRun({ ...office, now: new Date(at.getTime() + 3_600_000) }, { runId: run });
}
