import * as yup from 'yup';
import { parseCommand } from '@/core/run/command-schema';
import type { RunEvent } from '@/core/record/event';
import { isRefusal, refuse, type Refusal } from '@/core/words/refusal';
import type { Transaction } from '@/data/connection';
import { asc, and, eq, gt } from 'drizzle-orm';
import { runEvent } from '@/data/schema';
import type { UseCaseContext } from '@/platform/use-case';
import { say } from '@/core/words/say';
import { isId, parse } from '@/platform/shape';
import { giveCommand } from './give-command';
import { toEvent } from './run-store';

const parcelSchema = yup.object({
  run: yup.string().uuid().required(),
  commandId: yup.string().min(8).max(80).required(),
  after: yup.number().integer().min(0).required(),
  command: yup.object().required(),
  screen: yup.string().max(60).optional(),
  /** Whose press it is, and how long ago it was made by that browser's own clock, ms. */
  by: yup.string().max(80).optional(),
  ageMs: yup
    .number()
    .integer()
    .min(0)
    .max(7 * 86_400_000)
    .optional(),
});

/** A parcel from the browser's outbox: checked, given, and answered with the events that this browser has not seen. */
export async function benchCommand(
  context: UseCaseContext,
  body: unknown,
): Promise<{ ok: true; events: RunEvent[] } | { ok: false; refusal: Refusal }> {
  const parcel = await parse(parcelSchema, body, { stripUnknown: false });
  const command = parseCommand((body as { command: unknown }).command);
  if (command.type === 'approve' || command.type === 'sendBack')
    return { ok: false, refusal: refuse('notHere', 'Approval has its own page.') };
  // A press of one person is never recorded under another.
  if (parcel.by && parcel.by !== context.actor.id)
    return { ok: false, refusal: refuse('notYours', say({ code: 'refused.notYoursNow' })) };
  const given = await giveCommand(context, {
    run: parcel.run,
    commandId: parcel.commandId,
    command,
    ...(parcel.screen ? { screen: parcel.screen } : {}),
    ...(parcel.ageMs ? { ageMs: parcel.ageMs } : {}),
  });
  if (isRefusal(given)) return { ok: false, refusal: given };
  return { ok: true, events: given.loaded.events.filter((event) => event.seq > parcel.after) };
}

/** Events of a run after a number: how a browser catches up. */
export async function eventsAfter(tx: Transaction, run: string, after: number): Promise<RunEvent[]> {
  if (!isId(run) || !Number.isInteger(after)) return [];
  return (
    await tx
      .select()
      .from(runEvent)
      .where(and(eq(runEvent.runId, run), gt(runEvent.seq, after)))
      .orderBy(asc(runEvent.seq))
  ).map(toEvent);
}
