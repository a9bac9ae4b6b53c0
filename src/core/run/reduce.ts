import { isEnding } from '../procedure/follow';
import type { EventData, RunEvent } from '../record/event';
import { forgetPlan } from './plan';
import { boundReference, emptyState, measuredChannels, openStimulus, type Flag, type RunState } from '../record/state';

/**
 * The state that a list of events amounts to. Accepts any recorded order; never reads a clock or a table; guards nothing (that is `handle`'s work).
 */
export function reduce(run: string, events: RunEvent[]): RunState {
  const state = emptyState(run);
  for (const event of events) apply(state, event);
  return state;
}

/** Adds one event to a state in place. */
export function apply(state: RunState, event: RunEvent): RunState {
  forgetPlan(state);
  state.seq = event.seq;
  keepLate(state, event);
  const mark = { seq: event.seq, at: event.occurredAt };
  const by = event.actor.name;
  const step = event.step ?? '';
  const iteration = event.iteration ?? 1;
  switch (event.type) {
    case 'started':
      Object.assign(state, {
        status: 'open',
        started: event.data,
        startedAt: event.occurredAt,
        technician: event.actor,
        channels: event.data.channels.map((channel) => ({ ...channel })),
      });
      break;
    case 'stepEntered':
      state.steps[step] = { status: 'open', enteredAt: event.occurredAt };
      break;
    case 'stepDone':
    case 'stepSkipped': {
      const reason = event.type === 'stepSkipped' ? event.data.reason : undefined;
      state.steps[step] = {
        status: event.type === 'stepDone' ? 'done' : 'skipped',
        enteredAt: state.steps[step]?.enteredAt ?? event.occurredAt,
        endedAt: event.occurredAt,
        ...(event.type === 'stepDone' && event.data.trace ? { trace: event.data.trace } : {}),
        ...(reason ? { reason } : {}),
      };
      break;
    }
    case 'answered':
      state.answers[`${step}/${event.data.item}`] = {
        value: event.data.value,
        ...(event.data.note ? { note: event.data.note } : {}),
        ...(event.data.expected === undefined ? {} : { expected: event.data.expected }),
        seq: event.seq,
      };
      break;
    case 'conditionRecorded':
      state.conditions.push({ ...event.data, ...mark });
      break;
    case 'referenceBound':
      state.bindings
        .filter((binding) => binding.slot === event.data.slot)
        .forEach((binding) => {
          binding.released = true;
        });
      state.bindings.push({ ...event.data, ...mark, by, released: false, struck: null });
      break;
    case 'referenceReleased':
      state.bindings
        .filter((binding) => binding.slot === event.data.slot)
        .forEach((binding) => {
          binding.released = true;
        });
      break;
    case 'stimulusChanged':
      applyStimulus(state, event.data, mark, event.step === undefined);
      break;
    case 'readingCaptured':
      state.readings.push({
        ...event.data,
        ...mark,
        by,
        step,
        iteration,
        flags: flagsFromReference(state, event.data.target?.binding ?? null),
      });
      break;
    case 'adjusted':
      state.adjustments.push({ ...event.data, ...mark, by, step, iteration, struck: false });
      break;
    case 'saved':
      state.saves.push({ ...event.data, ...mark, step });
      break;
    case 'bumped':
      state.bumps.push({ ...event.data, ...mark, step });
      break;
    case 'cared':
      state.cares.push({ ...event.data, ...mark });
      break;
    case 'partReplaced':
      state.parts.push({ ...event.data, ...mark });
      state.channels
        .filter((channel) => channel.id === event.data.channel)
        .forEach((channel) => {
          channel.sensorSerial = event.data.newSerial;
        });
      break;
    case 'channelSet':
      state.channelsSet.push({ ...event.data, ...mark });
      state.channels
        .filter((channel) => channel.id === event.data.channel)
        .forEach((channel) => {
          channel.status = event.data.status;
        });
      break;
    case 'settingChanged':
      state.settings.push({ ...event.data, ...mark });
      break;
    case 'deviated':
      state.deviations.push({ ...event.data, ...mark, by, ...(event.step ? { step: event.step } : {}) });
      break;
    case 'decided': {
      state.decisions.push({ ...event.data, ...mark, by, step });
      applyEnding(state, event.data, { at: event.occurredAt, by, seq: event.seq });
      break;
    }
    case 'struck':
      applyStrike(state, event.data, by, event.seq);
      takeBack(state, event.data, by);
      break;
    case 'paperTaken':
      state.sheets.push({ seq: event.seq, at: event.occurredAt, photos: event.data.photos });
      state.paper = {
        ...event.data,
        // More of the same paper: earlier photos stay.
        photos: [...new Set([...(state.paper?.photos ?? []), ...event.data.photos])],
        ...mark,
        enteredBy: by,
      };
      break;
    case 'noted':
      state.notes.push({ text: event.data.text, ...mark, by });
      break;
    case 'finished':
      Object.assign(state, { status: 'finished', finishedAt: event.occurredAt, finishedBy: event.actor });
      break;
    case 'sentBack':
      state.status = 'open';
      state.sentBack.push({ note: event.data.note, at: event.occurredAt, by });
      break;
    case 'approved':
      Object.assign(state, {
        status: 'approved',
        approvedAt: event.occurredAt,
        approvedBy: event.actor,
        samePerson: event.data.samePerson,
      });
      break;
    case 'reopened':
      state.status = 'open';
      state.reopened.push({ reason: event.data.reason, at: event.occurredAt, by, seq: event.seq });
      break;
    case 'aborted':
      Object.assign(state, { status: 'aborted', abortedReason: event.data.reason });
      break;
  }
  return state;
}

