import { electrodeCondition } from '../ph/electrode-condition';
import { electrodeLimits } from '../ph/electrode-limits';
import { electrodeThrough } from './electrode-through';
import type { Condition } from '../procedure/condition';
import { propertyHolds } from '../procedure/property-holds';
import { electrodeBefore } from './computed-found';
import type { RunChannel } from '../record/event';
import { bumpStands, leftMissing, tripsAlarms } from './shared';
import {
  calibrationReadings,
  isStruck,
  lastAnswer,
  measuredChannels,
  openStimulus,
  traitsOf,
  wasAdjusted,
  type RunState,
} from '../record/state';

/** Whether a condition of the procedure is true of what has been recorded; `channel` narrows it to one channel. */
export function conditionHolds(
  condition: Condition,
  state: RunState,
  where: { channel?: string | undefined; iteration: number; stepKey: (id: string) => string },
): boolean {
  if ('not' in condition) return !conditionHolds(condition.not, state, where);
  if ('all' in condition) return condition.all.every((one) => conditionHolds(one, state, where));
  if ('any' in condition) return condition.any.some((one) => conditionHolds(one, state, where));
  const { channel } = where;
  const about = (channels: string[]) => !channel || channels.includes(channel);
  switch (condition.is) {
    case 'readingOutside':
      return state.readings.some(
        (reading) =>
          reading.phase === condition.phase &&
          reading.counts &&
          !isStruck(reading) &&
          about([reading.channel]) &&
          reading.judgement.state === 'outside',
      );
    case 'adjustPassed':
      return ['passed', 'applied'].includes(lastSpan(state, channel)?.outcome ?? '');
    case 'adjustFailed':
      return lastSpan(state, channel)?.outcome === 'failed';
    case 'anyAdjustFailed':
      return measuredChannels(state).some((one) => lastSpan(state, one.id)?.outcome === 'failed');
    case 'zeroFailed':
      return lastZero(state, channel)?.outcome === 'failed';
    case 'anyZeroFailed':
      return measuredChannels(state).some((one) => lastZero(state, one.id)?.outcome === 'failed');
    case 'adjustFailedHere':
      return state.adjustments.some((one) => !one.struck && one.outcome === 'failed' && one.step.startsWith(where.stepKey('')));
    case 'electrodePoor':
      return measuredChannels(state).some((one) => one.role === condition.role && isPoor(state, one));
    case 'anythingAdjusted':
      return wasAdjusted(state, channel);
    case 'saved':
      return lastSave(state) === 'saved';
    case 'saveLost':
      return lastSave(state) === 'lost';
    case 'stimulusOn':
      return openStimulus(state, condition.slot) !== null;
    case 'iterationAtLeast':
      return where.iteration >= condition.count;
    case 'answered':
      return lastAnswer(state, where.stepKey(condition.step), condition.item)?.value === condition.equals;
    case 'decided': {
      const last = state.decisions
        .filter(
          (decision) =>
            decision.question === condition.question &&
            (!channel || !decision.channel || decision.channel === channel) &&
            (!condition.here || decision.step.startsWith(where.stepKey(''))),
        )
        .at(-1);
      return last?.option === condition.option;
    }
    case 'property':
      return state.started !== null && propertyHolds(condition.property, traitsOf(state), state.started.service);
    case 'implausible':
      return (
        state.readings
          .filter(
            (one) =>
              one.phase === 'adjustment' && !isStruck(one) && about([one.channel]) && one.step.startsWith(where.stepKey('')),
          )
          .at(-1)?.judgement.code === 'implausible'
      );
    case 'gateShut': {
      const last = state.readings.findLast((one) => one.point === condition.point && !isStruck(one));
      return last?.judgement.why?.code === 'judged.gateShut';
    }
    case 'school':
      return state.started?.schools?.[condition.school] === condition.option;
    case 'channel':
      return measuredChannels(state).some((one) => one.role === condition.role);
    case 'bumpFailed':
      return state.bumps.at(-1)?.outcome === 'failed';
    case 'bumpStands':
      return bumpStands(state);
    case 'tripsAlarms':
      return tripsAlarms(state);
    case 'leftMissing':
      return leftMissing(state, condition.points, { channel, role: condition.role });
    case 'electrodeKnown':
      return electrodeBefore(state) !== null;
  }
}

function isPoor(state: RunState, channel: RunChannel): boolean {
  const electrode = electrodeThrough(calibrationReadings(state, channel));
  return (
    electrode !== null &&
    electrode.segments.length > 0 &&
    electrodeCondition({ electrode, limits: electrodeLimits(state.started?.schools) }).condition !== 'good'
  );
}

/** A zero that passed does not make a failed span good: only span, calibrate and trim speak for the channel. */
function lastSpan(state: RunState, channel: string | undefined) {
  return state.adjustments
    .filter(
      (adjustment) =>
        !adjustment.struck &&
        adjustment.action !== 'zero' &&
        adjustment.action !== 'fineZero' &&
        adjustment.action !== 'quick' &&
        (!channel || adjustment.channels.includes(channel)),
    )
    .at(-1);
}

/** The last zero of a channel, by its key or by the fine control. */
function lastZero(state: RunState, channel: string | undefined) {
  return state.adjustments.findLast(
    (one) => !one.struck && (one.action === 'zero' || one.action === 'fineZero') && (!channel || one.channels.includes(channel)),
  );
}

/** A save counts only for the adjustment it followed. */
function lastSave(state: RunState): 'saved' | 'lost' | null {
  const lastAdjusted = state.adjustments.filter((adjustment) => !adjustment.struck).at(-1)?.seq ?? 0;
  return state.saves.filter((save) => save.seq > lastAdjusted).at(-1)?.outcome ?? null;
}
