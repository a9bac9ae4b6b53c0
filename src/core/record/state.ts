import type { Actor, EventData, RunChannel, StartedData } from './event';
import type { Ending } from '../procedure/follow';
import type { Traits } from '../instrument/traits';
import type { TraceKept } from './evidence';

export type RunStatus = 'notStarted' | 'open' | 'finished' | 'approved' | 'aborted';

export interface StepRecord {
  status: 'open' | 'done' | 'skipped';
  enteredAt: string;
  endedAt?: string;
  reason?: string;
  trace?: TraceKept;
}
export interface Flag {
  code: 'struck' | 'referenceStruck';
  reason: string;
  by: string;
  seq: number;
}

export type RecordedReading = EventData['readingCaptured'] & {
  seq: number;
  at: string;
  by: string;
  step: string;
  iteration: number;
  flags: Flag[];
};
export type RecordedAdjustment = EventData['adjusted'] & {
  seq: number;
  at: string;
  by: string;
  step: string;
  iteration: number;
  struck: boolean;
};
export type Binding = EventData['referenceBound'] & {
  seq: number;
  at: string;
  by: string;
  released: boolean;
  struck: Flag | null;
};
export interface StimulusSpan {
  slot: string;
  means: string;
  onAt: string;
  offAt: string | null;
  binding: number | null;
  onSeq: number;
  offSeq: number | null;
  litres: string | null;
  /** Closed before its step said so (an empty bottle, a short break): it may be opened again. */
  closedEarly?: true;
}

/** An entry that was taken back, with its reason. */
export type StruckOut = { seq: number; at: string; reason: string; by: string } & (
  | { was: 'note'; text: string }
  | ({ was: 'part' } & EventData['partReplaced'])
  | ({ was: 'setting' } & EventData['settingChanged'])
  | { was: 'paper'; photos: string[] }
);

/** All that the events say, nothing that a clock or a table says. */
export interface RunState {
  run: string;
  seq: number;
  status: RunStatus;
  started: StartedData | null;
  startedAt: string | null;
  technician: Actor | null;
  finishedAt: string | null;
  finishedBy: Actor | null;
  approvedAt: string | null;
  approvedBy: Actor | null;
  samePerson: boolean;
  channels: RunChannel[];
  /** Channel id to what was decided for it after two failed tries. */
  retired: Record<string, { option: string; consequence: 'service' | 'outOfService' }>;
  /** The whole instrument was given up: nothing is asked of it any more. */
  ending: { consequence: Ending; note?: string; at: string; by: string; seq: number } | null;
  steps: Record<string, StepRecord>;
  answers: Record<string, { value: string; note?: string; expected?: string; seq: number }>;
  conditions: (EventData['conditionRecorded'] & { at: string; seq: number })[];
  bindings: Binding[];
  stimuli: StimulusSpan[];
  readings: RecordedReading[];
  adjustments: RecordedAdjustment[];
  saves: (EventData['saved'] & { seq: number; at: string; step: string })[];
  bumps: (EventData['bumped'] & { seq: number; at: string; step: string })[];
  cares: (EventData['cared'] & { seq: number; at: string })[];
  parts: (EventData['partReplaced'] & { seq: number; at: string })[];
  channelsSet: (EventData['channelSet'] & { seq: number; at: string })[];
  settings: (EventData['settingChanged'] & { seq: number; at: string })[];
  deviations: (EventData['deviated'] & { seq: number; at: string; by: string; step?: string })[];
  decisions: (EventData['decided'] & { seq: number; at: string; by: string; step: string })[];
  /** What was told late: done at one time, recorded so many seconds after. */
  late: { seq: number; at: string; seconds: number; step?: string }[];
  notes: { text: string; seq: number; at: string; by: string }[];
  /** Written on paper that day, without the house, and entered since: the day of the work, who wrote, photos by their SHA-256. */
  paper: (EventData['paperTaken'] & { seq: number; at: string; enteredBy: string }) | null;
  /** Each time photos were taken in. */
  sheets: { seq: number; at: string; photos: string[] }[];
  /** What was said in error and is no longer counted: it stays readable. */
  struckOut: StruckOut[];
  sentBack: { note: string; at: string; by: string }[];
  /** Approved once, and opened again to mend something. */
  reopened: { reason: string; at: string; by: string; seq: number }[];
  abortedReason: string | null;
}

