import type { Answer, Command } from './command';
import type { EventDraft, RunChannel } from '../record/event';
import type { Handling } from './handling';
import type { PlannedStep } from './plan-node';
import { refuse, type Refusal } from '../words/refusal';
import { refused } from '../words/refused';
import { pointed } from '../quantity/pointed';
import { expectedAnswer } from './expected-answer';
import { at } from './step-in-turn';
import { valueBefore } from './value-before';
import { calibrationReadings, type RunState } from '../record/state';
import type { CheckItem } from '../procedure/procedure';
import '@/core/words/en/refusals-acts';

/** The questions of a step, each answered; what it had to be is copied beside where the run knows it. */
export function handleCheck(
  items: CheckItem[],
  step: PlannedStep,
  { answers: typed = {} }: Extract<Command, { type: 'completeStep' }>,
  handling: Handling,
  done: EventDraft,
): EventDraft[] | Refusal {
  const answers = figuresPointed(items, typed);
  for (const item of items) {
    const problem = problemWith(item, answers[item.id], handling.state);
    if (problem) return problem;
  }
  return [
    ...items.map((item) => {
      const { value, note } = answers[item.id]!;
      const expected = expectedAnswer(item, step, handling);
      return handling.draft(
        'answered',
        { item: item.id, value: value.trim(), ...(note ? { note } : {}), ...(expected === null ? {} : { expected }) },
        at(step),
      );
    }),
    ...items.flatMap((item) => changedSetting(item, answers[item.id]!, step, handling)),
    ...items.flatMap((item) => newSensor(item, answers[item.id]!.value.trim(), step, handling)),
    done,
  ];
}

/** Figures with a point, whatever mark they were typed with. */
const figuresPointed = (items: CheckItem[], typed: Record<string, Answer>): Record<string, Answer> =>
  Object.fromEntries(
    Object.entries(typed).map(([id, answer]) =>
      items.find((one) => one.id === id)?.answer === 'number' && answer.value
        ? [id, { ...answer, value: pointed(answer.value) }]
        : [id, answer],
    ),
  );

function problemWith(item: CheckItem, answer: Answer | undefined, state: RunState): Refusal | null {
  const value = answer?.value?.trim();
  const { label } = item;
  if (!answer || !value) return refused('unanswered', { label }, item.id);
  if (
    (item.answer === 'passFault' && !['pass', 'fault'].includes(value)) ||
    (item.answer === 'yesNo' && !['yes', 'no'].includes(value))
  )
    return refused('unanswered', { label }, item.id);
  if (
    item.answer === 'number' &&
    !((item.needsPoints || item.about === 'keptBefore') && value === 'none') &&
    !/^[+-]?\d+(\.\d+)?$/.test(value)
  )
    return refused('notANumber', { label, typed: answer.value }, item.id);
  const short = tooFewPoints(item, value, state);
  if (short) return refuse('tooFewPoints', short, { field: item.id });
  const before = valueBefore(item, state);
  if (before !== undefined && Number(before) !== Number(value) && !answer.note?.trim())
    return refused('whoAgreed', { label, before, after: value }, item.id);
  if (item.answer === 'passFault' && value === 'fault' && !answer.note?.trim())
    return refused('faultNeedsNote', { label }, item.id);
  return null;
}

/** One buffer gives an offset, no slope: whatever the meter shows for it is not measured. */
function tooFewPoints(item: CheckItem, value: string, state: RunState): string | null {
  if (!item.needsPoints || value === 'none') return null;
  const pointsOf = (channel: RunChannel) =>
    new Set(calibrationReadings(state, channel).map((one) => one.target?.inputs.buffer ?? one.point)).size;
  const points = Math.max(0, ...state.channels.map(pointsOf));
  return points >= item.needsPoints
    ? null
    : `${item.label}: ${points === 1 ? 'one point gives' : `${points} points give`} no such figure, it takes ${item.needsPoints}. Write “none”.`;
}

/** A setting that is another one than before stands on record with who agreed. */
function changedSetting(item: CheckItem, answer: Answer, step: PlannedStep, { state, draft }: Handling): EventDraft[] {
  const before = valueBefore(item, state);
  if (before === undefined || Number(before) === Number(answer.value)) return [];
  return [
    draft(
      'settingChanged',
      {
        kind: item.about === 'storedSpan' ? 'span' : 'alarm',
        setting: item.label,
        before,
        after: answer.value.trim(),
        agreedBy: answer.note!.trim(),
      },
      at(step),
    ),
  ];
}

/** A new sensor's serial is a replaced part of its channel. */
function newSensor(item: CheckItem, serial: string, step: PlannedStep, { state, draft }: Handling): EventDraft[] {
  const channel = item.answer === 'sensorSerial' ? state.channels.find((one) => one.id === step.channel) : undefined;
  if (!channel) return [];
  return [
    draft(
      'partReplaced',
      {
        channel: channel.id,
        part: `sensor of ${channel.label}`,
        newSerial: serial,
        ...(channel.sensorSerial ? { oldSerial: channel.sensorSerial } : {}),
      },
      at(step),
    ),
  ];
}
