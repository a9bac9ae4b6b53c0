import { generateKeyPairSync, randomUUID } from 'node:crypto';
import { drizzle } from 'drizzle-orm/node-postgres';
import { Pool } from 'pg';
import { inject } from 'vitest';
import { addresses, clusterAt, ensureDatabase, type Cluster } from '../../scripts/lib/cluster.mjs';
import type { Actor } from '@/core/record/event';
import { ScriptedRun } from '@/core/run/scripted';
import { closeDatabase, type Database, type Transaction } from '@/data/connection';
import * as schema from '@/data/schema';
import { placeTicket, recordRun } from '@/features/bench/server';
import { INSPECTION_ITEMS, receive } from '@/features/counter/server';
import { putPolicy } from '@/features/due/server';
import { addUser } from '@/features/office/server';
import { confirmRemembered } from '@/features/budgets/server';
import { referenceSnapshot, referenceSnapshots } from '@/features/shelf/server';
import { keepKey } from '@/data/keep-key';
import { closeChangeStream } from '@/platform/change-stream';
import { writeSettings } from '@/platform/settings';
import { MODELS, WORKSHOP } from '@/processes/seed/catalogue';
import { fly, type Behaviour } from '@/processes/seed/pilot';
import { Random } from '@/processes/seed/random';

const pair = generateKeyPairSync('ed25519');
process.env.WERKBANK_SIGNING_KEY = JSON.stringify({
  id: 'key-test',
  private: pair.privateKey.export({ type: 'pkcs8', format: 'pem' }),
  public: pair.publicKey.export({ type: 'spki', format: 'pem' }),
});

export interface World {
  cluster: Cluster;
  name: string;
  db: Database;
  app: Pool;
  superuser: Pool;
  technician: Actor;
  signatory: Actor;
  customerId: string;
  modelId: string;
  bottleId: string;
  newAsset: (serial?: string) => Promise<string>;
  newTicket: (options?: {
    at?: Date;
    assetId?: string;
    dueAgreed?: boolean;
    customerId?: string;
  }) => Promise<{ id: string; code: string; assetId: string }>;
  finishedRun: (options?: {
    at?: Date;
    behaviour?: Partial<Behaviour>;
    stopAt?: string;
    dueAgreed?: boolean;
    assetId?: string;
    customerId?: string;
    bottleId?: string;
  }) => Promise<{ run: string; ticketId: string; assetId: string }>;
  close: () => Promise<void>;
}

/** Thermometer, hygrometer, barometer of the bench: with certificate, traceability and acceptance. */
const roomTools = (now: Date): (typeof schema.reference.$inferInsert)[] =>
  (
    [
      ['thermometer', [['temperature', '°C', '0.1']]],
      [
        'hygrometer',
        [
          ['humidity', '%', '2.5'],
          ['temperature', '°C', '0.3'],
        ],
      ],
      ['barometer', [['pressure', 'hPa', '0.5']]],
    ] as const
  ).map(([role, measured]) => ({
    kind: 'tool',
    role,
    name: role,
    lot: `${role}-1`,
    expires: '2099-12-31',
    certificate: `${role}/1`,
    traceability: 'traceable to the SI',
    accepted: { on: '2026-01-01', by: 'Tech', note: 'compared' },
    createdAt: now,
    components: measured.map(([substance, unit, expanded]) => ({ substance, unit, expanded, value: '1', k: 2 })),
  }));

/** Files share the modules of their worker: what belongs to another one's database goes, even what came after its end. */
const forget = () => Promise.all([closeChangeStream(), closeDatabase()]);

