'use client';
import { useRef, useState } from 'react';
import type { ReadingTaken } from '@/core/run/command';
import { inputsOfPoint } from '@/core/run/inputs-of-point';
import type { PlannedStep } from '@/core/run/plan-node';
import { missingReadings } from '@/core/run/read-pairs';
import { capturable } from './live-rules';
import type { RunView } from '../server/run-view';
import { lookOf } from '../sheet';
import { inputsFromLine } from './inputs-live';
import { openLiquid } from '../steps/open-liquid';
import type { LiveLine } from './use-live';
import type { LiveRun } from '../use-run';

/** The capture key: takes every channel that has settled, all by one command; says which have not. */
export function useCapture(
  run: LiveRun,
  view: RunView,
  live: LiveLine,
  present: PlannedStep | undefined,
  thermometer: string | undefined,
): { capture: () => void; said: string; ready: number; asked: number } {
  const [told, setTold] = useState({ at: '', text: '' });
  const running = useRef(false);
  const setSaid = (text: string) => setTold({ at: present?.key ?? '', text });
  const step = present?.step.kind === 'read' ? present.step : null;
  const missing = step ? missingReadings(step, present!.key, present!.channel, view.procedure, run.state) : [];
  const line = view.line?.id;
  const liquid = openLiquid(view.procedure, run.state) !== null;
  const inputsOf = (pair: { point: string; channel: string }) => {
    const point = view.procedure.points.find((one) => one.id === pair.point)!;
    const channel = run.state.channels.find((one) => one.id === pair.channel)!;
    const read = inputsFromLine({ run, view, live, thermometer }, point, channel);
    // What only a person can read (a thermometer, a strip) is typed beside the channel.
    return inputsOfPoint(point, channel).every((one) => !one.needed || read[one.name] !== undefined) ? read : null;
  };
  const found = missing.map((pair) => ({
    ...pair,
    // What an instrument shows while it warms up counts for nothing.
    taken:
      line && live.frame?.mode !== 'warmUp'
        ? capturable(lookOf({ view, live }, pair.channel), line, step!.phase, { liquid })
        : null,
    inputs: inputsOf(pair),
    before: lookOf({ view, live }, pair.channel)?.before ?? null,
  }));
  const ready = found.filter((one) => one.taken && one.inputs);
  const capture = async () => {
    if (!step || !line) return;
    if (ready.length === 0) return setSaid('Nothing has settled yet: wait, or type what it shows.');
    setSaid('');
    const readings = ready.map(({ point, channel, taken, inputs }): ReadingTaken => {
      const observed = view.procedure.points.find((one) => one.id === point)?.target.kind === 'observe';
      const earlier = observed ? earlierShown(run, channel) : null;
      return {
        point,
        channel,
        text: taken!.text,
        capture: taken!.capture,
        ...(earlier ? { inputs: { before: earlier } } : inputs && Object.keys(inputs).length ? { inputs } : {}),
      };
    });
    const together = await run.send({ type: 'captureReadings', step: present!.key, readings });
    if (together && readings.length === 1) return setSaid(together.sentence);
    // One that can't be taken doesn't keep the others: they are taken each by itself, up to the one that is refused.
    if (together)
      for (const reading of readings) {
        const refused = await run.send({ type: 'captureReading', step: present!.key, ...reading });
        if (refused) return setSaid(refused.sentence);
      }
    const left = found
      .filter((one) => !one.taken || !one.inputs)
      .map((one) => run.state.channels.find((each) => each.id === one.channel)?.label);
    if (left.length) setSaid(`Still open: ${left.join(', ')}.`);
  };
  // Pressed twice in a hurry is pressed once: the second would ask for what the first is just taking.
  const once = async () => {
    if (running.current) return;
    running.current = true;
    await capture().finally(() => (running.current = false));
  };
  // What was said of one step says nothing of the next.
  const said = told.at === present?.key ? told.text : '';
  return { capture: () => void once(), said, ready: ready.length, asked: found.length };
}

/** What the channel showed before: the last reading on record. */
function earlierShown(run: LiveRun, channel: string): string | null {
  return (
    run.state.readings.filter((one) => one.channel === channel && one.reading.status === 'value').at(-1)?.reading.text ?? null
  );
}
