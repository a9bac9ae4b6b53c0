'use client';
import type { RunState } from '@/core/record/state';
import type { LiveSaid } from '@/data/schema';
import type { NextAction } from '../places/next-action';

export interface LiveBatch {
  id: number;
  line: string;
  at: string;
  said: LiveSaid[];
}
/** What the notice of a changed run carries: enough for a strip or a board to show it without asking. */
export interface RunChange {
  run: string;
  seq: number;
  status: RunState['status'];
  next: NextAction | null;
}
export interface StreamListener {
  /** A run changed; null when the stream begins or came back, since something may have passed by since the page was made. */
  onRun?: (change: RunChange | null) => void;
  onLive?: (batch: LiveBatch) => void;
  /** A device came or went; null as above. */
  onLine?: (change: { line: string; state: 'connected' | 'away' } | null) => void;
  onState?: (state: StreamState) => void;
  /** Lines whose frames are wanted. */
  lines?: string[];
}
export type StreamState = 'open' | 'broken';

/** Frames go on behind this one, whatever happened to the connection. */
let lastLive: number | null = null;
const listeners = new Set<StreamListener>();
let stream: EventSource | null = null;
let streamLines = '';
let due: ReturnType<typeof setTimeout> | null = null;
let retry: ReturnType<typeof setTimeout> | null = null;

/**
 * The page's one event stream, shared by all who listen: more than a handful of streams would block the browser. It is opened with the lines that anybody wants,
 * comes back by itself, and goes on behind the last frame seen.
 */
export function listenToHouse(listener: StreamListener): () => void {
  listeners.add(listener);
  settle();
  return () => {
    listeners.delete(listener);
    settle();
  };
}

/** What is wanted may change several times in one drawing: the stream is opened once, after it. */
function settle(): void {
  if (due) return;
  due = setTimeout(() => {
    due = null;
    const wanted = [...new Set([...listeners].flatMap((one) => one.lines ?? []))].sort().join(',');
    if (listeners.size === 0) return close();
    if (stream && wanted === streamLines) return;
    open(wanted);
  }, 0);
}

function close(): void {
  if (retry) clearTimeout(retry);
  retry = null;
  stream?.close();
  stream = null;
}

function open(lines: string): void {
  close();
  streamLines = lines;
  const query = new URLSearchParams();
  if (lines) query.set('lines', lines);
  if (lines && lastLive !== null) query.set('after', `~${lastLive}`);
  const mine = new EventSource(`/api/stream${query.size ? `?${query}` : ''}`);
  stream = mine;
  mine.addEventListener('open', () => {
    listeners.forEach((one) => one.onState?.('open'));
  });
  mine.addEventListener('hearing', () =>
    listeners.forEach((one) => {
      one.onRun?.(null);
      one.onLine?.(null);
    }),
  );
  mine.addEventListener('error', () => {
    listeners.forEach((one) => one.onState?.('broken'));
    // A server that answers with an error (it is being started) makes the browser give up: then we try again ourselves.
    if (mine.readyState === EventSource.CLOSED && stream === mine) retry = setTimeout(() => open(streamLines), 1000);
  });
  const read = <T>(event: Event) => JSON.parse((event as MessageEvent<string>).data) as T;
  mine.addEventListener('run', (event) => {
    const change = read<RunChange>(event);
    listeners.forEach((one) => one.onRun?.(change));
  });
  mine.addEventListener('live', (event) => {
    const batch = read<LiveBatch>(event);
    if (lastLive !== null && batch.id <= lastLive) return;
    lastLive = Math.max(lastLive ?? 0, batch.id);
    listeners.forEach((one) => one.lines?.includes(batch.line) && one.onLive?.(batch));
  });
  mine.addEventListener('line', (event) => {
    const change = read<{ line: string; state: 'connected' | 'away' }>(event);
    listeners.forEach((one) => one.onLine?.(change));
  });
}