/** Told this much later than it was done, a press is marked; an ordinary one is on its way for a moment. */
const LATE_SECONDS = 10;
function keepLate(state: RunState, event: RunEvent): void {
  if (event.source !== 'typed' && event.source !== 'live') return;
  const seconds = (Date.parse(event.recordedAt) - Date.parse(event.occurredAt)) / 1000;
  if (seconds >= LATE_SECONDS)
    state.late.push({
      seq: event.seq,
      at: event.occurredAt,
      seconds: Math.round(seconds),
      ...(event.step ? { step: event.step } : {}),
    });
}

/** A channel that is given up; the whole instrument where the decision names none, or where none is left. */
function applyEnding(state: RunState, { channel, consequence, option, note }: EventData['decided'], mark: Mark): void {
  if (!isEnding(consequence)) return;
  if (channel && consequence !== 'return') state.retired[channel] = { option, consequence };
  if (!channel || measuredChannels(state).length === 0) state.ending = { consequence, ...(note ? { note } : {}), ...mark };
}
interface Mark {
  at: string;
  by: string;
  seq: number;
}

function applyStimulus(
  state: RunState,
  data: { slot: string; means: string; on: boolean; litres?: string },
  mark: { seq: number; at: string },
  outOfTurn: boolean,
): void {
  if (data.on) {
    state.stimuli.push({
      slot: data.slot,
      means: data.means,
      onAt: mark.at,
      offAt: null,
      binding: boundReference(state, data.slot)?.seq ?? null,
      onSeq: mark.seq,
      offSeq: null,
      litres: null,
    });
    return;
  }
  const span = openStimulus(state, data.slot);
  if (span)
    Object.assign(span, {
      offAt: mark.at,
      offSeq: mark.seq,
      litres: data.litres ?? null,
      ...(outOfTurn ? { closedEarly: true } : {}),
    });
}

function flagsFromReference(state: RunState, seq: number | null): Flag[] {
  const struck = state.bindings.find((binding) => binding.seq === seq)?.struck;
  return struck ? [{ ...struck, code: 'referenceStruck' }] : [];
}

/** A strike names an earlier event; what rested on it is flagged, nothing is taken away. */
function applyStrike(state: RunState, { seq, reason }: { seq: number; reason: string }, by: string, strikeSeq: number): void {
  const flag: Flag = { code: 'struck', reason, by, seq: strikeSeq };
  state.readings.filter((reading) => reading.seq === seq).forEach((reading) => reading.flags.push(flag));
  state.adjustments
    .filter((adjustment) => adjustment.seq === seq)
    .forEach((adjustment) => {
      adjustment.struck = true;
    });
  for (const binding of state.bindings.filter((candidate) => candidate.seq === seq)) {
    binding.struck = flag;
    state.readings
      .filter((reading) => reading.target?.binding === seq)
      .forEach((reading) => reading.flags.push({ ...flag, code: 'referenceStruck' }));
  }
}

/** What was said in error no longer counts, and stays readable among what was struck out. */
function takeBack(state: RunState, { seq, reason }: { seq: number; reason: string }, who: string): void {
  const of = <T extends { seq: number }>(list: T[]) => list.find((one) => one.seq === seq);
  const note = of(state.notes);
  const part = of(state.parts);
  const setting = of(state.settings);
  const sheet = of(state.sheets);
  const by = { reason, by: who };
  if (note) state.struckOut.push({ was: 'note', seq, at: note.at, text: note.text, ...by });
  if (part) {
    state.struckOut.push({ was: 'part', ...part, ...by });
    const later = state.parts.some((one) => one.channel === part.channel && one.seq > seq);
    const channel = state.channels.find((one) => one.id === part.channel);
    if (channel && !later) {
      if (part.oldSerial) channel.sensorSerial = part.oldSerial;
      else delete channel.sensorSerial;
    }
  }
  if (setting) state.struckOut.push({ was: 'setting', ...setting, ...by });
  if (sheet && state.paper) {
    state.struckOut.push({ was: 'paper', seq, at: sheet.at, photos: sheet.photos, ...by });
    const left = state.sheets.filter((one) => one.seq !== seq);
    state.paper = left.length ? { ...state.paper, photos: [...new Set(left.flatMap((one) => one.photos))] } : null;
  }
  const without = <T extends { seq: number }>(list: T[]) => list.filter((one) => one.seq !== seq);
  Object.assign(state, {
    notes: without(state.notes),
    parts: without(state.parts),
    settings: without(state.settings),
    sheets: without(state.sheets),
  });
}
