import { connect } from 'node:net';
import { INSTRUMENT_MODELS } from '@/standins/instrument/models';
import { SCENARIOS } from '@/standins/instrument/scenario';
import { serveInstrument } from '@/standins/instrument/serve';
import { SimulatedInstrument } from '@/standins/instrument/simulated-instrument';
import { query } from '../people';

export interface StandIn {
  serial: string;
  lineId: string;
  panelPort: number;
  instrument: SimulatedInstrument;
  /** What a person does at it: valve, filter, inlet, its keys. */
  hand: (ask: object) => Promise<Record<string, unknown>>;
  close: () => Promise<void>;
}

/** A simulated instrument behind a real socket, put on the list of lines; the gateway under test connects to it. */
export async function standIn({
  model,
  serial,
  scenario = 'sound',
  speed = 60,
  seed = 3,
}: {
  model: string;
  serial: string;
  scenario?: string;
  speed?: number;
  seed?: number;
}): Promise<StandIn> {
  const instrument = new SimulatedInstrument(INSTRUMENT_MODELS[model]!, serial, SCENARIOS[scenario], seed);
  // It has been on for a while when it comes to the bench.
  instrument.tick(60);
  const served = await serveInstrument(instrument, { speed, frameSeconds: speed > 30 ? 3 : 1 });
  const [row] = await query<{ id: string }>(
    `insert into device_line (kind, name, host, port, panel_port) values ('instrument', $1, '127.0.0.1', $2, $3) returning id`,
    [`Test ${serial}`, served.port, served.panelPort],
  );
  return {
    serial,
    lineId: row!.id,
    panelPort: served.panelPort,
    instrument,
    hand: (ask) => talk(served.panelPort, { type: 'world', ...ask }),
    close: async () => {
      await query('delete from device_line where id = $1', [row!.id]);
      await served.close();
    },
  };
}

export function talk(port: number, ask: object): Promise<Record<string, unknown>> {
  return new Promise((resolve, reject) => {
    const socket = connect({ host: '127.0.0.1', port }, () => socket.write(`${JSON.stringify(ask)}\n`));
    let text = '';
    socket.setEncoding('utf8').on('error', reject);
    socket.on('data', (piece) => {
      text += String(piece);
      if (!text.includes('\n')) return;
      socket.end();
      resolve(JSON.parse(text) as Record<string, unknown>);
    });
  });
}
