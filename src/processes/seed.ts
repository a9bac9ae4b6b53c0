import { addDays, format, subMonths } from 'date-fns';
import { eq, sql } from 'drizzle-orm';
import { closeDatabase, database, type Transaction } from '@/data/connection';
import { asset, assetChannel, customer, instrumentModel, probePlace, user } from '@/data/schema';
import { confirmRemembered, recordStudy, stateScope } from '@/features/budgets/server';
import { putPolicy } from '@/features/due/server';
import { addUser } from '@/features/office/server';
import { adviseNightly } from '@/features/advice/server';
import { lookAtLots } from '@/features/recall/server';
import { exchangeProbe, hosts, probesOnShelf } from '@/features/probes/server';
import { asActor } from '@/platform/as-actor';
import { recordAudit } from '@/platform/audit';
import { readSettings, writeSettings } from '@/platform/settings';
import type { Actor, Role } from '@/core/record/event';
import { CUSTOMERS, DEMO_PASSWORD, FLEETS, MODELS, SERIALS, USERS, WORKSHOP } from './seed/catalogue';
import { SCOPE } from './seed/scope';
import { stockShelf } from './seed/bottles';
import { controlCharts } from './seed/control';
import { practised } from './seed/practised';
import { liveThrough, visitsOf, type SeedAsset, type Visit } from './seed/history';
import { Random } from './seed/random';
import { writtenOnce } from './seed/written-once';
import { askedByLink, evaluatedSuppliers } from './seed/asked';
import { atTheWindow } from './seed/at-the-window';
import { aboutCustomers, agreedEarly } from './seed/about-customers';
import { soldByItsCustomer } from './seed/sold';
import { stationVisit } from './seed/station-visit';
import { keptThings } from './seed/kept-things';
import { money } from './seed/money';
import { seeToRegister } from './seed/register';
import { stock } from './seed/stock';
import { suspectedBottle } from './seed/suspected';
import { ownProcedures } from './seed/own-procedures';
import { takenOver } from './seed/taken-over';
import { usedOften } from './seed/used-often';

const SYSTEM: Actor = { id: 'system', name: 'Demo', role: 'administrator' };

/** A transaction in somebody's name: the change log says whose. */
const as = <T>(actor: Actor, work: (tx: Transaction) => Promise<T>): Promise<T> =>
  database().transaction(async (tx) => {
    await asActor(tx, actor, 'demo');
    return work(tx);
  });

/** Fills an empty database with the demo: people, instruments, and two years of runs and certificates made by the use cases that the screens call. */
async function seed(now: Date): Promise<string> {
  const random = new Random(20261124);
  const started = Date.now();
  const visits = await as(SYSTEM, async (tx) => {
    await writeSettings(tx, WORKSHOP);
    for (const person of USERS)
      await addUser(
        { tx, actor: SYSTEM, now: subMonths(now, 30) },
        { ...person, role: person.role as Role, password: DEMO_PASSWORD },
      );
    await stockShelf(tx, now);
    const [signatory] = await tx.select().from(user).where(eq(user.role, 'signatory'));
    await confirmRemembered(
      { tx, actor: { id: signatory!.id, name: signatory!.name, role: 'signatory' }, now: subMonths(now, 29) },
      {
        sourceText: 'Quality file Q-12: statements of the suppliers and tables of the atmosphere',
        sourceOn: format(subMonths(now, 29), 'yyyy-MM-dd'),
      },
    );
    await studies(tx, now);
    await scope(tx, now);
    const assets = await makeAssets(tx, now, random);
    const [technician] = await tx.select().from(user).where(eq(user.role, 'technician'));
    await agreedEarly(tx, SYSTEM, subMonths(now, 28));
    await writtenOnce(tx, { id: technician!.id, name: technician!.name, role: 'technician' }, subMonths(now, 28));
    return plan(assets, now, random);
  });
  const actors = await actorsOf();
  // A transaction a month's worth of visits: whole or not at all, and quick.
  for (let from = 0; from < visits.length; from += 25) {
    await as(actors.technician, async (tx) => {
      for (const [index, visit] of visits.slice(from, from + 25).entries()) {
        const standing = !['returned', 'toReturn', 'toApprove', 'inTray'].includes(visit.upTo);
        await liveThrough(
          tx,
          visit,
          actors,
          random,
          standing
            ? 1 +
                visits.filter(
                  (other, at) => at < from + index && !['returned', 'toReturn', 'toApprove', 'inTray'].includes(other.upTo),
                ).length
            : 6,
        );
      }
    });
  }
  await as(actors.technician, (tx) => stationVisit(tx, SERIALS['VT-60']![0]!, actors, now));
  await as(actors.technician, (tx) => placeProbes(tx, actors.technician, now));
  await as(actors.counter, (tx) => soldByItsCustomer(tx, actors.counter, now));
  await as(actors.counter, (tx) => aboutCustomers(tx, actors.counter, now));
  await as(SYSTEM, (tx) => takenOver(tx, { technician: actors.technician, office: SYSTEM }, now));
  await as(SYSTEM, (tx) => keptThings(tx, { technician: actors.technician, admin: SYSTEM }, now));
  await as(SYSTEM, (tx) => money(tx, { technician: actors.technician, admin: SYSTEM }, now));
  await as(SYSTEM, (tx) => stock(tx, { technician: actors.technician, counter: actors.counter }, now));
  await as(actors.signatory, (tx) => seeToRegister(tx, actors.signatory, random, now));
  await atTheWindow(database(), as, actors.counter, now);
  await askedByLink(database(), as, actors.counter, now);
  await suspectedBottle(database(), as, actors.technician, now);
  await lookAtLots(database(), now);
  await adviseNightly(database(), now);
  await evaluatedSuppliers(as, actors.signatory, now);
  await controlCharts(as, actors, random, now);
  await practised(as, actors, now);
  await ownProcedures(database(), as, actors, now);
  await as(actors.counter, (tx) => usedOften(tx, actors.counter, now));
  await as(SYSTEM, async (tx) => writeSettings(tx, { ...(await readSettings(tx)), mailCertificates: true }));
  await as(SYSTEM, (tx) => recordAudit({ tx, actor: SYSTEM, now }, 'seeded', 'demo', { visits: visits.length }));
  return `demo data: ${visits.length} visits in ${((Date.now() - started) / 1000).toFixed(1)} s`;
}

