'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { BumpChannel } from '@/core/record/evidence';
import type { RunChannel } from '@/core/record/event';
import type { Output } from '@/core/instrument/output';
import { outputsAsked } from '@/core/run/handle-bump';
import type { PlannedStep } from '@/core/run/plan-node';
import { measuredChannels } from '@/core/record/state';
import { onChannelScale } from '@/core/supply/match-bottle';
import type { LiveLook } from '@/core/live/live-channel';
import { useKeys } from '@/ui/use-keys';
import { VerdictMark } from '@/ui/verdict-mark';
import { lookOf, type Sheet } from '../sheet';

const METHOD = {
  timed: 'The instrument’s own timed test: it mutes the alarms, so it proves no output.',
  watched: 'Watched: a person sees, hears and feels it.',
  station: 'By a station: as far as it can sense.',
};
/** Under half of what the gas asks for a channel barely moved (common practice: 5 of 50 is a failed one). */
const BARELY = 0.5;

/** Does gas reach the sensors, do all move the right way, do the outputs work. With a line the movement is seen; the outputs always need a person. */
export function BumpStep({ sheet, present }: { sheet: Sheet; present: PlannedStep }) {
  const { run, view, live } = sheet;
  const [answers, setAnswers] = useState<Record<string, 'moved' | 'barely' | 'wrongWay'>>({});
  const [outputs, setOutputs] = useState<Partial<Record<Output, boolean>>>({});
  const step = present.step;
  const asked = step.kind === 'bump' ? outputsAsked(step, run.state) : [];
  // One key a thing that nobody has looked at yet: works, or does not.
  const open = asked.find((output) => outputs[output] === undefined);
  const press = (works: boolean) => () => {
    if (open) setOutputs({ ...outputs, [open]: works });
  };
  useKeys({ y: press(true), x: press(false) });
  if (step.kind !== 'bump') return null;
  const channels = measuredChannels(run.state).filter((one) => step.channels.includes(one.role));
  const bottle = run.state.bindings.filter((one) => !one.released && !one.struck && one.reference.kind === 'gas').at(-1);
  const rows = channels.map((channel) => {
    const component = bottle?.reference.components.find((one) => one.substance === channel.calibrationGas);
    const target = component ? onChannelScale(component, channel) : null;
    return { channel, target: target ? Number(target.value) : null, look: lookOf({ view, live }, channel.id) };
  });
  const seen = (row: (typeof rows)[number]): BumpChannel | null => {
    const typed = answers[row.channel.id];
    if (typed) return { moved: typed !== 'barely', rightWay: typed !== 'wrongWay' };
    return moved(row.channel, row.target, row.look);
  };
  const all = rows.map((row) => ({ ...row, seen: seen(row) }));
  const send = () =>
    run.send({
      type: 'bump',
      step: present.key,
      channels: Object.fromEntries(all.flatMap((row) => (row.seen ? [[row.channel.id, row.seen]] : []))),
      outputs,
    });
  return (
    <div>
      <p className="mb-2">{METHOD[step.method]}</p>
      <ul className="list-unstyled bump-list">
        {all.map(({ channel, target, look, seen: found }) => (
          <li key={channel.id} data-testid={`bump-${channel.role}`}>
            <strong className="bump-name">{channel.label}</strong>
            <span className="mono">
              {look?.before ?? '–'} → {look?.text || '–'}
              {target !== null && <span className="quiet"> of {target}</span>}
            </span>
            {look?.t90Seconds !== null && look?.t90Seconds !== undefined && (
              <span className="quiet small">
                T50 {look.t50Seconds} s, T90 {look.t90Seconds} s
              </span>
            )}
            {found ? (
              <VerdictMark
                state={found.moved && found.rightWay !== false ? 'within' : 'outside'}
                word={!found.moved ? 'barely moved' : found.rightWay === false ? 'wrong way' : 'moved, right way'}
              />
            ) : (
              <VerdictMark state="notMeasured" word="not looked at" />
            )}
            <span className="btn-group" role="group" aria-label={`${channel.label} moved`}>
              {(
                [
                  ['moved', 'Moved'],
                  ['barely', 'Barely'],
                  ['wrongWay', 'Wrong way'],
                ] as const
              ).map(([value, label]) => (
                <Button
                  key={value}
                  size="sm"
                  variant="plain"
                  active={answers[channel.id] === value}
                  onClick={() => setAnswers({ ...answers, [channel.id]: value })}
                >
                  {label}
                </Button>
              ))}
            </span>
          </li>
        ))}
      </ul>
      {asked.length > 0 && (
        <div className="d-flex flex-wrap gap-4 mb-3">
          {asked.map((output) => (
            <span key={output} className="d-flex gap-2 align-items-center">
              <span className="text-capitalize">{output}</span>
              <span className="btn-group" role="group" aria-label={`${output} witnessed`}>
                <Button
                  size="sm"
                  variant="plain"
                  active={outputs[output] === true}
                  onClick={() => setOutputs({ ...outputs, [output]: true })}
                >
                  Yes {open === output && <kbd>Y</kbd>}
                </Button>
                <Button
                  size="sm"
                  variant="plain"
                  active={outputs[output] === false}
                  onClick={() => setOutputs({ ...outputs, [output]: false })}
                >
                  No {open === output && <kbd>X</kbd>}
                </Button>
              </span>
            </span>
          ))}
        </div>
      )}
      <Button data-main-action size="lg" disabled={run.busy} onClick={send}>
        Record the bump <kbd>N</kbd>
      </Button>
    </div>
  );
}

/** Direction and size as the line shows them. Null until it can be told. */
function moved(channel: RunChannel, target: number | null, look: LiveLook | undefined): BumpChannel | null {
  if (!look || look.before === null || look.secondsOfGas === null || target === null || look.status === 'fault') return null;
  const shown = look.status === 'over' ? Infinity : Number(look.text);
  const change = shown - look.before;
  const expected = target - look.before;
  const share = expected === 0 ? 0 : change / expected;
  const rightWay = Math.abs(change) <= 2 * Number(channel.resolution) || Math.sign(change) === Math.sign(expected);
  // A slow one is given its time; one that moved far enough is told at once.
  if (share < BARELY && look.secondsOfGas < 30) return null;
  return {
    moved: Math.abs(share) >= BARELY,
    rightWay,
    shown: look.text || look.status,
    before: String(look.before),
    ...(look.t50Seconds === null ? {} : { t50Seconds: look.t50Seconds }),
    ...(look.t90Seconds === null ? {} : { t90Seconds: look.t90Seconds }),
  };
}
