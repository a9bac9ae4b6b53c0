import { createServer, type AddressInfo, type Server, type Socket } from 'node:net';
import { LINE_PROTOCOL, type Frame, type Hello, type Said, type Tag } from '@/core/live/said';
import { normalFrom, seededUniform } from '@/core/uncertainty/random';

export type BenchDevice = 'tagReader' | 'barometer' | 'flowMeter' | 'thermometer' | 'hygrometer';

interface Shows {
  measurand: string;
  unit: string;
  resolution: string;
  lowest: string;
  highest: string;
  /** What it shows at first, and by how many of its steps it is restless. */
  at: number;
}
const CHANNELS: Record<Exclude<BenchDevice, 'tagReader'>, Shows[]> = {
  barometer: [{ measurand: 'air pressure', unit: 'hPa', resolution: '0.1', lowest: '500', highest: '1100', at: 1008.4 }],
  flowMeter: [{ measurand: 'gas flow', unit: 'L/min', resolution: '0.01', lowest: '0', highest: '6', at: 0 }],
  thermometer: [{ measurand: 'temperature', unit: '°C', resolution: '0.01', lowest: '-10', highest: '60', at: 22 }],
  hygrometer: [
    { measurand: 'relative humidity', unit: '%', resolution: '0.1', lowest: '0', highest: '100', at: 46 },
    { measurand: 'temperature', unit: '°C', resolution: '0.1', lowest: '-10', highest: '60', at: 21.6 },
  ],
};
const MODEL = { tagReader: 'SM-TR', barometer: 'SM-B', flowMeter: 'SM-F', thermometer: 'SM-T', hygrometer: 'SM-H' };
const NOISE_STEPS = 0.3;

/** A barometer, flow meter, thermometer, hygrometer, or a reader of tags on bottles behind a line; the second port is the hand that sets what it sees. Errors: the port's own. */
export async function serveBenchDevice(
  device: BenchDevice,
  {
    serial,
    tags = [],
    port = 0,
    panelPort = 0,
    value,
  }: { serial: string; tags?: Omit<Tag, 'type'>[]; port?: number; panelPort?: number; value?: number },
): Promise<{ port: number; panelPort: number; close: () => Promise<void> }> {
  const normal = normalFrom(seededUniform(7));
  const shows = device === 'tagReader' ? [] : CHANNELS[device];
  const state = { values: shows.map((one, index) => (index === 0 && value !== undefined ? value : one.at)), seconds: 0 };
  const listeners = new Set<Socket>();
  const say = (said: Said) => listeners.forEach((socket) => socket.write(`${JSON.stringify(said)}\n`));
  const hello = (): Hello => ({
    type: 'hello',
    protocol: LINE_PROTOCOL,
    device,
    maker: 'Sillmere',
    model: MODEL[device],
    serial,
    firmware: '1.0',
    clock: new Date().toISOString(),
    keys: [],
    channels: shows.map(({ measurand, unit, resolution, lowest, highest }, index) => ({
      slot: index + 1,
      fitted: true,
      measurand,
      unit,
      resolution,
      lowest,
      highest,
    })),
  });
  const line = createServer((socket) => {
    listeners.add(socket);
    socket.on('close', () => listeners.delete(socket)).on('error', () => undefined);
    socket.write(`${JSON.stringify(hello())}\n`);
  });
  const panel = createServer((socket) => {
    let rest = '';
    socket
      .on('error', () => undefined)
      .setEncoding('utf8')
      .on('data', (piece) => {
        const lines = (rest + String(piece)).split('\n');
        rest = lines.pop()!.slice(0, 65_536);
        for (const text of lines) {
          const asked = parse(text);
          if (typeof asked?.value === 'number') state.values[Number(asked.slot ?? 1) - 1] = asked.value;
          if (typeof asked?.pressureHPa === 'number' && device === 'barometer') state.values[0] = asked.pressureHPa;
          const tag = typeof asked?.tag === 'string' ? tags.find((one) => one.lot === asked.tag) : undefined;
          if (tag) say({ type: 'tag', ...tag });
          socket.write(`${JSON.stringify({ type: 'world', value: state.values[0], tag: tag?.lot ?? null })}\n`);
        }
      });
  });
  const timer =
    device === 'tagReader'
      ? null
      : setInterval(() => {
          state.seconds += 0.5;
          const readings = shows.map(({ resolution }, index) => {
            const value = state.values[index]!;
            const noise = value === 0 ? 0 : NOISE_STEPS * Number(resolution) * normal();
            const text = Math.max(0, value + noise).toFixed(resolution.split('.')[1]!.length);
            return { slot: index + 1, text, status: 'value' as const };
          });
          say({
            type: 'frame',
            seconds: state.seconds,
            mode: 'measure',
            readings,
            pump: 'none',
            alarm: { on: false, latched: false, sound: false, light: false, vibration: false },
          } satisfies Frame);
        }, 500);
  const ports = await Promise.all([open(line, port), open(panel, panelPort)]);
  return {
    port: ports[0],
    panelPort: ports[1],
    close: async () => {
      if (timer) clearInterval(timer);
      listeners.forEach((socket) => socket.destroy());
      await Promise.all([line, panel].map((server) => new Promise((resolve) => server.close(resolve))));
    },
  };
}

function parse(text: string): { value?: unknown; slot?: unknown; tag?: unknown; pressureHPa?: unknown } | null {
  try {
    return JSON.parse(text) as { value?: unknown; tag?: unknown };
  } catch {
    return null;
  }
}

function open(server: Server, port: number): Promise<number> {
  return new Promise((resolve, reject) => {
    server.once('error', reject).listen(port, '127.0.0.1', () => resolve((server.address() as AddressInfo).port));
  });
}
