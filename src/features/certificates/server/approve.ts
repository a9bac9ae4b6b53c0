import { randomBytes, randomUUID } from 'node:crypto';
import { addDays, format, parseISO } from 'date-fns';
import { eq } from 'drizzle-orm';
import { certificateContent, type CertificateContent } from '@/core/certificate/content';
import { contentHash } from '@/core/certificate/canonical';
import { probeResults } from '@/core/probe/probe-result';
import { probeWords } from '@/core/probe/probe-words';
import { isRefusal } from '@/core/run/refusal';
import { summarise } from '@/core/run/summary';
import { asset, assetChannel, certificate, customer, instrumentModel, receipt, ticket, type Inspection } from '@/data/schema';
import { giveCommand, type LoadedRun } from '@/features/bench/server';
import { dueAfter, keepDue } from '@/features/due/server';
import { dateIn } from '@/platform/clock';
import { nextNumber } from '@/platform/next-number';
import { Problem } from '@/platform/problem';
import { readSettings, type WorkshopSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { releaseNotice } from './notice';
import { signHash } from './sign';

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
  { runId, note, notice }: { runId: string; note?: string | undefined; notice?: string | undefined },
): Promise<Issued> {
  const { tx } = context;
  const given = await giveCommand(context, {
    run: runId,
    commandId: `approve-${runId}`,
    command: { type: 'approve', ...(note ? { note } : {}) },
  });
  if (isRefusal(given)) {
    const [issued] = given.code === 'wrongStatus' ? await tx.select().from(certificate).where(eq(certificate.runId, runId)) : [];
    if (issued) return { id: issued.id, number: issued.number, repeated: true };
    throw Problem.fromRefusal(given);
  }
  const [existing] = await tx.select().from(certificate).where(eq(certificate.runId, runId));
  if (existing) return { id: existing.id, number: existing.number, repeated: true };
  if (given.loaded.state.started?.practice && process.env.WERKBANK_ALLOW_PRACTICE !== '1')
    throw new Problem('This run was made with time speeded up: it is practice and can’t become a certificate.', {}, 409);
  const issued = await issue(context, given.loaded);
  // An as-found out of tolerance is told to the customer, in the words that the signatory let stand.
  if (notice) await releaseNotice(context, given.loaded, notice);
  return issued;
}

async function issue(context: UseCaseContext, loaded: LoadedRun): Promise<Issued> {
  const { tx, actor, now } = context;
  const { state, procedure, row } = loaded;
  const settings = await readSettings(tx);
  const facts = await factsFor(context, loaded);
  const calibrated = dateIn(settings.zone, new Date(state.finishedAt!));
  const summary = summarise(procedure, state);
  const due = await dueAfter(context, { assetId: row.assetId, from: calibrated, inTolerance: summary.asLeft === 'within' });
  const outOfService =
    Object.values(state.retired).some((entry) => entry.consequence === 'outOfService') ||
    state.decisions.some((entry) => entry.question === 'afterBump' && entry.option === 'out');
  const source = {
    procedure,
    state,
    laboratory: laboratoryOf(settings),
    customer: facts.customer,
    item: facts.item,
    received: facts.received ?? calibrated,
    issued: dateIn(settings.zone, now),
    calibrated,
    due: due && facts.dueAgreed ? { date: due.date, reason: due.basis.reason } : null,
    suppliedByCustomer: facts.supplied,
    authorisedBy: actor,
    lastHash: loaded.lastHash,
  };
  const year = Number(source.issued.slice(0, 4));
  const serial = await nextNumber(tx, 'certificate', year);
  const number = `C-${year}-${String(serial).padStart(5, '0')}`;
  const content: CertificateContent = certificateContent({ ...source, number });
  const id = await insertCertificate(context, {
    content,
    year,
    serial,
    runId: row.id,
    ticketId: row.ticketId,
    assetId: row.assetId,
    customerId: row.customerId,
    replaces: null,
  });
  await keepDue(context, { assetId: row.assetId, due: due && { ...due, basis: { ...due.basis, certificate: number } } });
  await tx
    .update(asset)
    .set({
      status: outOfService ? 'outOfService' : 'active',
      ...(await readyFor(context, row.assetId, calibrated, summary.asLeft === 'within' && !wornOut(loaded), due?.date ?? null)),
      // A calibration in tolerance renews the ready mark as a bump does.
      ...(summary.asLeft === 'within' && procedure.scope === 'calibration'
        ? { bumpedAt: new Date(state.finishedAt!), bumpPassed: true }
        : {}),
    })
    .where(eq(asset.id, row.assetId));
  await keepSensors(context, loaded, calibrated);
  return { id, number, repeated: false };
}

