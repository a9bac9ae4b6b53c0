import { asc, eq, inArray, and, sql } from 'drizzle-orm';
import { planWork, type Work, type WorkPlan } from '@/core/booking/plan-work';
import type { Transaction } from '@/data/connection';
import { asset, customer, instrumentModel, ticket, user } from '@/data/schema';
import { hoursOfModels, USUAL_HOURS } from '@/features/bookings/server';
import { dateIn } from '@/platform/clock';
import { readSettings } from '@/platform/settings';

/** What one of the bench has of a day where no ceiling of a week is set, min: a working day less what it is broken by. Common practice. */
const USUAL_MINUTES = 360;
/** What setting up another bench takes, min. Common practice. */
const SET_UP_MINUTES = 10;
/** Working days that are planned. */
const DAYS = 5;

/** Who works at the bench, and what each has of a day. */
async function handsOf(tx: Transaction, weekHours: number): Promise<{ people: string[]; minutesADay: number }> {
  const rows = await tx
    .select({ name: user.name, role: user.role })
    .from(user)
    .where(and(eq(user.active, true), inArray(user.role, ['technician', 'signatory', 'administrator'])))
    .orderBy(asc(user.name));
  const technicians = rows.filter((one) => one.role === 'technician');
  // A house of one or two: whoever may works.
  const people = (technicians.length ? technicians : rows).map((one) => one.name);
  const minutesADay = weekHours > 0 ? (weekHours * 60) / 5 / Math.max(1, people.length) : USUAL_MINUTES;
  return { people: people.length ? people : ['–'], minutesADay };
}

/** Work that waits for the bench or stands on it. */
const waiting = (tx: Transaction) =>
  tx
    .select({
      id: ticket.id,
      code: ticket.code,
      status: ticket.status,
      place: ticket.place,
      runId: ticket.runId,
      promiseOn: ticket.promiseOn,
      since: sql<string>`to_json(${ticket.createdAt})#>>'{}'`,
      assetId: asset.id,
      serial: asset.serial,
      item: sql<string>`${asset.maker} || ' ' || ${instrumentModel.name}`,
      modelId: asset.modelId,
      setUp: instrumentModel.procedureId,
      customer: customer.name,
      customerId: customer.id,
    })
    .from(ticket)
    .innerJoin(asset, eq(asset.id, ticket.assetId))
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .innerJoin(customer, eq(customer.id, ticket.customerId))
    .where(inArray(ticket.status, ['inTray', 'onBench']))
    .orderBy(asc(ticket.createdAt), asc(ticket.id));
export type WaitingTicket = Awaited<ReturnType<typeof waiting>>[number];

export interface DayPlan {
  plan: WorkPlan;
  tickets: WaitingTicket[];
  today: string;
  minutesADay: number;
}

/** The plan of the next working days, from what stands in the house. */
export async function workPlan(tx: Transaction, now: Date): Promise<DayPlan> {
  const { zone, weekHours } = await readSettings(tx);
  const today = dateIn(zone, now);
  const { people, minutesADay } = await handsOf(tx, weekHours);
  const tickets = await waiting(tx);
  const hours = await hoursOfModels(tx, now);
  const work = tickets.map(({ id, promiseOn, since, setUp, modelId }): Work => ({
    id,
    promiseOn,
    since,
    setUp: setUp ?? modelId,
    minutes: Math.max(1, Math.round((hours.get(modelId) ?? USUAL_HOURS) * 60)),
  }));
  return {
    plan: planWork({ today, people, minutesADay, work, setUpMinutes: SET_UP_MINUTES, days: DAYS }),
    tickets,
    today,
    minutesADay,
  };
}

/** What the counter asks before it promises: what is promised already, and what an instrument of each model takes. */
export interface Promised {
  minutesADay: number;
  promised: { promiseOn: string; minutes: number }[];
  /** By maker and model; the usual time for any other. */
  minutesOf: Record<string, number>;
  usual: number;
}
export async function promisedSoFar(tx: Transaction, now: Date): Promise<Promised> {
  const { weekHours } = await readSettings(tx);
  const { people, minutesADay } = await handsOf(tx, weekHours);
  const hours = await hoursOfModels(tx, now);
  const models = await tx
    .select({ id: instrumentModel.id, name: sql<string>`${instrumentModel.maker} || ' ' || ${instrumentModel.name}` })
    .from(instrumentModel)
    .where(inArray(instrumentModel.id, hours.size ? [...hours.keys()] : ['00000000-0000-0000-0000-000000000000']));
  const minutes = (modelId: string) => Math.round((hours.get(modelId) ?? USUAL_HOURS) * 60);
  return {
    minutesADay: minutesADay * people.length,
    promised: (await waiting(tx)).flatMap(({ promiseOn, modelId }) =>
      promiseOn ? [{ promiseOn, minutes: minutes(modelId) }] : [],
    ),
    minutesOf: Object.fromEntries(models.map((one) => [one.name, minutes(one.id)])),
    usual: Math.round(USUAL_HOURS * 60),
  };
}
