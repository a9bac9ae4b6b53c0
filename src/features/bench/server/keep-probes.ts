import type { Procedure } from '@/core/procedure/procedure';
import { probeResults } from '@/core/probe/probe-result';
import type { RunState } from '@/core/record/state';
import { summarise } from '@/core/results/summary';
import type { Transaction } from '@/data/connection';
import { probeCalibration, type run } from '@/data/schema';

/** What a finished run says of each probe, one row each: the electrode sheet and the forecast read these rows and replay nothing. */
export async function keepProbes(
  tx: Transaction,
  row: typeof run.$inferSelect,
  state: RunState,
  procedure: Procedure,
): Promise<void> {
  if (state.status !== 'finished' && state.status !== 'approved') return;
  const results = probeResults({ procedure, state }).filter((one) => one.kind !== 'temperature' && one.points.length > 0);
  const summary = results.length ? summarise(procedure, state) : null;
  for (const { channel, segments, points, care, ...rest } of results) {
    const states = summary!.lines
      .filter((one) => one.channel === channel && one.asked.left)
      .map((one) => (!one.left || one.left.verdict === 'notJudged' ? 'notMeasured' : one.left.verdict));
    const values = {
      ...rest,
      segments,
      points,
      care,
      at: new Date(state.finishedAt ?? state.startedAt!),
      asLeft:
        (['outside', 'notMeasured', 'cannotTell'] as const).find((one) => states.includes(one)) ??
        (states.length ? ('within' as const) : ('notMeasured' as const)),
    };
    await tx
      .insert(probeCalibration)
      .values({ runId: row.id, channel, assetId: row.assetId, ...values })
      .onConflictDoUpdate({ target: [probeCalibration.runId, probeCalibration.channel], set: values });
  }
}