/** A database of one's own with the least that a run needs: people, a customer, a model, a bottle. Everything is done as the application's role. */
export async function openWorld(): Promise<World> {
  const cluster = clusterAt(inject('clusterHome'), { throwAway: true });
  const name = `world_${randomUUID().slice(0, 8).replace('-', '')}`;
  ensureDatabase(cluster, name, { template: 'world_template' });
  const { app: appAddress, superuser } = addresses(cluster, name);
  process.env.DATABASE_URL = appAddress;
  await forget();
  const app = new Pool({ connectionString: appAddress, max: 40, pipeline: true });
  const db = drizzle(app);
  const su = new Pool({ connectionString: superuser.replace(/\/postgres$/, `/${name}`), max: 2 });
  const owner = await su.connect();
  await keepKey(owner as never, pair.publicKey.export({ type: 'spki', format: 'pem' }).toString());
  owner.release();
  const now = new Date();
  const counter: Actor = { id: 'u-counter', name: 'Counter', role: 'administrator' };
  const ids = await db.transaction(async (tx) => {
    const context = { tx, actor: counter, now };
    await writeSettings(tx, { ...WORKSHOP, zone: 'UTC' });
    const technician = await addUser(context, {
      name: 'Tech',
      email: 'tech@test.example',
      role: 'technician',
      password: 'a long password',
    });
    const signatory = await addUser(context, {
      name: 'Sign',
      email: 'sign@test.example',
      role: 'signatory',
      password: 'a long password',
    });
    const [customer] = await tx
      .insert(schema.customer)
      .values({ name: 'Test Yard', email: 'yard@test.example', contact: 'Runa', createdAt: now })
      .returning();
    const { maker, name, kind, procedureId, traits, channels, every } = MODELS[0]!;
    const model = { maker, name, kind, procedureId, traits, channels };
    const [modelRow] = await tx.insert(schema.instrumentModel).values(model).returning();
    await putPolicy({ tx }, { scope: 'model', modelId: modelRow!.id, every, reason: '' });
    const [bottle] = await tx
      .insert(schema.reference)
      .values({
        kind: 'gas',
        name: 'Four-gas mix',
        lot: 'T-1',
        expires: '2099-12-31',
        waterVolumeL: '10',
        pressureBar: '150',
        createdAt: now,
        certificate: 'T-1/C',
        traceability: 'traceable to the SI',
        accepted: { on: '2026-01-01', by: 'Tech', note: 'compared' },
        components: [
          ['O2', '18.0', '%vol', '0.2'],
          ['CH4', '2.50', '%vol', '0.05'],
          ['H2S', '25.0', 'ppm', '0.8'],
          ['CO', '100', 'ppm', '2'],
        ].map(([substance, value, unit, expanded]) => ({
          substance: substance!,
          value: value!,
          unit: unit!,
          expanded: expanded!,
          k: 2,
        })),
      })
      .returning();
    await tx.insert(schema.reference).values(roomTools(now));
    // What is only remembered has its source: else nothing could be issued.
    await confirmRemembered(
      { ...context, actor: { id: signatory.id, name: 'Sign', role: 'signatory' } },
      { sourceText: 'Quality file 1', sourceOn: '2026-01-01' },
    );
    return {
      technician: technician.id,
      signatory: signatory.id,
      customerId: customer!.id,
      modelId: modelRow!.id,
      bottleId: bottle!.id,
    };
  });
  const technician: Actor = { id: ids.technician, name: 'Tech', role: 'technician' };
  const signatory: Actor = { id: ids.signatory, name: 'Sign', role: 'signatory' };

  const newAsset = async (serial = `S-${randomUUID().slice(0, 8)}`) =>
    db.transaction(async (tx) => {
      const [row] = await tx
        .insert(schema.asset)
        .values({ customerId: ids.customerId, modelId: ids.modelId, maker: MODELS[0]!.maker, serial, createdAt: now })
        .returning();
      await tx
        .insert(schema.assetChannel)
        .values(MODELS[0]!.channels.map((channel, position) => ({ assetId: row!.id, position, ...channel })));
      return row!.id;
    });
  const newTicket: World['newTicket'] = async ({ at = now, assetId, dueAgreed = true, customerId = ids.customerId } = {}) => {
    const id = assetId ?? (await newAsset());
    const received = await db.transaction((tx) =>
      receive(
        { tx, actor: counter, now: at },
        {
          customerId,
          contact: '',
          note: '',
          instruments: [
            {
              assetId: id,
              service: 'calibrate',
              rule: 'simple',
              promiseOn: null,
              dueAgreed,
              note: '',
              inspection: Object.fromEntries(INSPECTION_ITEMS.map((item) => [item.id, { result: 'pass' as const, note: '' }])),
            },
          ],
        },
      ),
    );
    return { ...received.tickets[0]!, assetId: id };
  };
  const finishedRun: World['finishedRun'] = async ({
    at = new Date(Date.now() - 3_600_000),
    behaviour = {},
    stopAt,
    dueAgreed = true,
    assetId,
    customerId,
    bottleId = ids.bottleId,
  } = {}) => {
    const ticket = await newTicket({ at, dueAgreed, ...(assetId ? { assetId } : {}), ...(customerId ? { customerId } : {}) });
    const { run } = await db.transaction(async (tx: Transaction) => {
      await placeTicket({ tx, actor: technician, now: at }, { ticketId: ticket.id, place: 1 });
      const bottle = (await referenceSnapshot(tx, bottleId))!;
      const tools = (await referenceSnapshots(tx)).filter((one) => one.kind === 'tool');
      const recorded = await recordRun({ tx, actor: technician, now: at }, ticket.id, (id, procedure, started) => {
        const scripted = new ScriptedRun(procedure, {
          run: id,
          actor: technician,
          start: at,
          references: [bottle, ...tools],
        }).start(started);
        fly({
          run: scripted,
          random: new Random(3),
          behaviour: { foundError: {}, dead: [], readAtZero: 0.3, ...behaviour },
          choose: () => bottle,
          ...(stopAt ? { stopAt } : {}),
        });
        return scripted.events;
      });
      await placeTicket({ tx, actor: technician, now: at }, { ticketId: ticket.id, place: null });
      return recorded;
    });
    return { run, ticketId: ticket.id, assetId: ticket.assetId };
  };
  return {
    cluster,
    name,
    db,
    app,
    superuser: su,
    technician,
    signatory,
    customerId: ids.customerId,
    modelId: ids.modelId,
    bottleId: ids.bottleId,
    newAsset,
    newTicket,
    finishedRun,
    close: async () => {
      await forget();
      await app.end();
      await su.end();
    },
  };
}
