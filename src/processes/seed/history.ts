import type { ServiceId } from '@/core/instrument/service';
import { addDays, addMonths, format, parseISO, subDays } from 'date-fns';
import { eq } from 'drizzle-orm';
import type { Actor, RunChannel, StartedData } from '@/core/record/event';
import type { Procedure } from '@/core/procedure/procedure';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import { ScriptedRun } from '@/core/run/scripted';
import type { Transaction } from '@/data/connection';
import { reference, ticket } from '@/data/schema';
import { placeTicket, recordRun } from '@/features/bench/server';
import { approveRun } from '@/features/certificates/server';
import { inspectionFor, receive, returnTicket } from '@/features/counter/server';
import { MODELS } from './catalogue';
import { type Pilot, fly, type Behaviour } from './pilot';
import { METER_MODELS } from '@/standins/meter/meter-models';
import { changeLater } from './later';
import type { Random } from './random';
import { toolFor } from './tool-for';
import { keepSheet, takenOnPaper } from './paper-visit';
import { liquidChooser, meterOf } from './water-history';
import { flyWater } from './water-pilot';

export interface SeedAsset {
  id: string;
  customerId: string;
  model: string;
  every: { days: number } | { months: number };
  agreesDue: boolean;
  character: 'steady' | 'drifting' | 'poisoned' | 'cracked';
  index: number;
}
export interface Visit {
  asset: SeedAsset;
  at: Date;
  number: number;
  upTo: 'returned' | 'toReturn' | 'toApprove' | string;
  service?: ServiceId;
  /** What became of its document later. */
  fate?: 'revised' | 'reopened' | 'withdrawn';
  /** Worked on paper, the power being out, and entered afterwards. */
  paper?: true;
  /** Its horn was silent at the bump. */
  silent?: boolean;
  /** Its combustible sensor was dead: tagged out of service, the document is of limited scope. */
  failed?: boolean;
  /** What went badly on the bench, and what was decided. */
  unlucky?: Pick<Pilot, 'bad' | 'decide' | 'zerosFail'>;
}
export interface Actors {
  counter: Actor;
  technician: Actor;
  signatory: Actor;
}

/** When an instrument came in over the last two years. The last visit leaves some of the fleet overdue, some due soon. */
export function visitsOf(asset: SeedAsset, now: Date, random: Random): Visit[] {
  const step = (date: Date) => ('days' in asset.every ? addDays(date, asset.every.days) : addMonths(date, asset.every.months));
  const visits: Visit[] = [];
  let at = subDays(now, 730 - random.whole(0, 'days' in asset.every ? asset.every.days : asset.every.months * 30));
  while (at < subDays(now, 2)) {
    visits.push({ asset, at: workingHour(at, random), number: visits.length, upTo: 'returned' });
    // Most come within a week or two of their date; a few are late.
    at = addDays(step(at), random.next() < 0.12 ? random.whole(18, 45) : random.whole(-9, 8));
  }
  return visits;
}

function workingHour(date: Date, random: Random): Date {
  const morning = new Date(date);
  morning.setUTCHours(7 + random.whole(0, 6), random.whole(0, 59), random.whole(0, 59), 0);
  const day = morning.getUTCDay();
  return day === 0 ? addDays(morning, 1) : day === 6 ? subDays(morning, 1) : morning;
}

/** One visit from the counter to the certificate, through the use cases that the screens call. */
export async function liveThrough(tx: Transaction, visit: Visit, actors: Actors, random: Random, place: number): Promise<void> {
  const { asset, at } = visit;
  const received = await receive(
    { tx, actor: actors.counter, now: at },
    {
      customerId: asset.customerId,
      contact: '',
      note: '',
      instruments: [
        {
          assetId: asset.id,
          service: visit.service ?? 'calibrate',
          rule: random.next() < 0.12 ? 'guarded' : 'simple',
          promiseOn: addDays(at, random.whole(2, 6)).toISOString().slice(0, 10),
          dueAgreed: asset.agreesDue,
          note: '',
          inspection: inspection(
            random,
            MODELS.find((model) => model.name === asset.model)!.channels.map((channel) => channel.measurand),
          ),
        },
      ],
    },
  );
  const ticketId = received.tickets[0]!.id;
  if (visit.upTo === 'inTray') return;
  const placed = new Date(at.getTime() + 20 * 60_000);
  await placeTicket({ tx, actor: actors.technician, now: placed }, { ticketId, place });
  if (visit.upTo === 'onBench') return;
  let end = placed;
  const stopAt = ['returned', 'toReturn', 'toApprove'].includes(visit.upTo) ? undefined : visit.upTo;
  const references = await shelfOn(tx, at);
  const { run } = await recordRun({ tx, actor: actors.technician, now: placed }, ticketId, (id, procedure, started) => {
    const scripted = new ScriptedRun(procedure, { run: id, actor: actors.technician, start: placed, references });
    scripted.start(started);
    if (visit.paper) takenOnPaper(scripted, actors.technician);
    if (METER_MODELS[asset.model]) {
      flyWater({
        run: scripted,
        ...meterOf(visit, random),
        choose: liquidChooser(procedure, references),
        stepSeconds: 2,
        ...(stopAt ? { stopAt } : {}),
      });
      end = scripted.now;
      return scripted.events;
    }
    fly({
      run: scripted,
      random,
      behaviour: behave(visit, started, random),
      choose: chooser(procedure, references),
      ...secondBottle(procedure, references, random),
      ...(visit.silent ? { silent: true } : {}),
      ...(visit.failed ? { decide: 'outOfService' } : {}),
      // Hydrogen sulphide sensors are the first to go: one in four is changed at the third visit.
      ...(visit.number === 2 && asset.index % 4 === 1 ? { fits: 'h2s' } : {}),
      ...visit.unlucky,
      ...(stopAt ? { stopAt } : {}),
    });
    end = scripted.now;
    return scripted.events;
  });
  if (visit.paper) await keepSheet(tx, { run, by: actors.technician.name, at: end });
  if (stopAt) return;
  // `finish` was among the recorded events; the ticket follows as it does when a person gives it.
  await tx.update(ticket).set({ status: 'toApprove', place: null }).where(eq(ticket.id, ticketId));
  if (visit.upTo === 'toApprove') return;
  const approved = new Date(end.getTime() + random.whole(20, 200) * 60_000);
  const issued = await approveRun({ tx, actor: actors.signatory, now: approved }, { runId: run });
  if (visit.fate) await changeLater({ tx, actors, at: addDays(approved, 1) }, visit.fate, issued.id, run);
  if (visit.upTo === 'returned') await returnTicket({ tx, actor: actors.counter, now: addDays(end, 1) }, { ticketId });
}

