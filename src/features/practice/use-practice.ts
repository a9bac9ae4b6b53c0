'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Command } from '@/core/run/command';
import type { ScriptedRun } from '@/core/run/scripted';
import type { Refusal } from '@/core/words/refusal';
import { copyState } from '@/core/record/state';
import { HURRY } from '@/core/practice/hurried';
import { PracticeInstrument } from '@/core/practice/practice-instrument';
import type { Listen, LiveRun } from '@/features/bench';

const FRAME_MS = 250;

/**
 * A run that lives in this page alone: commands are answered by the same `handle` as in the house, and its line shows what an instrument of the model would. Nothing is sent anywhere.
 */
export function usePractice(begun: ScriptedRun, pumped: boolean, by: { id: string; name: string }): LiveRun & { listen: Listen } {
  const [state, setState] = useState(() => copyState(begun.state));
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [touched, setTouched] = useState(false);
  const send = useCallback(
    async (command: Command) => {
      setTouched(true);
      const refused = begun.at(new Date()).try(command);
      setRefusal(refused);
      setState(copyState(begun.state));
      return Promise.resolve(refused);
    },
    [begun],
  );
  const latest = useRef(state);
  useEffect(() => {
    latest.current = state;
  });
  const listen = useCallback<Listen>(
    ({ lines, onState, onLive }) => {
      const display = new PracticeInstrument(begun.procedure, { pumped });
      onState?.('open');
      let id = 0;
      const timer = setInterval(() => {
        id += 1;
        const said = [display.frame(latest.current, (HURRY * FRAME_MS) / 1000)];
        onLive?.({ id, line: lines![0]!, at: new Date().toISOString(), said });
      }, FRAME_MS);
      return () => clearInterval(timer);
    },
    [begun, pumped],
  );
  return {
    state,
    busy: false,
    away: '',
    refusal,
    waiting: [],
    touched,
    by,
    send,
    clearRefusal: () => setRefusal(null),
    listen,
  };
}