export function emptyState(run: string): RunState {
  return {
    run,
    seq: 0,
    status: 'notStarted',
    started: null,
    startedAt: null,
    technician: null,
    finishedAt: null,
    finishedBy: null,
    approvedAt: null,
    approvedBy: null,
    samePerson: false,
    channels: [],
    retired: {},
    ending: null,
    steps: {},
    answers: {},
    conditions: [],
    bindings: [],
    stimuli: [],
    readings: [],
    adjustments: [],
    saves: [],
    bumps: [],
    cares: [],
    parts: [],
    channelsSet: [],
    settings: [],
    deviations: [],
    decisions: [],
    late: [],
    notes: [],
    paper: null,
    sheets: [],
    struckOut: [],
    sentBack: [],
    reopened: [],
    abortedReason: null,
  };
}

/** A copy that events may be applied to: everything that `apply` changes in place is new, what it only adds to is shared. */
export function copyState(state: RunState): RunState {
  return {
    ...state,
    channels: state.channels.map((channel) => ({ ...channel })),
    retired: { ...state.retired },
    steps: { ...state.steps },
    answers: { ...state.answers },
    conditions: [...state.conditions],
    bindings: state.bindings.map((binding) => ({ ...binding })),
    stimuli: state.stimuli.map((span) => ({ ...span })),
    readings: state.readings.map((reading) => ({ ...reading, flags: [...reading.flags] })),
    adjustments: state.adjustments.map((adjustment) => ({ ...adjustment })),
    saves: [...state.saves],
    bumps: [...state.bumps],
    cares: [...state.cares],
    parts: [...state.parts],
    channelsSet: [...state.channelsSet],
    settings: [...state.settings],
    deviations: [...state.deviations],
    decisions: [...state.decisions],
    late: [...state.late],
    notes: [...state.notes],
    sheets: [...state.sheets],
    struckOut: [...state.struckOut],
    sentBack: [...state.sentBack],
    reopened: [...state.reopened],
  };
}

/** What was answered last to a question of a step, however often it was looked at. */
export function lastAnswer(state: RunState, step: string, item: string): RunState['answers'][string] | undefined {
  let found = state.answers[`${step}/${item}`];
  for (let look = 2; ; look += 1) {
    const next = state.answers[`${step}~${look}/${item}`];
    if (!next) return found;
    found = next;
  }
}

/** The reading that counts for a point, channel and phase: the latest that nobody struck. */
export function standingReading(
  state: RunState,
  where: { point?: string; channel: string; phase: string; step?: string },
): RecordedReading | null {
  for (let i = state.readings.length - 1; i >= 0; i -= 1) {
    const reading = state.readings[i]!;
    if (
      reading.channel === where.channel &&
      reading.phase === where.phase &&
      (!where.point || reading.point === where.point) &&
      (!where.step || reading.step === where.step) &&
      !isStruck(reading)
    )
      return reading;
  }
  return null;
}

/** Since when the points of a calibration count for a place: a calibration begun again leaves the earlier ones behind. 0 when it was not. */
export function calibrationBegan(state: RunState, role: string): number {
  return state.decisions.filter((one) => one.again?.includes(role)).at(-1)?.seq ?? 0;
}

/** The readings of the calibration that stands, of one channel. */
export function calibrationReadings(state: RunState, channel: RunChannel): RecordedReading[] {
  const began = calibrationBegan(state, channel.role);
  return state.readings.filter(
    (one) => one.channel === channel.id && one.phase === 'adjustment' && !isStruck(one) && one.seq > began,
  );
}

export function isStruck(reading: RecordedReading): boolean {
  return reading.flags.some((flag) => flag.code === 'struck');
}

/** The reference now in a slot, or null. */
export function boundReference(state: RunState, slot: string): Binding | null {
  for (let i = state.bindings.length - 1; i >= 0; i -= 1) {
    const binding = state.bindings[i]!;
    if (binding.slot === slot) return binding.released || binding.struck ? null : binding;
  }
  return null;
}

export function openStimulus(state: RunState, slot?: string): StimulusSpan | null {
  return state.stimuli.find((span) => span.offAt === null && (!slot || span.slot === slot)) ?? null;
}

/** Channels that are measured: fitted, and not sent to service or out of service during this run. */
export function measuredChannels(state: RunState): RunChannel[] {
  return state.channels.filter((channel) => channel.status === 'fitted' && !state.retired[channel.id]);
}

/** The traits of everything that belongs to the instrument: its body with what is screwed into it. */
export const traitsOf = (state: RunState): Traits =>
  Object.assign({}, ...(state.started?.items ?? []).map((item) => item.traits)) as Traits;

export function wasAdjusted(state: RunState, channel?: string): boolean {
  return state.adjustments.some(
    (adjustment) =>
      !adjustment.struck &&
      adjustment.action !== 'quick' &&
      adjustment.outcome !== 'discarded' &&
      (!channel || adjustment.channels.includes(channel)),
  );
}
