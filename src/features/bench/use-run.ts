'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Command } from '@/core/run/command';
import type { RunEvent } from '@/core/record/event';
import type { Refusal } from '@/core/words/refusal';
import { apply } from '@/core/run/reduce';
import { copyState, type RunState } from '@/core/record/state';
import { deliver, eventsSince, keep, leftBehind, type Parcel } from './outbox';
import { useRunChanges } from './use-run-changes';

export interface LiveRun {
  state: RunState;
  busy: boolean;
  away: string;
  refusal: Refusal | null;
  /** Presses of somebody else that wait in this browser until that person signs in. */
  waiting: Parcel[];
  /** Something was pressed here: a look alone writes nothing. */
  touched: boolean;
  by: { id: string; name: string };
  send: (command: Command) => Promise<Refusal | null>;
  clearRefusal: () => void;
}

/**
 * A run in the browser: its state is worked out here from the same events and the same `apply` as on the server.
 * Commands go out one after the other through the outbox; what others do arrives by the stream.
 */
export function useRun(initial: RunState, me: { id: string; name: string }): LiveRun {
  const [state, setState] = useState(initial);
  const [busy, setBusy] = useState(false);
  const [away, setAway] = useState('');
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [waiting, setWaiting] = useState<Parcel[]>([]);
  const [touched, setTouched] = useState(false);
  // Who opened this page: whoever signs in meanwhile in another window does not change whose presses these are.
  const [by] = useState(me);
  const seq = useRef(initial.seq);
  const queue = useRef<Promise<unknown>>(Promise.resolve());

  const take = useCallback((events: RunEvent[]) => {
    const fresh = events.filter((event) => event.seq > seq.current);
    if (fresh.length === 0) return;
    seq.current = fresh.at(-1)!.seq;
    setState((before) => {
      const after = copyState(before);
      fresh.forEach((event) => {
        if (event.seq > after.seq) apply(after, event);
      });
      return after;
    });
  }, []);

  const post = useCallback(
    (parcel: Parcel): Promise<Refusal | null> => {
      const turn = queue.current.then(async () => {
        setBusy(true);
        const answer = await deliver(parcel, seq.current, (isAway, message) => setAway(isAway ? message : ''));
        setBusy(false);
        if (answer.ok) {
          take(answer.events);
          setRefusal(null);
          return null;
        }
        // Somebody else may have gone on meanwhile: show where the run is.
        take(await eventsSince(parcel.run, seq.current));
        if (answer.refusal.code === 'notYours') setWaiting((before) => [...before.filter((one) => one.id !== parcel.id), parcel]);
        setRefusal(answer.refusal);
        return answer.refusal;
      });
      queue.current = turn.catch(() => undefined);
      return turn;
    },
    [take],
  );

  const send = useCallback(
    async (command: Command) => {
      const parcel: Parcel = { id: crypto.randomUUID(), run: initial.run, command, at: new Date().toISOString(), by };
      setTouched(true);
      await keep(parcel);
      return post(parcel);
    },
    [initial.run, by, post],
  );

  useEffect(() => {
    void leftBehind(initial.run, by.id).then(({ mine, others }) => {
      setWaiting(others);
      mine.forEach((parcel) => void post(parcel));
    });
  }, [initial.run, by.id, post]);
  useRunChanges((change) => {
    if (change && change.run !== initial.run) return;
    // The stream often tells of what was just pressed here, before its answer is there: then there is nothing to fetch.
    void queue.current.then(async () => {
      if (!change || change.seq > seq.current) take(await eventsSince(initial.run, seq.current));
    });
  });
  return { state, busy, away, refusal, waiting, touched, by, send, clearRefusal: () => setRefusal(null) };
}