/** What the workshop claims: the gases and liquids of its bench. Turbidity is too new for a scope, so its results are marked. */
async function scope(tx: Transaction, now: Date): Promise<void> {
  const [row] = await tx.select().from(user).where(eq(user.role, 'signatory'));
  const actor: Actor = { id: row!.id, name: row!.name, role: 'signatory' };
  for (const [measurand, unit, lowest, highest, smallest, form] of SCOPE)
    await stateScope(
      { tx, actor, now: subMonths(now, 29) },
      { replaces: null, measurand, unit, lowest, highest, smallest, form },
    );
}

/** Two repeat studies feed budgets of their own points. */
async function studies(tx: Transaction, now: Date): Promise<void> {
  const [row] = await tx.select().from(user).where(eq(user.role, 'technician'));
  const actor: Actor = { id: row!.id, name: row!.name, role: 'technician' };
  const on = subMonths(now, 28);
  const study = (point: string, measurand: string, unit: string, procedure: string, readings: string) =>
    recordStudy(
      { tx, actor, now: on },
      {
        procedure,
        point,
        measurand,
        unit,
        instrument: 'bench instrument, same operator',
        studiedOn: format(on, 'yyyy-MM-dd'),
        note: '',
        readings,
      },
    );
  await study(
    'span',
    'carbon monoxide',
    'ppm',
    'four-gas-leak-monitor',
    '100 101 100 99 100\n98 99 98 98 97\n101 100 101 101 102',
  );
  await study('seven', 'pH', 'pH', 'two-buffer-ph', '7.01 7.02 7.01 7.00 7.01\n7.02 7.02 7.03 7.01 7.02');
}

/** Some probes are out in the customers' meters, the rest stands on the shelf; every laboratory meter has its cell. */
async function placeProbes(tx: Transaction, actor: Actor, now: Date): Promise<void> {
  const [probes, meters] = [await probesOnShelf(tx), await hosts(tx)];
  const places = ['cheese dairy, brine tank', 'laboratory, bench 2', 'intake, pump house', 'fermenter 3', 'bottling line'];
  const taken = new Set<string>();
  const today = format(now, 'yyyy-MM-dd');
  for (const probe of probes) {
    if (probe.part === 'probe' && !(probe.readyUntil && probe.readyUntil >= today)) continue;
    const host = meters.find(
      (one) =>
        one.customerId === probe.customerId &&
        !taken.has(one.id) &&
        (one.traits.analoguePair ?? false) === (probe.part === 'cell'),
    );
    if (!host || (probe.part === 'probe' && taken.size > 4)) continue;
    taken.add(host.id);
    if (probe.part === 'probe')
      await exchangeProbe(
        { tx, actor, now },
        {
          probeId: probe.id,
          hostId: host.id,
          place: places[taken.size % places.length]!,
          on: format(addDays(now, -6), 'yyyy-MM-dd'),
          note: '',
        },
      );
    // The pairs are as old as the meters: no calibration is asked for.
    else
      await tx
        .insert(probePlace)
        .values({ probeId: probe.id, hostId: host.id, place: 'laboratory', fromAt: subMonths(now, 30), by: actor.name });
  }
}

