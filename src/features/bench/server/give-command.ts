import { and, eq } from 'drizzle-orm';
import type { Command, CommandOrigin } from '@/core/run/command';
import type { EventDraft } from '@/core/record/event';
import { handle } from '@/core/run/handle';
import { readingsOf } from '@/core/run/handle-readings';
import { refused } from '@/core/words/refused';
import { openStimulus } from '@/core/record/state';
import { isRefusal, refuse, type Refusal } from '@/core/words/refusal';
import { runCommand, ticket } from '@/data/schema';
import { heldByOther, keepTrace } from '@/features/lines/server';
import { photosKept } from '@/features/paper/server';
import { referenceSnapshot } from '@/features/shelf/server';
import { dateIn } from '@/platform/clock';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { keepStatus } from './keep-status';
import { lineOfRun, refuseUnshown } from './live-evidence';
import { append, keepLoaded, loadForCommand, lockRun, type LoadedRun, type Reply } from './run-store';
import '@/core/words/en/refusals-acts';

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
  {
    run,
    commandId,
    command,
    origin,
    screen,
    ageMs,
  }: { run: string; commandId: string; command: Command; origin?: CommandOrigin; screen?: string; ageMs?: number },
): Promise<Given | Refusal> {
  const { tx, actor, now } = context;
  await lockRun(tx, run);
  const loaded = await loadForCommand(tx, run);
  if (!loaded) return refuse('noRun', 'This run does not exist.');
  const [before] = await tx
    .select()
    .from(runCommand)
    .where(and(eq(runCommand.runId, run), eq(runCommand.command, commandId)));
  if (before) {
    keepLoaded(loaded);
    return { reply: before.reply as Reply, loaded, repeated: true };
  }
  const settings = await readSettings(tx);
  const pressed = pressedAt(now, ageMs, loaded);
  const captured = readingsOf(command).filter((one) => one.capture);
  const live = captured.length > 0;
  if (live) {
    const other = screen ? await heldByOther(context, run, screen) : null;
    if (other)
      return refuse('watching', `${other} captures this instrument on another screen. Take over there, or type what it shows.`);
    for (const one of captured) {
      const unshown = await refuseUnshown(context, loaded, one, pressed);
      if (unshown) return unshown;
    }
  }
  const asked =
    command.type === 'correct' && command.reference
      ? [command.reference]
      : command.type === 'bindReference'
        ? [command.reference, ...(command.regulator ? [command.regulator] : [])]
        : command.type === 'care'
          ? (command.materials ?? [])
          : command.type === 'completeStep'
            ? [...new Set(Object.values(command.equipment ?? {}))]
            : [];
  const references = (await Promise.all(asked.map((id) => referenceSnapshot(tx, id)))).filter((one) => one !== null);
  if (command.type === 'takePaper') {
    const kept = await photosKept(tx, run, command.photos);
    if (command.photos.some((hash) => !kept.has(hash))) return refused('noPhoto', {}, 'photos');
  }
  // Work that was done on paper is judged by its day: what had not expired then was sound.
  const dayOf = (instant: string | Date) => loaded.state.paper?.day ?? dateIn(settings.zone, new Date(instant));
  const drafts = handle({
    procedure: loaded.procedure,
    state: loaded.state,
    command,
    context: {
      now: now.toISOString(),
      today: dayOf(pressed),
      dayOf,
      actor,
      references: Object.fromEntries(references.map((one) => [one.id, one])),
      allowSamePerson: settings.samePersonApproves,
      origin: {
        ...(pressed < now ? { occurredAt: pressed.toISOString() } : {}),
        ...(live ? { source: 'live' as const } : {}),
        ...origin,
      },
    },
  });
  if (isRefusal(drafts)) {
    keepLoaded(loaded);
    return drafts;
  }
  const reply = await append(context, loaded, commandId, await withTraces(context, loaded, drafts));
  // What ended badly is out of use from now on, not only once its document is issued.
  if (command.type === 'finish') await keepStatus(context, loaded);
  await moveTicket(context, loaded, command.type);
  keepLoaded(loaded);
  return { reply, loaded, repeated: false };
}

/** Under this a press is on its way for a moment: it counts as made now. */
const AT_ONCE_MS = 2000;

/** When a press was made: so long before it arrived, never before the run's last event. */
function pressedAt(now: Date, ageMs: number | undefined, { events }: LoadedRun): Date {
  if (!ageMs || ageMs < AT_ONCE_MS) return now;
  const last = Date.parse(events.at(-1)?.occurredAt ?? '') || 0;
  return new Date(Math.min(now.getTime(), Math.max(now.getTime() - ageMs, last)));
}

/** What the line said during a reading, an adjustment or a bump is kept with the step: from gas on, or from when the step was entered. */
async function withTraces(context: UseCaseContext, loaded: LoadedRun, drafts: EventDraft[]): Promise<EventDraft[]> {
  const done = drafts.find((one) => one.type === 'stepDone' && one.step !== undefined);
  if (!done || !drafts.some((one) => ['readingCaptured', 'adjusted', 'bumped'].includes(one.type))) return drafts;
  const line = await lineOfRun(context, loaded);
  if (!line) return drafts;
  const entered = loaded.state.steps[done.step!]?.enteredAt;
  const since = openStimulus(loaded.state)?.onAt ?? entered;
  if (!since) return drafts;
  const trace = await keepTrace(context.tx, {
    run: loaded.row.id,
    step: done.step!,
    line: line.id,
    from: new Date(Date.parse(since) - 3000),
    to: new Date(Date.parse(done.occurredAt)),
  });
  return trace ? drafts.map((one) => (one === done ? ({ ...one, data: { ...one.data, trace } } as EventDraft) : one)) : drafts;
}

/** The ticket follows its run: finished goes to the out-tray, sent back returns to the in-tray, given up leaves the run behind. */
async function moveTicket({ tx, now }: UseCaseContext, { row, state }: LoadedRun, type: Command['type']): Promise<void> {
  if (!row.ticketId) return;
  const where = eq(ticket.id, row.ticketId);
  // A failed bump that is to be calibrated: the same ticket goes on with its calibration, on its place.
  if (type === 'finish' && state.decisions.some((one) => one.consequence === 'calibrate') && !state.ending) {
    await tx.update(ticket).set({ runId: null, service: 'calibrate', placedAt: now }).where(where);
    return;
  }
  const [known] = await tx.select({ returnedAt: ticket.returnedAt }).from(ticket).where(where);
  if (type === 'reopen' && !known?.returnedAt) await tx.update(ticket).set({ status: 'inTray' }).where(where);
  if (type === 'finish') await tx.update(ticket).set({ status: 'toApprove', place: null }).where(where);
  if (type === 'sendBack') await tx.update(ticket).set({ status: 'inTray' }).where(where);
  if (type === 'abort') await tx.update(ticket).set({ status: 'inTray', place: null, placedAt: null, runId: null }).where(where);
  // One that was handed out before its document was reopened is not in the house.
  if (type === 'approve')
    await tx
      .update(ticket)
      .set({ status: known?.returnedAt ? 'returned' : 'toReturn', place: null })
      .where(where);
}
