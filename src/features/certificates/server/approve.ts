import { randomUUID } from 'node:crypto';
import { addDays, format, parseISO } from 'date-fns';
import { eq } from 'drizzle-orm';
import type { CertificateVersion2 } from '@/core/certificate';
import type { StandingId } from '@/core/uncertainty/standing';
import { probeResults } from '@/core/probe/probe-result';
import { electrodeLimits } from '@/core/ph/electrode-limits';
import { probeWords } from '@/core/probe/probe-words';
import { results } from '@/core/results/results';
import { outcomeOf } from '@/core/results/outcome';
import { summarise } from '@/core/results/summary';
import { isRefusal } from '@/core/words/refusal';
import { say } from '@/core/words/say';
import { asset, assetChannel, instrumentModel } from '@/data/schema';
import { giveCommand, keepStatus, loadRun, type LoadedRun } from '@/features/bench/server';
import { unconfirmedIn } from '@/features/budgets/server';
import { dueAfter, keepDue } from '@/features/due/server';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { watchNeeded } from '@/platform/works-watched';
import { contentOf, factsFor } from './facts';
import { insertDocument, takeNumber, type DocumentPlace } from './insert-document';
import { releaseNotice, tellRevision } from './notice';
import { registerFoundOutside } from './register-found-outside';
import { tellIssued } from './tell-issued';
import { insertRevision, newestOf } from './revise';
import { workedOn } from './worked-on';
import type { Annexes } from './annexes';
import '@/core/words/en/budget';
import '@/core/words/en/competence';
import '@/core/words/en/refusals-acts';

export interface Issued {
  id: string;
  number: string;
  repeated: boolean;
}

/**
 * Approves a finished run and issues its certificate: the run is locked, everything prepared, the number taken last, then hashed, signed, inserted.
 * A second approval of the same run, by double click or retry, answers with the certificate that is there.
 */
export async function approveRun(
  context: UseCaseContext,
  {
    runId,
    note,
    notice,
    annexes = {},
  }: { runId: string; note?: string | undefined; notice?: string | undefined; annexes?: Annexes | undefined },
): Promise<Issued> {
  need(context.actor, 'approve');
  const { tx } = context;
  const before = await loadRun(tx, runId);
  const given = await giveCommand(context, {
    run: runId,
    commandId: `approve-${runId}${before?.state.reopened.length ? `-${before.state.reopened.length}` : ''}`,
    command: { type: 'approve', ...(note ? { note } : {}) },
  });
  if (isRefusal(given)) {
    const issued = given.code === 'wrongStatus' ? await newestOf(tx, runId) : null;
    if (issued) return { id: issued.id, number: issued.number, repeated: true };
    throw Problem.fromRefusal(given);
  }
  const existing = given.repeated ? await newestOf(tx, runId) : null;
  if (existing) return { id: existing.id, number: existing.number, repeated: true };
  if (given.loaded.state.started?.practice && process.env.WERKBANK_ALLOW_PRACTICE !== '1')
    throw new Problem('This run was made with time speeded up: it is practice and can’t become a certificate.', {}, 409);
  await refuseUnconfirmed(context, given.loaded);
  await refuseUnwatched(context, runId);
  const issued = await issue(context, given.loaded, annexes);
  // An as-found out of tolerance is told to the customer, in the words that the signatory let stand.
  if (notice) await releaseNotice(context, given.loaded, notice);
  await registerFoundOutside(context, given.loaded, Boolean(notice));
  return issued;
}

/** What only rests on memory feeds no certificate before a signatory gave it a source. */
async function refuseUnconfirmed({ tx }: UseCaseContext, { procedure, state }: LoadedRun): Promise<void> {
  const open = await unconfirmedIn(tx, results({ procedure, state }));
  if (open.length === 0) return;
  const values = open.map((one) => `${one.measurand}: ${say({ code: `standing.${one.standing as StandingId}` })} ${one.value}`);
  throw new Problem(say({ code: 'refused.unconfirmed', numbers: { values: values.join('; ') } }), {}, 409);
}

/** Work of somebody who isn't authorised for it is approved only where somebody who is has watched it. */
async function refuseUnwatched({ tx }: UseCaseContext, run: string): Promise<void> {
  const watch = await watchNeeded(tx, { run });
  if (!watch || watch.watched) return;
  const names = watch.watchers.map((one) => one.name).join(', ') || '–';
  throw new Problem(say({ code: 'competence.refused', numbers: { name: watch.person.name, names } }), {}, 409);
}

