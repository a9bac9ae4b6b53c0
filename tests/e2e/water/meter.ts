import { METER_MODELS, type MeterRole } from '@/standins/meter/meter-models';
import { PROBE_FAULTS } from '@/standins/meter/probe-fault';
import { SimulatedMeter } from '@/standins/meter/simulated-meter';
import { serveInstrument } from '@/standins/instrument/serve';
import { talk } from '../gas/stand-in';
import { query } from '../people';

export interface MeterStandIn {
  serial: string;
  lineId: string;
  meter: SimulatedMeter;
  slot: (role: MeterRole) => number;
  hand: (ask: object) => Promise<Record<string, unknown>>;
  close: () => Promise<void>;
}

/** A simulated meter behind a real socket, put on the list of lines; the gateway under test connects to it. */
export async function standInMeter({
  model,
  serial,
  fault = 'sound',
  speed = 60,
  onFor = 1200,
}: {
  model: string;
  serial: string;
  fault?: string;
  speed?: number;
  /** Seconds that it has been switched on. */
  onFor?: number;
}): Promise<MeterStandIn> {
  const meter = new SimulatedMeter(METER_MODELS[model]!, serial, PROBE_FAULTS[fault], 7);
  for (let i = 0; i < onFor; i += 2) meter.tick(2);
  const served = await serveInstrument(meter, { speed, frameSeconds: speed > 30 ? 3 : 1 });
  const [row] = await query<{ id: string }>(
    `insert into device_line (kind, name, host, port, panel_port) values ('instrument', $1, '127.0.0.1', $2, $3) returning id`,
    [`Test ${serial}`, served.port, served.panelPort],
  );
  return {
    serial,
    lineId: row!.id,
    meter,
    slot: (role) => METER_MODELS[model]!.roles.indexOf(role) + 1,
    hand: (ask) => talk(served.panelPort, { type: 'world', ...ask }),
    close: async () => {
      await query('delete from device_line where id = $1', [row!.id]);
      await served.close();
    },
  };
}

/** What stands in a bottle of the shelf, as its label says. */
export async function contentOf(lot: string): Promise<object[]> {
  const [row] = await query<{ components: object[] }>('select components from reference where lot = $1', [lot]);
  return row!.components;
}