/** In tolerance, and yet past its limits: an electrode that barely took its calibration is not put into a meter. */
const wornOut = ({ procedure, state }: LoadedRun) =>
  probeResults({ procedure, state }).some((result) => probeWords({ result, history: [] }).condition === 'fail');

/** A probe that was calibrated off-line stands ready for so many days, never beyond its due date; one that is not in tolerance is not ready. */
async function readyFor(
  { tx }: UseCaseContext,
  assetId: string,
  calibrated: string,
  within: boolean,
  due: string | null,
): Promise<{ readyUntil?: string | null }> {
  const [found] = await tx
    .select({ part: asset.part, properties: instrumentModel.properties })
    .from(asset)
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .where(eq(asset.id, assetId));
  if (found?.part !== 'probe') return {};
  const days = Number(found.properties.find((one) => one.startsWith('ready-days-'))?.slice(11) ?? 30);
  const until = format(addDays(parseISO(calibrated), days), 'yyyy-MM-dd');
  return { readyUntil: within ? (due && due < until ? due : until) : null };
}

/** New sensors of this run stand on the instrument's card from now on; the series of the old ones ends. */
async function keepSensors({ tx }: UseCaseContext, { state }: LoadedRun, on: string): Promise<void> {
  for (const part of state.parts)
    await tx.update(assetChannel).set({ sensorSerial: part.newSerial, installedOn: on }).where(eq(assetChannel.id, part.channel));
}

const laboratoryOf = (settings: WorkshopSettings) => ({ name: settings.name, address: settings.address, place: settings.place });

export async function insertCertificate(
  { tx, actor, now }: UseCaseContext,
  made: {
    content: CertificateContent;
    year: number;
    serial: number;
    runId: string;
    ticketId: string | null;
    assetId: string;
    customerId: string;
    replaces: string | null;
  },
): Promise<string> {
  const { content, ...rest } = made;
  const hash = contentHash(content);
  const id = randomUUID();
  await tx.insert(certificate).values({
    id,
    ...rest,
    content,
    hash,
    ...(await signHash(tx, hash, now)),
    number: content.number,
    revision: content.revision,
    kind: content.kind,
    // A random token, never the guessable number, stands on label and PDF.
    token: randomBytes(18).toString('base64url'),
    issuedAt: now,
    issuedBy: actor.name,
  });
  return id;
}

/** What the certificate says that isn't in the run: whose instrument, how it came in, what the customer told us. */
async function factsFor({ tx }: UseCaseContext, { row }: LoadedRun) {
  const [found] = await tx
    .select({ asset, model: instrumentModel.name, customer })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .innerJoin(customer, eq(asset.customerId, customer.id))
    .where(eq(asset.id, row.assetId));
  const [came] = row.ticketId
    ? await tx
        .select({ ticket, receipt })
        .from(ticket)
        .innerJoin(receipt, eq(ticket.receiptId, receipt.id))
        .where(eq(ticket.id, row.ticketId))
    : [];
  const { zone } = await readSettings(tx);
  const { name, address, contact } = found!.customer;
  return {
    customer: { name, address, contact: came?.receipt.contact || contact },
    received: came ? dateIn(zone, came.receipt.receivedAt) : null,
    dueAgreed: came?.ticket.dueAgreed ?? false,
    item: {
      maker: found!.asset.maker,
      model: found!.model,
      serial: found!.asset.serial,
      tag: found!.asset.tag,
      condition: conditionText(came?.ticket.inspection ?? {}),
    },
    supplied: [
      ...(found!.asset.tag ? [`Customer’s tag: ${found!.asset.tag}.`] : []),
      ...(came ? [`Asked for: ${came.ticket.wish}.`] : []),
      ...(came?.ticket.note ? [came.ticket.note] : []),
    ],
  };
}

function conditionText(inspection: Inspection): string[] {
  const faults = Object.entries(inspection)
    .filter(([, entry]) => entry.result === 'fault')
    .map(([item, entry]) => `${item}: ${entry.note ?? 'fault'}`);
  if (faults.length) return faults;
  return Object.keys(inspection).length ? ['Inspected on receipt: no fault found.'] : ['Not inspected on receipt.'];
}

/** Sends a finished run back to the technician with a note. */
export async function sendBack(context: UseCaseContext, { runId, note }: { runId: string; note: string }): Promise<void> {
  const given = await giveCommand(context, {
    run: runId,
    commandId: `send-back-${randomUUID()}`,
    command: { type: 'sendBack', note },
  });
  if (isRefusal(given)) throw Problem.fromRefusal(given);
}
