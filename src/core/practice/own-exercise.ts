import type { Procedure } from '../procedure/procedure';
import { isStruck, traitsOf, type RunState } from '../record/state';
import type { ModelToTry } from '../walk/begin-on-model';
import { possibleFaults, type FaultId, type Hidden } from './fault';

/** What is kept of a run as an exercise: the instrument as it was, without whose it was. */
export interface OwnExercise {
  procedure: { id: string; version: number };
  model: ModelToTry & { name: string };
  /** How far off each channel came, in tolerances, by role. */
  asFound: Record<string, number>;
  hidden: Hidden[];
}
/** What of a channel is a model's: nothing of the sensor that was in it. */
const KEPT = [
  'role',
  'label',
  'measurand',
  'unit',
  'resolution',
  'lowest',
  'highest',
  'tolerance',
  'calibrationGas',
  'principle',
  'cleanAir',
  'scale',
  'water',
  'alarms',
  'coefficients',
] as const;
/** Further off than this is a fault of its own, not a drift. */
const FURTHEST = 5;

/**
 * An exercise of a run that was worked here: the same model, the same procedure, channels as far off as they came, and the faults that showed (a channel that could not be adjusted, a save that was lost, an output that failed).
 * Nothing of the customer, the serial, the people or the words that were typed is in it.
 * Errors: RangeError for a run that never began.
 *
 * @example
 * exerciseOfRun({ procedure, state, name: 'Ordfell OF-410' }).asFound // { h2s: -1.4, … }
 */
export function exerciseOfRun({ procedure, state, name }: { procedure: Procedure; state: RunState; name: string }): OwnExercise {
  if (!state.started) throw new RangeError('state must be of a run that began');
  const traits = traitsOf(state);
  const channels = state.channels.filter((one) => one.status !== 'removed');
  const possible = possibleFaults({
    channels: channels.map((one) => ({ ...one, id: `c-${one.role}`, status: 'fitted' })),
    procedure,
    traits,
  });
  const has = (fault: FaultId, channel?: string) => possible.some((one) => one.fault === fault && one.channel === channel);
  const hidden: Hidden[] = [];
  for (const one of channels) {
    const tries = state.adjustments.filter((each) => !each.struck && each.channels.includes(one.id));
    const gaveUp = state.retired[one.id] !== undefined || (tries.length > 1 && tries.every((each) => each.outcome === 'failed'));
    const fault = (['weakSensor', 'stuckSensor', 'agedElectrode', 'polarisedCell', 'lowElectrolyte'] as const).find((each) =>
      has(each, `c-${one.role}`),
    );
    if (gaveUp && fault) hidden.push({ fault, channel: `c-${one.role}` });
  }
  if (state.saves.some((one) => one.outcome === 'lost') && has('missesSave')) hidden.push({ fault: 'missesSave' });
  if (state.bumps.some((one) => one.outputs?.sound === false) && has('deadBuzzer')) hidden.push({ fault: 'deadBuzzer' });
  return {
    procedure: state.started.procedure,
    model: {
      name,
      traits,
      channels: channels.map(
        (one) =>
          Object.fromEntries(
            KEPT.flatMap((key) => (one[key] === undefined ? [] : [[key, one[key]]])),
          ) as unknown as OwnExercise['model']['channels'][number],
      ),
    },
    asFound: Object.fromEntries(channels.flatMap((one) => offOf(state, one.id, one.role))),
    hidden: hidden.slice(0, 2),
  };
}

/** The largest error as found of a channel in tolerances, with its sign. */
function offOf(state: RunState, channel: string, role: string): [string, number][] {
  const shares = state.readings
    .filter((one) => one.channel === channel && one.phase === 'asFound' && !isStruck(one))
    .flatMap(({ judgement: { error, lower, upper, reference } }) => {
      if (error === null || reference === null || lower === null || upper === null) return [];
      const half = (Number(upper) - Number(lower)) / 2;
      return half > 0 ? [Number(error) / half] : [];
    });
  const worst = shares.reduce((most, one) => (Math.abs(one) > Math.abs(most) ? one : most), 0);
  return shares.length ? [[role, Number(Math.max(-FURTHEST, Math.min(FURTHEST, worst)).toFixed(2))]] : [];
}
