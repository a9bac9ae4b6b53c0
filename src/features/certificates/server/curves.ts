import { and, eq } from 'drizzle-orm';
import type { TraceText } from '@/core/certificate/version-2';
import { matchChannels } from '@/core/live/match-channels';
import { asset, runTrace } from '@/data/schema';
import type { LoadedRun } from '@/features/bench/server';
import { lineOf, readTrace } from '@/features/lines/server';
import type { UseCaseContext } from '@/platform/use-case';

const MOST_POINTS = 120;

/** Raw traces as curves for the annex, thinned evenly; where the line is no longer known its hash stands alone. */
export async function withCurves(
  { tx }: Pick<UseCaseContext, 'tx'>,
  { row, state }: LoadedRun,
  traces: TraceText[],
): Promise<TraceText[]> {
  const [found] = await tx.select().from(asset).where(eq(asset.id, row.assetId));
  const line = found ? await lineOf(tx, found.maker, found.serial) : null;
  const match = line?.hello ? matchChannels(line.hello.channels, state.channels) : {};
  const made: TraceText[] = [];
  for (const trace of traces) {
    const slot = match[trace.channel];
    const [kept] = await tx
      .select({ id: runTrace.id })
      .from(runTrace)
      .where(and(eq(runTrace.runId, row.id), eq(runTrace.hash, trace.hash)));
    const document = kept && slot && 'slot' in slot ? await readTrace(tx, row.id, kept.id) : null;
    const shown = (document?.frames ?? []).flatMap((frame) => {
      const reading = frame.readings.find((one) => slot && 'slot' in slot && one.slot === slot.slot);
      return reading?.status === 'value' ? [[frame.seconds, reading.text] as const] : [];
    });
    const nth = Math.max(1, Math.ceil(shown.length / MOST_POINTS));
    const first = shown[0]?.[0] ?? 0;
    const curve = shown
      .filter((_one, index) => index % nth === 0)
      .map(([seconds, text]): [string, string] => [(seconds - first).toFixed(1), text]);
    made.push(curve.length > 1 ? { ...trace, curve } : trace);
  }
  return made;
}
