'use client';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Act } from '@/core/practice/act';
import { Attempt, type Done } from '@/core/practice/attempt';
import type { Doing } from '@/core/practice/doing';
import type { Exercise } from '@/core/practice/exercise';
import type { Command } from '@/core/run/command';
import { copyState } from '@/core/record/state';
import type { Refusal } from '@/core/words/refusal';
import type { Listen, LiveRun } from '@/features/bench';

const FRAME_MS = 250;

/** An exercise in this page: its clock is this browser's, everything that is done goes through one attempt, which the house does again to score it. */
export function useExercise(exercise: Exercise, me: { id: string; name: string }) {
  const [attempt] = useState(
    () => new Attempt(exercise, { start: new Date(), actor: { ...me, role: 'technician' }, id: `${me.id}-${exercise.seed}` }),
  );
  const [acts, setActs] = useState(0);
  const [place, setPlace] = useState(1);
  const [last, setLast] = useState<Done | null>(null);
  const heard = useRef<{ place: number; done: Done }[]>([]);
  const now = useCallback(() => Date.now() - attempt.of.start.getTime(), [attempt]);
  const act = useCallback(
    (at: number, doing: Doing): Done => {
      const done = attempt.act({ ...doing, place: at, at: Math.max(0, now()) } as Act);
      if (done.notices?.length) heard.current.push({ place: at, done });
      setLast(done);
      setActs((before) => before + 1);
      return done;
    },
    [attempt, now],
  );
  const [, setTick] = useState(0);
  // What is dangerous comes with the step, and time passes at every place.
  useEffect(() => {
    const timer = setInterval(() => {
      attempt.pass(Date.now() - attempt.of.start.getTime());
      setTick((before) => before + 1);
    }, 1000);
    return () => clearInterval(timer);
  }, [attempt]);
  return { attempt, acts, act, place, setPlace, last, heard };
}

/** The place that is looked at, as the run sheet knows a run. */
export function usePlaceOf({
  attempt,
  act,
  place,
  acts,
  heard,
  me,
}: Pick<ReturnType<typeof useExercise>, 'attempt' | 'act' | 'place' | 'acts' | 'heard'> & {
  me: { id: string; name: string };
}): LiveRun & { listen: Listen } {
  const { run } = attempt.at(place);
  // eslint-disable-next-line react-hooks/exhaustive-deps -- the run is changed in place: its state is new after every act
  const state = useMemo(() => copyState(run.state), [run, acts]);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const send = useCallback(
    async (command: Command) => {
      if (command.type === 'start') return Promise.resolve(null);
      const done = act(place, { do: 'command', command });
      const refused = done.refusal ? ({ refused: true, ...done.refusal } as Refusal) : null;
      setRefusal(refused);
      return Promise.resolve(refused);
    },
    [act, place],
  );
  const listen = useCallback<Listen>(
    ({ lines, onState, onLive }) => {
      onState?.('open');
      let id = 0;
      const timer = setInterval(() => {
        id += 1;
        attempt.pass(Date.now() - attempt.of.start.getTime());
        const mine = heard.current.filter((one) => one.place === place);
        heard.current = heard.current.filter((one) => one.place !== place);
        const said = [attempt.frame(place), ...mine.flatMap(({ done }) => done.notices ?? [])];
        onLive?.({ id, line: lines![0]!, at: new Date().toISOString(), said });
      }, FRAME_MS);
      return () => clearInterval(timer);
    },
    [attempt, place, heard],
  );
  return {
    state,
    busy: false,
    away: '',
    refusal,
    waiting: [],
    touched: true,
    by: me,
    send,
    clearRefusal: () => setRefusal(null),
    listen,
  };
}
