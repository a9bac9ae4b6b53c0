import type { Point } from '../procedure/procedure';
import { pointed } from '../quantity/pointed';
import { checkTypedReading, type Reading } from '../quantity/reading';
import type { Capture } from '../record/evidence';
import type { RunChannel, TargetUsed } from '../record/event';
import type { Judgement } from '../record/judgement';
import type { RunState } from '../record/state';
import { isRefusal, refuse, type Refusal } from '../words/refusal';
import type { Handling } from './handling';
import { typedInputs } from './inputs-of-point';
import { judgeAtPoint } from './judge-at-point';
import { resolveTarget } from './resolve-target';

/**
 * Judges what was typed without recording it: the sheet shows it while the figure is still being typed.
 * The same function serves the record, so what was seen is what is kept.
 */
export function judgeTyped({
  procedure,
  state,
  point,
  channel,
  text,
  status,
  inputs: given,
  capture,
}: {
  procedure: Handling['procedure'];
  state: RunState;
  point: Point;
  channel: RunChannel;
  text: string;
  status: Reading['status'];
  inputs: Record<string, string>;
  capture?: Capture;
}): { reading: Reading; target: TargetUsed | null; judgement: Judgement } | Refusal {
  const withNumber = status === 'value' || status === 'flicker';
  const problem = withNumber
    ? checkTypedReading({
        text,
        resolution: channel.resolution,
        lowest: channel.lowest,
        highest: channel.highest,
        unit: channel.unit,
      })
    : null;
  if (problem) return refuse(problem.code, problem.sentence, { field: 'text' });
  const inputs = typedInputs(point, channel, given);
  if (isRefusal(inputs)) return inputs;
  const target = resolveTarget({ point, channel, state, inputs, procedure });
  if (target !== null && 'refused' in target) return target;
  // Digits as shown; the plus that some displays show is none of them.
  const reading: Reading = { text: withNumber ? pointed(text).replace(/^\+/, '') : status, unit: channel.unit, status };
  const context = { point, channel, state, inputs, procedure, ...(capture ? { capture } : {}) };
  return { reading, target, judgement: judgeAtPoint(reading, target, context) };
}
