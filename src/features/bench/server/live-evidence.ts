import { eq } from 'drizzle-orm';
import { matchChannels } from '@/core/live/match-channels';
import type { ReadingTaken } from '@/core/run/command';
import { refuse, type Refusal } from '@/core/words/refusal';
import { asset } from '@/data/schema';
import { lineOf, wasShown, type LineView } from '@/features/lines/server';
import type { UseCaseContext } from '@/platform/use-case';
import type { LoadedRun } from './run-store';

/** A captured value has to have been on the display this short a time ago. */
const SHOWN_WITHIN_MS = 60_000;
/** Two computers' clocks are never quite the same. */
const CLOCKS_MS = 5000;

/** The line of the instrument that a run is about. */
export async function lineOfRun({ tx }: Pick<UseCaseContext, 'tx'>, { row }: LoadedRun): Promise<LineView | null> {
  const [owner] = await tx.select({ maker: asset.maker, serial: asset.serial }).from(asset).where(eq(asset.id, row.assetId));
  return owner ? lineOf(tx, owner.maker, owner.serial) : null;
}

/** A live reading is believed only when the line really said it: a browser can't make one up. */
export async function refuseUnshown(
  context: UseCaseContext,
  loaded: LoadedRun,
  reading: ReadingTaken,
  /** When it was captured: told late, it is still compared with what the line said then. */
  at: Date,
): Promise<Refusal | null> {
  const line = await lineOfRun(context, loaded);
  if (!line || line.id !== reading.capture!.line)
    return refuse('noLine', 'This instrument is not on a line: type what it shows.', { field: 'text' });
  const match = matchChannels(line.hello?.channels ?? [], loaded.state.channels)[reading.channel];
  if (!match || 'problem' in match)
    return refuse('noLine', match && 'problem' in match ? match.problem : 'This channel is not on the line.', { field: 'text' });
  const shown = await wasShown(context.tx, {
    line: line.id,
    slot: match.slot,
    text: reading.text,
    from: new Date(at.getTime() - SHOWN_WITHIN_MS),
    to: new Date(at.getTime() + CLOCKS_MS),
  });
  return shown
    ? null
    : refuse('notShown', `The line did not show ${reading.text} in the last minute. Capture again, or type it.`, {
        field: 'text',
      });
}
