import { flatSteps } from '../procedure/flat-steps';
import { schoolsOf, channelsAsked } from '../procedure/schools-of';
import type { Procedure, Step } from '../procedure/procedure';
import type { RunChannel } from '../record/event';
import { seededUniform } from '../uncertainty/random';
import type { ModelToTry } from '../walk/begin-on-model';
import { isWater, possibleFaults, type Hidden } from './fault';
import { incidentsOf, type IncidentId } from './incident';

/** What is practised. Closed. 'own' is made of a run that was worked here. */
export const EXERCISE_KINDS = ['guided', 'findFault', 'busyBench', 'dangerousDay', 'own'] as const;
export type ExerciseKind = (typeof EXERCISE_KINDS)[number];
/** It changes when the same numbers would draw another exercise or be scored otherwise. */
export const EXERCISE_VERSION = 1;

/** One instrument on the bench of an exercise. */
export interface ExercisePlace {
  place: number;
  model: ModelToTry & { id: string; name: string };
  /** As it is practised: its waits a tenth as long. */
  procedure: Procedure;
  hidden: Hidden[];
  /** How far off each channel comes, in tolerances, by role. */
  asFound?: Record<string, number>;
  /** What happens once this step is come to for the first time. */
  incident?: { step: string; incident: IncidentId };
}

export interface Exercise {
  kind: ExerciseKind;
  seed: number;
  places: ExercisePlace[];
}

/** One time in so many nothing is wrong: who always finds a fault has not looked. */
const SOUND_ONE_IN = 6;

/** The channels as they would be begun. */
export const channelsOfPlace = ({
  model: { channels, traits },
  procedure,
}: Pick<ExercisePlace, 'model' | 'procedure'>): RunChannel[] =>
  channelsAsked(
    channels
      .filter((one) => procedure.channels.some((place) => place.role === one.role))
      .map((one): RunChannel => ({ ...one, id: `c-${one.role}`, item: 'body', status: 'fitted' })),
    procedure,
    schoolsOf(procedure, traits),
  );

/**
 * An exercise on these instruments, drawn by a number: the same number draws the same faults. A busy bench takes all of them, every other kind the first.
 * Arguments: seed: a whole number from 0. Errors: Error when there is no instrument.
 *
 * @example
 * drawExercise({ kind: 'findFault', seed: 7, on: [{ model, procedure }] }).places[0].hidden // [{ fault: 'kinkedTube' }]
 */
export function drawExercise({
  kind,
  seed,
  on,
}: {
  kind: Exclude<ExerciseKind, 'own'>;
  seed: number;
  on: readonly Pick<ExercisePlace, 'model' | 'procedure'>[];
}): Exercise {
  const [first] = on;
  if (!first) throw new Error('an exercise needs an instrument');
  const next = seededUniform(seed + 1);
  next();
  const drawn = (kind === 'busyBench' ? on : [first]).map((one, index): ExercisePlace => ({
    ...one,
    place: index + 1,
    hidden: [],
  }));
  const [at] = drawn;
  if (kind === 'findFault') {
    const possible = possibleFaults({ channels: channelsOfPlace(first), procedure: first.procedure, traits: first.model.traits });
    // Where none is hidden the answer is that nothing is wrong.
    if (possible.length && next() >= 1 / SOUND_ONE_IN) at!.hidden = [possible[Math.floor(next() * possible.length)]!];
  }
  if (kind === 'dangerousDay') {
    const happens = incidentsOf(isWater(channelsOfPlace(first)));
    const incident = happens[Math.floor(next() * happens.length)]!;
    const reads = flatSteps(first.procedure.steps)
      .map(({ step }) => step)
      .filter((one) => one.kind === 'read' && !one.when && one.points.length > 0);
    const step = reads.find((one) => readsStimulus(first.procedure, one)) ?? reads[0];
    if (step) at!.incident = { step: step.id, incident };
  }
  return { kind, seed, places: drawn };
}

/** A reading of something that stands in a place: gas, a liquid. */
const readsStimulus = ({ points }: Procedure, step: Step): boolean =>
  step.kind === 'read' && points.some((one) => step.points.includes(one.id) && 'slot' in one.target);
