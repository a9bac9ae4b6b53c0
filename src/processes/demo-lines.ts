import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import { closeDatabase, database } from '@/data/connection';
import { asset, deviceLine, instrumentModel, reference, ticket, type LineKind } from '@/data/schema';
import { freePort } from './free-port';

/** Models of the demo that a stand-in can play. */
const PLAYED = ['OF-410', 'VT-40', 'VT-47', 'VT-5P', 'OF-440', 'OF-120', 'OF-125', 'VT-C2', 'OF-700', 'BN-H', 'BN-A', 'BN-G'];
/** … and meters with their probes. */
const METERS = ['PG-3P', 'PG-22', 'PG-70', 'PG-90', 'SM-20', 'SM-11', 'SM-05', 'SM-35'];
const MOST = 8;

/** One process that `npm start` begins beside the web. */
interface StandIn {
  file: string;
  env: Record<string, string>;
}

/** Chooses instruments that stand on the bench, gives each a pair of ports and writes them down as lines; prints which stand-ins to start. */
async function connectDemo(home: string): Promise<StandIn[]> {
  const db = database();
  const onBench = await db
    .select({ maker: asset.maker, serial: asset.serial, model: instrumentModel.name })
    .from(ticket)
    .innerJoin(asset, eq(asset.id, ticket.assetId))
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .where(and(inArray(ticket.status, ['onBench', 'inTray']), inArray(instrumentModel.name, [...PLAYED, ...METERS])))
    .orderBy(sql`${ticket.place} nulls last`, asc(ticket.createdAt))
    .limit(MOST);
  const lines: { kind: LineKind; name: string; standIn: (ports: Record<string, string>) => StandIn }[] = onBench.map(
    (one, index) => ({
      kind: 'instrument',
      name: `Cable ${index + 1}`,
      standIn: (ports) => ({
        file: 'src/standins/instrument-server.ts',
        env: { MODEL: one.model, SERIAL: one.serial, SEED: String(index + 1), ...ports },
      }),
    }),
  );
  const tags = join(home, 'tags.json');
  writeFileSync(tags, JSON.stringify(await tagsOf(), null, 1));
  for (const [kind, name, serial] of [
    ['barometer', 'Barometer', 'SM-B-0021'],
    ['flowMeter', 'Flow meter', 'SM-F-0093'],
    ['thermometer', 'Thermometer', 'SM-T-0112'],
    ['hygrometer', 'Hygrometer', 'SM-H-0034'],
    ['tagReader', 'Tag reader', 'SM-TR-7'],
  ] as const)
    lines.push({
      kind,
      name,
      standIn: (ports) => ({
        file: 'src/standins/bench-device-server.ts',
        env: { DEVICE: kind, SERIAL: serial, TAGS: tags, ...ports },
      }),
    });
  await db.delete(deviceLine);
  const out: StandIn[] = [];
  for (const line of lines) {
    const [port, panelPort] = [await freePort(), await freePort()];
    await db.insert(deviceLine).values({ kind: line.kind, name: line.name, host: '127.0.0.1', port, panelPort });
    out.push(line.standIn({ PORT: String(port), PANEL_PORT: String(panelPort) }));
  }
  out.push({
    file: 'src/standins/station-server.ts',
    env: {
      FOLDER: join(home, 'station'),
      CRADLES: 'VT-60/VD-1001/sound,VT-60/VD-1002/poisonedCombustible,VT-60/VD-1009/sound',
      EVERY_SECONDS: '86400',
    },
  });
  return out;
}

/** Tags of two bottles: one that stands on the shelf, one that has just come. */
async function tagsOf() {
  const [known] = await database().select().from(reference).where(eq(reference.lot, 'FG-1402'));
  const fresh = {
    name: 'Four-gas mix, hand bottle',
    maker: 'Vantling',
    lot: 'FG-1500',
    partNumber: 'VG-4',
    fitting: 'C10',
    expires: '2028-04',
    waterVolumeL: '0.5',
    pressureBar: '69',
    balance: 'N2',
    certificate: 'VG-FG-1500',
    components: known?.components ?? [],
  };
  return [
    fresh,
    ...(known?.expires ? [{ ...fresh, lot: known.lot, expires: known.expires, certificate: known.certificate ?? '' }] : []),
  ];
}

console.log(JSON.stringify(await connectDemo(process.env.WERKBANK_HOME ?? '.')));
await closeDatabase();
