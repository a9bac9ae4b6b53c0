import { and, eq } from 'drizzle-orm';
import type { Command, CommandOrigin } from '@/core/run/command';
import { handle } from '@/core/run/handle';
import { isRefusal, refuse, type Refusal } from '@/core/run/refusal';
import { runCommand, ticket } from '@/data/schema';
import { referenceSnapshot } from '@/features/shelf/server';
import { dateIn } from '@/platform/clock';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { append, loadRun, lockRun, type LoadedRun, type Reply } from './run-store';

export interface Given {
  reply: Reply;
  loaded: LoadedRun;
  repeated: boolean;
}

/**
 * Gives one command to a run: locks it, answers a retry as the first time, asks `handle`, appends.
 * A refusal writes nothing and is returned as a value, since a person can put it right.
 */
export async function giveCommand(
  context: UseCaseContext,
  { run, commandId, command, origin }: { run: string; commandId: string; command: Command; origin?: CommandOrigin },
): Promise<Given | Refusal> {
  const { tx, actor, now } = context;
  await lockRun(tx, run);
  const loaded = await loadRun(tx, run);
  if (!loaded) return refuse('noRun', 'This run does not exist.');
  const [before] = await tx
    .select()
    .from(runCommand)
    .where(and(eq(runCommand.runId, run), eq(runCommand.command, commandId)));
  if (before) return { reply: before.reply as Reply, loaded, repeated: true };
  const settings = await readSettings(tx);
  const reference = command.type === 'bindReference' ? await referenceSnapshot(tx, command.reference) : null;
  const drafts = handle({
    procedure: loaded.procedure,
    state: loaded.state,
    command,
    context: {
      now: now.toISOString(),
      today: dateIn(settings.zone, now),
      actor,
      references: reference ? { [reference.id]: reference } : {},
      allowSamePerson: settings.samePersonApproves,
      ...(origin ? { origin } : {}),
    },
  });
  if (isRefusal(drafts)) return drafts;
  const reply = await append(context, loaded, commandId, drafts);
  await moveTicket(context, loaded, command.type);
  return { reply, loaded, repeated: false };
}

/** The ticket follows its run: finished goes to the out-tray, sent back returns to the in-tray, given up leaves the run behind. */
async function moveTicket({ tx }: UseCaseContext, { row }: LoadedRun, type: Command['type']): Promise<void> {
  if (!row.ticketId) return;
  const where = eq(ticket.id, row.ticketId);
  if (type === 'finish') await tx.update(ticket).set({ status: 'toApprove', place: null }).where(where);
  if (type === 'sendBack') await tx.update(ticket).set({ status: 'inTray' }).where(where);
  if (type === 'abort') await tx.update(ticket).set({ status: 'inTray', place: null, placedAt: null, runId: null }).where(where);
  if (type === 'approve') await tx.update(ticket).set({ status: 'toReturn', place: null }).where(where);
}
