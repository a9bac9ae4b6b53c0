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
  for (const one of probeRows(row, state, procedure)) {
    const { runId, channel, assetId, ...values } = one;
    await tx
      .insert(probeCalibration)
      .values({ runId, channel, assetId, ...values })
      .onConflictDoUpdate({ target: [probeCalibration.runId, probeCalibration.channel], set: values });
  }
}

/** The same, worked out from the run alone. */
export function probeRows(
  row: Pick<typeof run.$inferSelect, 'id' | 'assetId'>,
  state: RunState,
  procedure: Procedure,
): (typeof probeCalibration.$inferInsert)[] {
  if (state.status !== 'finished' && state.status !== 'approved') return [];
  const results = probeResults({ procedure, state }).filter((one) => one.kind !== 'temperature' && one.points.length > 0);
  const summary = results.length ? summarise(procedure, state) : null;
  return results.map(({ channel, segments, points, care, ...rest }) => {
    const states = summary!.lines
      .filter((one) => one.channel === channel && one.asked.left)
      .map((one) => (!one.left || one.left.verdict === 'notJudged' ? 'notMeasured' : one.left.verdict));
    return {
      runId: row.id,
      channel,
      assetId: row.assetId,
      ...rest,
      segments,
      points,
      care,
      at: new Date(state.finishedAt ?? state.startedAt!),
      asLeft:
        (['outside', 'notMeasured', 'cannotTell'] as const).find((one) => states.includes(one)) ??
        (states.length ? ('within' as const) : ('notMeasured' as const)),
    };
  });
}