async function makeAssets(tx: Transaction, now: Date, random: Random): Promise<SeedAsset[]> {
  const since = subMonths(now, 30);
  const models = new Map<string, string>();
  for (const model of MODELS) {
    const { maker, name, kind, procedureId, traits, channels, every } = model;
    const [row] = await tx
      .insert(instrumentModel)
      .values({ maker, name, kind, procedureId, traits, channels })
      .returning({ id: instrumentModel.id });
    models.set(model.name, row!.id);
    await putPolicy({ tx }, { scope: 'model', modelId: row!.id, every, reason: 'workshop’s standard' });
  }
  const made: SeedAsset[] = [];
  for (const person of CUSTOMERS) {
    const [owner] = await tx
      .insert(customer)
      .values({ ...person, createdAt: since })
      .returning();
    let tag = 0;
    for (const [name, count] of Object.entries(FLEETS[person.name] ?? {})) {
      const model = MODELS.find((candidate) => candidate.name === name)!;
      for (let i = 0; i < count; i += 1) {
        tag += 1;
        const serial =
          SERIALS[name]?.[i] ??
          `${model.maker.slice(0, 2).toUpperCase()}${random.whole(10, 99)}-${String(random.whole(1000, 99999)).padStart(5, '0')}`;
        const [row] = await tx
          .insert(asset)
          .values({
            customerId: owner!.id,
            modelId: models.get(name)!,
            maker: model.maker,
            part: model.part ?? 'body',
            serial,
            tag: `${person.name
              .split(' ')
              .map((word) => word[0])
              .join('')}-${String(tag).padStart(3, '0')}`,
            createdAt: since,
          })
          .returning({ id: asset.id });
        if (model.channels.length)
          await tx.insert(assetChannel).values(
            model.channels.map((channel, position) => ({
              assetId: row!.id,
              position,
              ...channel,
              status: channel.role === 'so2' && i > 0 ? ('removed' as const) : ('fitted' as const),
              sensorSerial: `${channel.role.toUpperCase()}${random.whole(100000, 999999)}`,
              installedOn: format(subMonths(now, random.whole(20, 30)), 'yyyy-MM-dd'),
            })),
          );
        const index = made.length;
        made.push({
          id: row!.id,
          customerId: owner!.id,
          model: name,
          every: model.every,
          agreesDue: person.agreesDue,
          character:
            index === 5
              ? 'poisoned'
              : person.name === 'Grauwinkel Brewery' && name === 'PG-3P' && i === 1
                ? 'cracked'
                : random.next() < 0.22
                  ? 'drifting'
                  : 'steady',
          index,
        });
        // No procedure yet for this model: its date was taken over from the customer's own list.
        if (model.channels.length && (!model.procedureId || model.history === false)) await takeOver(tx, row!.id, now, random);
      }
    }
    if (person.name === 'Tidewater Tramway Tunnels') {
      await putPolicy(
        { tx },
        { scope: 'customer', customerId: owner!.id, every: { months: 6 }, reason: 'tunnel safety rules of the customer' },
      );
      made
        .filter((one) => one.customerId === owner!.id)
        .forEach((one) => {
          one.every = { months: 6 };
        });
    }
  }
  return made;
}

async function takeOver(tx: Transaction, id: string, now: Date, random: Random): Promise<void> {
  const due = addDays(now, random.whole(-25, 170));
  await tx
    .update(asset)
    .set({
      nextDue: format(due, 'yyyy-MM-dd'),
      dueBasis: { from: format(subMonths(due, 6), 'yyyy-MM-dd'), reason: 'taken over from the customer’s list' },
    })
    .where(eq(asset.id, id));
}

