'use client';
import { useEffect, useState } from 'react';
import type { Frame } from '@/core/live/said';
import { listenToHouse } from './house-stream';

const SHOW_EVERY_MS = 500;

/** What the instrument on this place shows now, in one line: one glance from a metre away. */
export function PlaceLive({ line, names }: { line: string; names: Record<number, string> }) {
  const [frame, setFrame] = useState<Frame | null>(null);
  useEffect(() => {
    let last: Frame | null = null;
    const stop = listenToHouse({
      lines: [line],
      onLive: (batch) => {
        last = batch.said.findLast((said): said is Frame => said.type === 'frame') ?? last;
      },
    });
    const timer = setInterval(() => setFrame(last), SHOW_EVERY_MS);
    return () => {
      stop();
      clearInterval(timer);
    };
  }, [line]);
  if (!frame) return null;
  return (
    <div className="place-live mono" aria-label="What it shows now">
      {frame.readings.map((one) => (
        <span key={one.slot}>
          <span className="word">{names[one.slot]}</span> {one.status === 'value' ? one.text : '–'}
        </span>
      ))}
      {frame.mode === 'warmUp' && <span className="word">warming up</span>}
      {frame.alarm.on && <span className="word alarm">alarm</span>}
      {frame.pump === 'blocked' && <span className="word alarm">pump blocked</span>}
    </div>
  );
}
