'use client';
import { useEffect, useRef, useState } from 'react';
import { HoldTag } from '@/features/lines';
import type { Tag } from '@/core/live/said';

export interface ReaderLine {
  id: string;
  name: string;
  state: 'connected' | 'away';
  /** Lots that the hand at a simulated reader can hold to it. */
  panel: boolean;
}

/** Waits for a tag that is held to the reader: its content fills the sheet. */
export function TagReaderKey({ readers, onTag }: { readers: ReaderLine[]; onTag: (tag: Tag) => void }) {
  const reader = readers.find((one) => one.state === 'connected');
  const [waiting, setWaiting] = useState(false);
  const current = useRef(onTag);
  useEffect(() => {
    current.current = onTag;
  });
  useEffect(() => {
    if (!reader || !waiting) return;
    // Only tags from now on: what was held to the reader before is no answer.
    const since = Date.now() - 1000;
    const stream = new EventSource(`/api/stream?lines=${reader.id}`);
    stream.addEventListener('live', (event) => {
      const batch = JSON.parse((event as MessageEvent<string>).data) as { at: string; said: { type: string }[] };
      const tag = batch.said.find((one): one is Tag => one.type === 'tag');
      if (!tag || Date.parse(batch.at) < since) return;
      setWaiting(false);
      current.current(tag);
    });
    return () => stream.close();
  }, [reader, waiting]);
  if (!reader) return null;
  return (
    <>
      <button type="button" className="btn btn-plain" aria-pressed={waiting} onClick={() => setWaiting(!waiting)}>
        {waiting ? 'Hold the tag to the reader …' : 'Scan a tag'}
      </button>
      {waiting && reader.panel && <HoldTag lineId={reader.id} />}
    </>
  );
}