/** All visits in the order of time, and today's work in the house. */
function plan(assets: SeedAsset[], now: Date, random: Random): Visit[] {
  const able = assets.filter((one) => {
    const model = MODELS.find((candidate) => candidate.name === one.model)!;
    return model.procedureId && model.history !== false;
  });
  const today: { upTo: string; minutesAgo: number; model?: string }[] = [
    { upTo: 'toReturn', minutesAgo: 2900 },
    { upTo: 'toReturn', minutesAgo: 2700 },
    { upTo: 'toApprove', minutesAgo: 1500 },
    { upTo: 'toApprove', minutesAgo: 1380 },
    { upTo: 'toApprove', minutesAgo: 300 },
    { upTo: 'left-zero', minutesAgo: 62 },
    { upTo: 'found-purge', minutesAgo: 30 },
    { upTo: 'onBench', minutesAgo: 22 },
    { upTo: 'found-on', minutesAgo: 34, model: 'VT-5P' },
    { upTo: 'onBench', minutesAgo: 21, model: 'VT-47' },
    { upTo: 'sheets/ph/found-four-in', minutesAgo: 26, model: 'SM-11' },
    { upTo: 'found-air', minutesAgo: 33, model: 'SM-20' },
    { upTo: 'left-ec1417-in', minutesAgo: 58, model: 'PG-70' },
    { upTo: 'inTray', minutesAgo: 200, model: 'PG-22' },
    { upTo: 'inTray', minutesAgo: 180 },
    { upTo: 'inTray', minutesAgo: 120 },
    { upTo: 'inTray', minutesAgo: 95 },
    { upTo: 'inTray', minutesAgo: 40 },
  ];
  const fourGas = able.filter((one) => one.model === 'OF-410' || one.model === 'VT-40');
  const ofModel = (name: string) => assets.find((one) => one.model === name)!;
  // What an auditor asks for: a bump, one that failed, as found only, breath gas, and documents that were mended later.
  const special: (Partial<Pick<Visit, 'service' | 'fate' | 'silent' | 'failed' | 'unlucky' | 'upTo' | 'paper'>> & {
    model: string;
    daysAgo: number;
  })[] = [
    { model: 'OF-410', daysAgo: 52, service: 'bumpOnly' },
    { model: 'OF-410', daysAgo: 45, service: 'bumpOnly', silent: true },
    { model: 'VT-40', daysAgo: 40, service: 'asFoundOnly' },
    { model: 'BN-A', daysAgo: 64 },
    { model: 'BN-A', daysAgo: 33 },
    { model: 'BN-A', daysAgo: 12 },
    { model: 'OF-410', daysAgo: 38, fate: 'revised' },
    { model: 'OF-410', daysAgo: 30, fate: 'reopened' },
    { model: 'OF-410', daysAgo: 24, fate: 'withdrawn' },
    { model: 'OF-410', daysAgo: 18, failed: true },
    // The unlucky days: a zero that only the fine control brought back, an auto-zero that failed first, a horn that is dead today.
    { model: 'OF-410', daysAgo: 9, unlucky: { zerosFail: 2, decide: 'fineZero' } },
    {
      model: 'VT-40',
      daysAgo: 6,
      unlucky: { bad: { 'auto-zero/passed': 'CO failed, engine running at the gate' }, decide: 'mend' },
    },
    // The power was out: worked on paper, entered afterwards, waiting for the signatory.
    { model: 'OF-410', daysAgo: 0.2, upTo: 'toApprove', paper: true },
    {
      model: 'OF-410',
      daysAgo: 0.08,
      upTo: 'toApprove',
      unlucky: { bad: { 'alarms/sound': 'silent, sounder corroded' }, decide: 'outOfService' },
    },
  ];
  const inHouse = today.map(({ upTo, minutesAgo, model }, index): Visit => ({
    asset: model ? ofModel(model) : fourGas[(index * 7 + 3) % fourGas.length]!,
    at: new Date(now.getTime() - minutesAgo * 60_000),
    number: 9,
    upTo,
  }));
  const used = new Set(inHouse.map((visit) => visit.asset));
  const apart = special.map(({ model, daysAgo, ...rest }): Visit => {
    const asset = assets.find((one) => one.model === model && one.character !== 'poisoned' && !used.has(one))!;
    used.add(asset);
    return { asset, at: new Date(now.getTime() - daysAgo * 86_400_000), number: 8, upTo: 'returned', ...rest };
  });
  // One that went out with its tag is back in the house, and its tag still stands.
  const tagged = apart.find((visit) => visit.failed)!;
  const back: Visit = { asset: tagged.asset, at: new Date(now.getTime() - 35 * 60_000), number: 9, upTo: 'inTray' };
  const history = able.flatMap((one) => {
    const visits = visitsOf(one, now, random);
    return used.has(one) ? visits.filter((visit) => visit.at < addDays(now, -75)) : visits;
  });
  return [...history, ...apart, ...inHouse, back].sort((a, b) => a.at.getTime() - b.at.getTime());
}

async function actorsOf() {
  const rows = await database().select().from(user);
  const actor = (role: Role): Actor => {
    const row = rows.find((candidate) => candidate.role === role)!;
    return { id: row.id, name: row.name, role };
  };
  return { counter: actor('counter'), technician: actor('technician'), signatory: actor('signatory') };
}

const empty =
  (
    await database()
      .select({ n: sql<number>`count(*)::int` })
      .from(user)
  )[0]!.n === 0;
if (empty) console.log(await seed(new Date(Math.floor(Date.now() / 1000) * 1000)));
else if (!process.argv.includes('--when-empty')) {
  console.error('The database is not empty: npm run reset goes back to the demo.');
  process.exitCode = 1;
}
await closeDatabase();
