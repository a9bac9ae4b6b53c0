import { Client } from 'pg';
import { log } from './log';

type Listener = (payload: string) => void;
const listeners = new Set<Listener>();
let listening: Promise<void> | null = null;

/** One listening connection a process; it comes back by itself when the database was away. */
function listen(): Promise<void> {
  listening ??= (async () => {
    const client = new Client({ connectionString: process.env.DATABASE_URL });
    const again = () => {
      listening = null;
      if (listeners.size) setTimeout(() => void listen().catch(() => undefined), 1000);
    };
    try {
      await client.connect();
      client.on('notification', (message) => listeners.forEach((tell) => tell(message.payload ?? '')));
      client.on('error', (error) => log.warn({ error: String(error) }, 'change stream lost the database'));
      client.on('end', again);
      await client.query('listen run_changed');
    } catch (error) {
      void client.end().catch(() => undefined);
      again();
      throw error;
    }
  })();
  return listening;
}

/** Server-sent events: one "run" a change, with run and sequence number as its id; a breath every 20 s keeps proxies from closing it. */
export function runChangeStream(signal: AbortSignal): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  let stop = () => undefined as void;
  return new ReadableStream({
    start(controller) {
      const tell: Listener = (payload) => {
        const { run, seq } = JSON.parse(payload) as { run: string; seq: number };
        controller.enqueue(encoder.encode(`id: ${run}/${seq}\nevent: run\ndata: ${payload}\n\n`));
      };
      controller.enqueue(encoder.encode(': open\n\n'));
      const breath = setInterval(() => controller.enqueue(encoder.encode(': still here\n\n')), 20_000);
      listeners.add(tell);
      void listen().catch(() => undefined);
      stop = () => {
        clearInterval(breath);
        listeners.delete(tell);
        try {
          controller.close();
        } catch {
          /* closed by the browser already */
        }
      };
      signal.addEventListener('abort', stop);
    },
    cancel() {
      stop();
    },
  });
}
