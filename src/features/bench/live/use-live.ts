'use client';
import { useEffect, useRef, useState } from 'react';
import type { Frame, Notice } from '@/core/live/said';
import type { LiveLook, LiveRule } from '@/core/live/live-channel';
import type { LiveAnswer, LiveRequest } from '@/workers/live.worker';
import { listenToHouse, type StreamState } from './house-stream';

export interface LiveLine {
  /** By slot of the instrument. */
  looks: Record<number, LiveLook>;
  frame: LiveAnswer['frame'];
  /** What the instrument said once, newest last, with the time it came. */
  notices: (Notice & { at: string })[];
  stream: StreamState;
  /** Nothing came for some seconds although the stream is open. */
  silent: boolean;
  /** Readings taken in: to be compared with what was sent. */
  readings: number;
  /** The pump was blocked at some time while gas flowed. */
  blockedInGas: boolean;
  gas: number | null;
}

export type Listen = typeof listenToHouse;

const SILENT_AFTER_MS = 4000;
const NOTHING: LiveLine = {
  looks: {},
  frame: null,
  notices: [],
  stream: 'open',
  silent: false,
  readings: 0,
  blockedInGas: false,
  gas: null,
};

/**
 * The readings of one line, worked on in a web worker: plateau, response times, early estimate. The page only draws what comes of it, four times a second.
 * `rules` by slot say what the readings are compared with; `gasSince` is when gas came, by the house's clock.
 */
export function useLive(
  line: string | null,
  rules: Record<number, LiveRule>,
  gasSince: string | null,
  listen: Listen = listenToHouse,
): LiveLine {
  const [live, setLive] = useState<LiveLine>(NOTHING);
  const worker = useRef<Worker | null>(null);
  const last = useRef(0);
  const told = JSON.stringify(rules);
  const latest = useRef({ told, gasSince });
  useEffect(() => {
    latest.current = { told, gasSince };
  });

  useEffect(() => {
    if (!line) return;
    const mine = new Worker(new URL('../../../workers/live.worker.ts', import.meta.url));
    worker.current = mine;
    const post = (request: LiveRequest) => mine.postMessage(request);
    mine.onmessage = ({ data }: MessageEvent<LiveAnswer>) => setLive((before) => ({ ...before, ...data }));
    post({ type: 'rules', rules: JSON.parse(latest.current.told) as Record<number, LiveRule> });
    post({ type: 'gas', since: latest.current.gasSince ? Date.parse(latest.current.gasSince) : null });
    const stop = listen({
      lines: [line],
      onState: (stream) => setLive((before) => (before.stream === stream ? before : { ...before, stream })),
      onLive: (batch) => {
        last.current = Date.now();
        const frames = batch.said.filter((said): said is Frame => said.type === 'frame');
        const notices = batch.said.filter((said): said is Notice => said.type === 'notice');
        if (frames.length) post({ type: 'frames', at: Date.parse(batch.at), frames });
        if (notices.length)
          setLive((before) => ({
            ...before,
            notices: [...before.notices, ...notices.map((notice) => ({ ...notice, at: batch.at }))].slice(-40),
          }));
      },
    });
    const timer = setInterval(() => {
      const silent = Date.now() - last.current > SILENT_AFTER_MS;
      setLive((before) => (before.silent === silent ? before : { ...before, silent }));
    }, 1000);
    return () => {
      stop();
      clearInterval(timer);
      mine.terminate();
      worker.current = null;
    };
  }, [line, listen]);
  useEffect(() => {
    worker.current?.postMessage({ type: 'rules', rules: JSON.parse(told) as Record<number, LiveRule> } satisfies LiveRequest);
  }, [told]);
  useEffect(() => {
    worker.current?.postMessage({ type: 'gas', since: gasSince ? Date.parse(gasSince) : null } satisfies LiveRequest);
  }, [gasSince]);
  // A look from before gas came or went says nothing of what flows now: a settled zero must never be taken for a reading in gas.
  return live.gas === (gasSince ? Date.parse(gasSince) : null) ? live : { ...live, looks: {} };
}