function inspection(random: Random, measurands: string[]) {
  return Object.fromEntries(
    inspectionFor(measurands).map((item) => [
      item.id,
      item.id === 'filters' && random.next() < 0.06
        ? { result: 'fault' as const, note: 'filter soiled, replaced' }
        : { result: 'pass' as const, note: '' },
    ]),
  );
}

/** The last lot of each gas came so long ago. */
const FADED_FOR_MS = 121 * 864e5;

/** Sensors lose a little every month; a poisoned one ends up moving to a tenth of the gas. */
function behave({ asset, number, at, failed }: Visit, started: StartedData, random: Random): Behaviour {
  const perMonth = asset.character === 'drifting' ? 0.017 : 0.006;
  const months = ('days' in asset.every ? asset.every.days / 30 : asset.every.months) * (number === 0 ? 1.3 : 1);
  // The last hydrogen lot holds less than its certificate says: each instrument seems to read low, and the night names the lot.
  const low = (channel: RunChannel) => (channel.calibrationGas === 'H2' && Date.now() - at.getTime() < FADED_FOR_MS ? -0.11 : 0);
  const error = (channel: RunChannel) =>
    low(channel) +
    (channel.unit === '%vol' ? -0.0012 : -perMonth) * months * (0.6 + 0.8 * random.next()) * (channel.role === 'h2s' ? 1.5 : 1);
  const poisoned = failed || (asset.character === 'poisoned' && Date.now() - at.getTime() < 120 * 864e5);
  return {
    foundError: Object.fromEntries(started.channels.map((channel) => [channel.id, error(channel)])),
    dead: poisoned ? started.channels.filter((channel) => channel.role === 'ex').map((channel) => channel.id) : [],
    readAtZero: 0.5,
  };
}

async function shelfOn(tx: Transaction, day: Date): Promise<ReferenceSnapshot[]> {
  const rows = await tx.select().from(reference);
  const date = day.toISOString().slice(0, 10);
  return rows
    .filter(
      (row) =>
        row.createdAt <= day &&
        (row.accepted !== null || !row.certificate) &&
        (row.expires ?? '9999') >= date &&
        !row.recalled &&
        row.state === 'good' &&
        goodUntil(row) >= date &&
        Number(row.pressureBar ?? 99) > 30,
    )
    .sort((a, b) => b.createdAt.getTime() - a.createdAt.getTime())
    .map((row) => ({
      id: row.id,
      kind: row.kind,
      name: row.name,
      lot: row.lot,
      components: row.components,
      ...(row.certificate ? { certificate: row.certificate } : {}),
      ...(row.traceability ? { traceability: row.traceability } : {}),
      ...(row.expires ? { expires: row.expires } : {}),
      ...(row.balance ? { balance: row.balance } : {}),
      ...(row.issuer ? { issuer: row.issuer } : {}),
      ...(row.accepted ? { accepted: row.accepted } : {}),
      ...(row.kind === 'gas' ? {} : { role: row.role, detail: row.detail }),
      ...(row.openedOn ? { openedOn: row.openedOn } : {}),
    }));
}

/** The last day by its life after opening. */
function goodUntil(row: typeof reference.$inferSelect): string {
  return row.openedOn && row.detail.lifeDays
    ? format(addDays(parseISO(row.openedOn), Number(row.detail.lifeDays)), 'yyyy-MM-dd')
    : '9999';
}

/** The bottle that the procedure wants: big ones first, since hand bottles are for the road. */
function chooser(procedure: Procedure, references: ReferenceSnapshot[]) {
  return (id: string): ReferenceSnapshot => {
    const slot = procedure.slots.find((one) => one.id === id);
    if (slot?.kind === 'tool') return toolFor(slot, references);
    const name = {
      4: 'Four-gas mix',
      14: 'Dry gas, ethanol',
      15: 'Hydrogen in air',
      21: 'Five-gas mix, pentane simulant',
      0: 'Four-gas mix',
    }[procedure.family];
    const found = references.find((candidate) => candidate.name === name);
    if (!found) throw new Error(`the demo's shelf has no ${name} on that day`);
    return found;
  };
}

/** At one visit in four the bottle is empty after the as-found: the supplier's other mix serves from there on. */
function secondBottle(procedure: Procedure, references: ReferenceSnapshot[], random: Random): { second?: ReferenceSnapshot } {
  const other = procedure.family === 4 ? references.find((one) => one.name === 'Four-gas mix 20/60') : undefined;
  return random.next() < 0.25 && other ? { second: other } : {};
}
