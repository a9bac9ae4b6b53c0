import { pointed } from '../quantity/pointed';
import { checkReference } from './check-reference';
import type { Command } from './command';
import type { EventDraft } from '../record/event';
import { judgeTyped } from './judge-typed';
import type { Handling } from './handling';
import { apply } from './reduce';
import { isRefusal, refuse, type Refusal } from '../words/refusal';
import { copyState, isStruck, measuredChannels } from '../record/state';
import { stateAt } from './state-at';

/**
 * Mends a reading that was written down wrong or compared with the wrong reference: the old one is struck with its reason, the right one stands in its place,
 * judged as things were when it was taken (its conditions, its other references). For documents that are reopened: what was read once can't be read again.
 */
export function handleCorrect(command: Extract<Command, { type: 'correct' }>, handling: Handling): EventDraft[] | Refusal {
  const { procedure, state, context, draft } = handling;
  const wrong = state.readings.find((one) => one.seq === command.seq);
  if (!wrong || isStruck(wrong)) return refuse('nothingToCorrect', 'Only a reading that stands can be corrected.');
  const channel = state.channels.find((one) => one.id === wrong.channel)!;
  const point = procedure.points.find((one) => one.id === wrong.point)!;
  const corrected = Object.fromEntries(Object.entries(command.inputs ?? {}).map(([name, value]) => [name, pointed(value)]));
  const text = pointed(command.text ?? '') || wrong.reading.text;
  if (!command.reference && text === wrong.reading.text)
    return refuse('nothingChanged', 'Type the right figure, or choose the reference that it was really compared with.', {
      field: 'text',
    });
  const where = { step: wrong.step, iteration: wrong.iteration };
  const bound: EventDraft[] = [];
  const then = stateAt(copyState(state), wrong);
  if (command.reference) {
    const slot = procedure.slots.find((one) => 'slot' in point.target && one.id === point.target.slot);
    const reference = context.references[command.reference];
    if (!slot || !reference) return refuse('unknownReference', 'This reference is not on the shelf.', { field: 'reference' });
    const today = context.dayOf?.(wrong.at) ?? wrong.at.slice(0, 10);
    const problem = checkReference({ reference, slot, channels: measuredChannels(state), today });
    if (problem) return problem;
    const before = state.bindings.find((one) => one.seq === wrong.target?.binding);
    bound.push(
      draft(
        'referenceBound',
        { slot: slot.id, reference, ...(before?.flowLPerMin ? { flowLPerMin: before.flowLPerMin } : {}) },
        where,
      ),
    );
    apply(then, {
      ...bound[0]!,
      run: state.run,
      seq: state.seq + 1,
      version: 2,
      command: '',
      recordedAt: context.now,
      actor: context.actor,
    });
  }
  const judged = judgeTyped({
    procedure,
    state: then,
    point,
    channel,
    text,
    status: wrong.reading.status,
    inputs: { ...wrong.inputs, ...corrected },
    ...(wrong.capture ? { capture: wrong.capture } : {}),
  });
  if (isRefusal(judged)) return judged;
  const { capture, remark } = wrong;
  return [
    ...bound,
    draft('struck', { seq: wrong.seq, reason: command.reason }),
    draft(
      'readingCaptured',
      {
        point: point.id,
        channel: channel.id,
        phase: wrong.phase,
        reading: judged.reading,
        inputs: { ...wrong.inputs, ...corrected },
        target: judged.target,
        judgement: judged.judgement,
        counts: wrong.counts,
        takenAt: wrong.takenAt ?? wrong.at,
        ...(remark ? { remark } : {}),
        ...(capture ? { capture } : {}),
      },
      where,
    ),
  ];
}
