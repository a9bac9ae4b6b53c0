import { createServer, type AddressInfo, type Server, type Socket } from 'node:net';
import type { Answer, Facts, Frame, Hello, Key, Notice, Said } from '@/core/live/said';

const FRAME_SECONDS = 0.25;
const LONGEST_LINE = 65_536;
const KEYS = ['zero', 'span', 'save', 'acknowledge', 'pump', 'facts', 'clock', 'due', 'discard'];

/** Anything simulated that stands on a line: it knows keys and time, and what a hand does at it. */
export interface SimulatedDevice {
  hello: (now: Date) => Hello;
  tick: (seconds: number) => Notice[];
  frame: () => Frame;
  press: (key: Omit<Key, 'type'>) => { answer: Answer; notices: Notice[] };
  facts: (now: Date) => Facts;
  bench: (asked: Record<string, unknown>) => object;
}

export interface Served {
  port: number;
  panelPort: number;
  close: () => Promise<void>;
}

/**
 * Puts a simulated instrument behind two ports on loopback: the line that a program reads and presses keys on, and a panel for what a person does at the bench
 * (valve, tube, inlet), which the instrument itself knows nothing of. `speed` makes its time run faster. Errors: the port's own.
 */
export async function serveInstrument(
  instrument: SimulatedDevice,
  {
    port = 0,
    panelPort = 0,
    speed = 1,
    frameSeconds = FRAME_SECONDS,
  }: { port?: number; panelPort?: number; speed?: number; frameSeconds?: number } = {},
): Promise<Served> {
  const listeners = new Set<Socket>();
  const say = (said: Said, to: Iterable<Socket> = listeners) => {
    for (const socket of to) socket.write(`${JSON.stringify(said)}\n`);
  };
  const press = (key: Partial<Key> | null) => {
    if (key?.type !== 'key' || typeof key.id !== 'string' || !KEYS.includes(String(key.key))) return null;
    const { answer, notices } = instrument.press(key as Key);
    notices.forEach((notice) => say(notice));
    if (['facts', 'save', 'clock', 'due'].includes(key.key!)) say(instrument.facts(new Date()));
    return answer;
  };
  const line = createServer((socket) => {
    listeners.add(socket);
    socket.on('close', () => listeners.delete(socket)).on('error', () => undefined);
    say(instrument.hello(new Date()), [socket]);
    onLines(socket, (value) => {
      const answer = press(value as Partial<Key> | null);
      if (answer) say(answer, [socket]);
    });
  });
  const panel = createServer((socket) => {
    socket.on('error', () => undefined);
    onLines(socket, (value) => {
      const asked = value as (Record<string, unknown> & { type?: string; key?: Omit<Key, 'type' | 'id'> }) | null;
      if (asked?.type !== 'world') return;
      const world = instrument.bench(asked);
      // A finger on its keys: what it does is seen on the line by everyone.
      const pressed = asked.key ? press({ type: 'key', id: 'hand', ...asked.key }) : null;
      socket.write(`${JSON.stringify({ type: 'world', ...world, ...(pressed ? { pressed } : {}) })}\n`);
    });
  });
  const timer = setInterval(
    () => {
      instrument.tick(frameSeconds).forEach((notice) => say(notice));
      say(instrument.frame());
    },
    (frameSeconds * 1000) / speed,
  );
  const ports = await Promise.all([open(line, port), open(panel, panelPort)]);
  return {
    port: ports[0],
    panelPort: ports[1],
    close: async () => {
      clearInterval(timer);
      listeners.forEach((socket) => socket.destroy());
      await Promise.all([line, panel].map((server) => new Promise((resolve) => server.close(resolve))));
    },
  };
}

function open(server: Server, port: number): Promise<number> {
  return new Promise((resolve, reject) => {
    server.once('error', reject).listen(port, '127.0.0.1', () => resolve((server.address() as AddressInfo).port));
  });
}

/** Whole lines of JSON; what is none is passed over, and a line without end closes the connection. */
function onLines(socket: Socket, take: (value: unknown) => void): void {
  let rest = '';
  socket.setEncoding('utf8').on('data', (piece) => {
    const lines = (rest + String(piece)).split('\n');
    rest = lines.pop()!;
    if (rest.length > LONGEST_LINE) socket.destroy();
    for (const text of lines) {
      try {
        take(JSON.parse(text));
      } catch {
        // A person with a terminal may type anything.
      }
    }
  });
}
