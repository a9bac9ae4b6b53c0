import { and, asc, eq, gt, inArray, sql } from 'drizzle-orm';
import { Client } from 'pg';
import { database, type Database, type Transaction } from '@/data/connection';
import { liveFrame } from '@/data/schema';
import { log } from './log';

type Listener = (channel: string, payload: string) => void;
const listeners = new Set<Listener>();
let listening: Promise<void> | null = null;
let connection: Client | null = null;
const CHANNELS = ['run_changed', 'live', 'line_changed', 'panel_ask', 'panel_answer', 'job_done', 'session_ended'];

/** One listening connection a process; it comes back by itself when the database was away. */
function listen(): Promise<void> {
  listening ??= (async () => {
    const client = new Client({ connectionString: process.env.DATABASE_URL });
    const again = () => {
      if (connection !== client) return;
      listening = null;
      const tellAll = () => listeners.forEach((tell) => tell('listening', ''));
      if (listeners.size) setTimeout(() => void listen().then(tellAll, () => undefined), 1000);
    };
    connection = client;
    try {
      await client.connect();
      client.on('notification', (message) => listeners.forEach((tell) => tell(message.channel, message.payload ?? '')));
      client.on('error', (error) => log.warn({ error: String(error) }, 'change stream lost the database'));
      client.on('end', again);
      await client.query(CHANNELS.map((name) => `listen ${name}`).join('; '));
    } catch (error) {
      void client.end().catch(() => undefined);
      again();
      throw error;
    }
  })();
  return listening;
}

/** Hears what other processes tell. Gives back the way to stop. */
export function onChange(listener: Listener): () => void {
  listeners.add(listener);
  void listen().catch(() => undefined);
  return () => void listeners.delete(listener);
}

/** Waits until it can be heard from now on. Errors: those of the connection. */
export const hearing = (): Promise<void> => listen();

export async function tellChange(db: Database | Transaction, channel: string, payload: string): Promise<void> {
  await db.execute(sql`select pg_notify(${channel}, ${payload})`);
}

/** Ends the listening connection, and what it knew of its database; the next listener opens one anew. */
export async function closeChangeStream(): Promise<void> {
  const client = connection;
  [connection, listening] = [null, null];
  fetched.clear();
  await client?.end().catch(() => undefined);
}

interface Live {
  id: number;
  line: string;
  at: string;
  said: unknown[];
}

/** A frame that was too long for a notice is fetched once a process, not once a listener. */
const fetched = new Map<number, Promise<Live | null>>();
function wholeFrame(id: number): Promise<Live | null> {
  const known = fetched.get(id);
  if (known) return known;
  const asked = database()
    .select()
    .from(liveFrame)
    .where(eq(liveFrame.id, id))
    .then(([row]) => (row ? { id: row.id, line: row.lineId, at: row.at.toISOString(), said: row.said } : null));
  fetched.set(id, asked);
  if (fetched.size > 200) fetched.delete(fetched.keys().next().value!);
  return asked;
}

/** How many frames a browser is given at once when it comes back: about ten minutes. */
const CATCH_UP = 2400;
/** Without a number to resume by, a new screen starts with the last few seconds: enough for a trace. */
const NEWCOMER_SECONDS = 60;

async function framesSince(lines: string[], after: number | null): Promise<Live[]> {
  const since = after === null ? gt(liveFrame.at, new Date(Date.now() - NEWCOMER_SECONDS * 1000)) : gt(liveFrame.id, after);
  const rows = await database()
    .select()
    .from(liveFrame)
    .where(and(inArray(liveFrame.lineId, lines), since))
    .orderBy(asc(liveFrame.id))
    .limit(CATCH_UP);
  return rows.map((row) => ({ id: row.id, line: row.lineId, at: row.at.toISOString(), said: row.said }));
}

/** How many pieces may wait for a reader. */
const MOST_UNREAD = 1000;

/** What a browser asks to hear besides the runs: lines, and after which frame (its last event id). */
export interface Wanted {
  lines?: string[];
  /** Whose stream it is: it ends with the person's sessions. */
  userId?: string;
  lastEventId?: string | null;
}

/** "run/seq" is a change, "…~17" the last live frame before it: either resumes the frames. */
export function liveIdOf(lastEventId: string | null | undefined): number | null {
  const found = /~(\d+)$/.exec(lastEventId ?? '');
  return found ? Number(found[1]) : null;
}

/**
 * Server-sent events, one stream a browser: "hearing" when all that happens from now on will come, "run" for each change with run and sequence number,
 * "live" for each frame of the lines asked for, "line" when a device came or went.
 * After a break the frames go on behind the last one seen. A breath every 20 s keeps proxies from closing it.
 */
export function runChangeStream(
  signal: AbortSignal,
  { lines = [], lastEventId = null, userId }: Wanted = {},
): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  const wanted = new Set(lines);
  let stop = () => undefined as void;
  let lastLive = liveIdOf(lastEventId);
  return new ReadableStream({
    start(controller) {
      let closed = false;
      const write = (text: string) => {
        if (closed) return;
        // Whoever doesn't read is cut off: it comes back by itself, behind the last frame it saw.
        if ((controller.desiredSize ?? 0) < -MOST_UNREAD) return stop();
        controller.enqueue(encoder.encode(text));
      };
      const sendLive = (live: Live) => {
        if (lastLive !== null && live.id <= lastLive) return;
        lastLive = live.id;
        write(`id: live~${live.id}\nevent: live\ndata: ${JSON.stringify(live)}\n\n`);
      };
      // Frames go out in their order: while earlier ones are still fetched, later ones wait in this chain.
      let order: Promise<void> = Promise.resolve();
      const inOrder = (work: () => Promise<void>) => {
        order = order.then(work).catch((error) => log.warn({ error: String(error) }, 'live stream'));
      };
      const catchUp = () => {
        if (wanted.size) inOrder(async () => (await framesSince(lines, lastLive)).forEach(sendLive));
      };
      // From here on nothing is missed: whoever looked at the house before this looks once more.
      const hearing = () => {
        write('event: hearing\ndata: {}\n\n');
        catchUp();
      };
      const tell: Listener = (channel, payload) => {
        if (channel === 'listening') return hearing();
        if (channel === 'session_ended') return payload === userId ? stop() : undefined;
        if (channel === 'run_changed') {
          const { run, seq } = JSON.parse(payload) as { run: string; seq: number };
          write(`id: ${run}/${seq}${lastLive === null ? '' : `~${lastLive}`}\nevent: run\ndata: ${payload}\n\n`);
        } else if (channel === 'line_changed') write(`event: line\ndata: ${payload}\n\n`);
        else if (channel === 'live' && wanted.size) {
          const live = JSON.parse(payload) as Live;
          if (!wanted.has(live.line)) return;
          inOrder(async () => {
            const whole = live.said ? live : await wholeFrame(live.id);
            if (whole) sendLive(whole);
          });
        }
      };
      write(': open\n\n');
      const breath = setInterval(() => write(': still here\n\n'), 20_000);
      listeners.add(tell);
      void listen()
        .then(hearing)
        .catch(() => undefined);
      stop = () => {
        closed = true;
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