async function issue(context: UseCaseContext, loaded: LoadedRun, annexes: Annexes): Promise<Issued> {
  const { tx } = context;
  const { state, procedure, row } = loaded;
  const settings = await readSettings(tx);
  const calibrated = workedOn(state, settings.zone);
  const summary = summarise(procedure, state);
  const outcome = outcomeOf(procedure, state, summary);
  // What did not end well moves no due date, whatever its readings say.
  const within = summary.asLeft === 'within' && (outcome === 'passed' || outcome === 'limited');
  const due = await dueAfter(context, { assetId: row.assetId, from: calibrated, inTolerance: within });
  const { dueAgreed } = await factsFor(context, loaded);
  const stated = due && dueAgreed && within ? { date: due.date, reason: due.basis.reason } : null;
  const issued = await issueFor(context, loaded, stated, annexes);
  await keepDue(context, { assetId: row.assetId, due: due && { ...due, basis: { ...due.basis, certificate: issued.number } } });
  await keepInstrument(context, loaded, { calibrated, within, due: due?.date ?? null });
  await tellIssued(context, issued.id);
  return issued;
}

/** A new number for a run's first document; a revision that names what changed where it was reopened. */
async function issueFor(
  context: UseCaseContext,
  loaded: LoadedRun,
  due: CertificateVersion2['due'],
  annexes: Annexes,
): Promise<Issued> {
  const { tx } = context;
  const { row, state } = loaded;
  const earlier = await newestOf(tx, row.id);
  const reopened = state.reopened.at(-1);
  if (earlier && reopened) {
    const { id } = await insertRevision(context, loaded, earlier, { reason: reopened.reason, due, annexes });
    await tellRevision(context, loaded, { number: earlier.number, reason: reopened.reason });
    return { id, number: earlier.number, repeated: false };
  }
  // What went back uncalibrated has a number series of its own.
  const series: DocumentPlace['series'] = outcomeOf(loaded.procedure, state) === 'returned' ? 'N' : 'C';
  const { year, serial, number } = await takeNumber(context, series);
  const place = {
    series,
    year,
    serial,
    runId: row.id,
    ticketId: row.ticketId,
    assetId: row.assetId,
    customerId: row.customerId,
  };
  const { id } = await insertDocument(context, place, (previous) =>
    contentOf(context, loaded, { number, previous, due, annexes }),
  );
  return { id, number, repeated: false };
}

/** What the document makes of the instrument's card: out of use or not, ready or not, its new sensors. Its bump mark follows its last bump alone. */
async function keepInstrument(
  context: UseCaseContext,
  loaded: LoadedRun,
  { calibrated, within, due }: { calibrated: string; within: boolean; due: string | null },
): Promise<void> {
  const { row } = loaded;
  const ready = await readyFor(context, row.assetId, calibrated, within && !wornOut(loaded), due);
  if (Object.keys(ready).length) await context.tx.update(asset).set(ready).where(eq(asset.id, row.assetId));
  await keepStatus(context, loaded);
  await keepSensors(context, loaded, calibrated);
}

/** In tolerance, and yet past its limits: an electrode that barely took its calibration is not put into a meter. */
const wornOut = ({ procedure, state }: LoadedRun) =>
  probeResults({ procedure, state }).some(
    (result) => probeWords({ result, history: [], limits: electrodeLimits(state.started?.schools) }).condition === 'fail',
  );

/** A probe that was calibrated off-line stands ready for so many days, never beyond its due date; one that is not in tolerance is not ready. */
async function readyFor(
  { tx }: UseCaseContext,
  assetId: string,
  calibrated: string,
  within: boolean,
  due: string | null,
): Promise<{ readyUntil?: string | null }> {
  const [found] = await tx
    .select({ part: asset.part, traits: instrumentModel.traits })
    .from(asset)
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .where(eq(asset.id, assetId));
  if (found?.part !== 'probe') return {};
  const until = format(addDays(parseISO(calibrated), found.traits.readyDays ?? 30), 'yyyy-MM-dd');
  return { readyUntil: within ? (due && due < until ? due : until) : null };
}

/** New sensors of this run stand on the instrument's card from now on; the series of the old ones ends. */
async function keepSensors({ tx }: UseCaseContext, { state }: LoadedRun, on: string): Promise<void> {
  for (const part of state.parts)
    await tx.update(assetChannel).set({ sensorSerial: part.newSerial, installedOn: on }).where(eq(assetChannel.id, part.channel));
}

/** Sends a finished run back to the technician with a note. */
export async function sendBack(context: UseCaseContext, { runId, note }: { runId: string; note: string }): Promise<void> {
  need(context.actor, 'approve');
  const given = await giveCommand(context, {
    run: runId,
    commandId: `send-back-${randomUUID()}`,
    command: { type: 'sendBack', note },
  });
  if (isRefusal(given)) throw Problem.fromRefusal(given);
}
