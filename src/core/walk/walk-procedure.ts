import type { Procedure, Step } from '../procedure/procedure';
import type { Actor } from '../record/event';
import { openStimulus } from '../record/state';
import type { ScriptedRun } from '../run/scripted';
import { beginOnModel, type ModelToTry } from './begin-on-model';
import { handAt, outcomesOf } from './walk-hand';

/** One thing that is otherwise than on a plain day: what a step comes to, every time it is come to. */
export interface Otherwise {
  step: string;
  outcome: string;
}
export const WALK_FAULTS = [
  'neverEnds',
  'stuck',
  'zeroOnOpenGas',
  'gasStaysOpen',
  'readsClosedGas',
  'cannotFinish',
  'neverReached',
  'nothingRead',
] as const;
export interface WalkFault {
  code: (typeof WALK_FAULTS)[number];
  /** Title of the step it was seen at. */
  step: string;
  /** What the program said there. */
  sentence?: string;
  /** What was otherwise on the way there. */
  way: Otherwise[];
}
export interface Walked {
  ways: number;
  faults: WalkFault[];
}

/** Commands of one way: the longest shipped one takes less than a third. */
const MOST_COMMANDS = 600;
/** Ways of one procedure that are walked at most. */
const MOST_WAYS = 250;
/** Things that are otherwise at the same time. */
const MOST_OTHERWISE = 2;
const WALKER: Actor = { id: 'walk', name: 'Walk', role: 'technician' };
const ZEROES: readonly string[] = ['zero', 'quick', 'fineZero'];
const START = new Date('2026-01-05T08:00:00.000Z');

interface Way {
  faults: WalkFault[];
  reached: Set<string>;
  /** Steps that could have come to something else, in the order in which they came. */
  branches: Map<string, readonly string[]>;
  read: boolean;
}

/**
 * Walks a procedure on a model: the plain day, and every way on which one or two things come out otherwise, each time they come (at most 250 ways).
 * Says what must never be: a way that never ends, a step at which nobody gets on, a zero on open gas, gas left open, a run that can't be finished, a step that is never come to, a calibration that reads nothing.
 * Errors: none. Source: own; the run itself is the program’s own `handle`.
 *
 * @example
 * walkProcedure(family4, { traits, channels }).faults // []
 */
export function walkProcedure(procedure: Procedure, model: ModelToTry, most = MOST_WAYS): Walked {
  const ways = walkWays(procedure, model, most);
  for (let next = ways.next(); ; next = ways.next()) if (next.done) return next.value;
}

/** The same way by way: whoever has other things to do besides goes on when they like. Yields the number of ways walked so far. */
export function* walkWays(procedure: Procedure, model: ModelToTry, most = MOST_WAYS): Generator<number, Walked> {
  const faults: WalkFault[] = [];
  const reached = new Set<string>();
  const seen = new Set<string>();
  const queue: { otherwise: Otherwise[]; schools: Record<string, string> }[] = [{ otherwise: [], schools: {} }];
  for (const school of procedure.schools ?? [])
    for (const option of school.options)
      if (option.id !== school.standard) queue.push({ otherwise: [], schools: { [school.id]: option.id } });
  let ways = 0;
  let read = false;
  for (let next = queue.shift(); next && ways < most; next = queue.shift()) {
    ways += 1;
    const way = walkOnce(procedure, model, next.otherwise, next.schools);
    yield ways;
    read ||= way.read;
    way.reached.forEach((id) => reached.add(id));
    for (const fault of way.faults)
      if (!faults.some((one) => one.code === fault.code && one.step === fault.step)) faults.push(fault);
    // Every other way would not end either, and be as long.
    if (way.faults.some((one) => one.code === 'neverEnds')) return { ways, faults };
    if (next.otherwise.length >= MOST_OTHERWISE) continue;
    for (const [step, outcomes] of way.branches)
      for (const outcome of outcomes) {
        if (next.otherwise.some((one) => one.step === step)) continue;
        const otherwise = [...next.otherwise, { step, outcome }];
        const key = JSON.stringify([[...otherwise].sort((a, b) => (a.step < b.step ? -1 : 1)), next.schools]);
        if (!seen.has(key)) queue.push({ otherwise, schools: next.schools });
        seen.add(key);
      }
  }
  if (!read && procedure.scope !== 'bumpOnly') faults.push({ code: 'nothingRead', step: procedure.title, way: [] });
  // Only what every model of it could come to: a step that a property rules out here is none that was missed.
  for (const step of leavesOf(procedure.steps))
    if (!reached.has(step.id) && !step.when) faults.push({ code: 'neverReached', step: step.title, way: [] });
  return { ways, faults };
}

/** A step without a condition, in groups without one: it should be come to on some way. */
const leavesOf = (steps: readonly Step[]): Step[] =>
  steps.flatMap((step) => (step.kind === 'group' ? (step.when ? [] : leavesOf(step.steps)) : [step]));

function walkOnce(
  procedure: Procedure,
  { traits, channels }: ModelToTry,
  otherwise: Otherwise[],
  chosen: Record<string, string>,
): Way {
  const way: Way = { faults: [], reached: new Set(), branches: new Map(), read: false };
  const fault = (code: WalkFault['code'], step: string, sentence?: string) =>
    way.faults.push({
      code,
      step,
      ...(sentence ? { sentence } : {}),
      way: [...Object.entries(chosen).map(([school, outcome]) => ({ step: school, outcome })), ...otherwise],
    });
  const { run } = beginOnModel(
    procedure,
    { traits, channels },
    { run: 'walk', actor: WALKER, start: START, chosen, warmSince: START.getTime() - procedure.warmUpSeconds * 1000 - 3_600_000 },
  );
  for (let given = 0; ;) {
    const [planned] = run.current();
    if (!planned) break;
    const { step } = planned;
    way.reached.add(step.id);
    const [plain, ...others] = outcomesOf(planned);
    const name = planned.key.includes('!') ? `${step.id}!` : step.id;
    if (others.length && !way.branches.has(name)) way.branches.set(name, others);
    const wanted = otherwise.find((one) => one.step === name)?.outcome;
    const outcome = wanted && others.includes(wanted) ? wanted : plain!;
    if (step.kind === 'adjust' && ZEROES.includes(step.action) && gasIsOpen(run)) fault('zeroOnOpenGas', step.title);
    if (step.kind === 'read' && readsClosedGas(run, step.points)) fault('readsClosedGas', step.title);
    const before = run.state.seq;
    let said = '';
    for (const command of handAt(run, planned, outcome)) {
      const refusal = run.try(command);
      said ||= refusal?.sentence ?? '';
      run.wait(5);
      given += 1;
    }
    if (run.state.seq === before) {
      fault('stuck', step.title, said);
      if (run.try({ type: 'skipStep', step: planned.key, reason: 'walked past' })) return way;
      given += 1;
    }
    if (given > MOST_COMMANDS) {
      fault('neverEnds', step.title);
      return way;
    }
  }
  if (gasIsOpen(run)) fault('gasStaysOpen', procedure.title);
  const refusal = run.try({ type: 'finish' });
  if (refusal) fault('cannotFinish', procedure.title, refusal.sentence);
  way.read = run.state.readings.length > 0;
  return way;
}

/** A reading in gas while its valve is shut, where the procedure opens and shuts it. */
function readsClosedGas({ procedure, state }: ScriptedRun, points: readonly string[]): boolean {
  return procedure.points.some(({ id, target }) => {
    if (!points.includes(id) || target.kind !== 'material') return false;
    const slot = procedure.slots.find((one) => one.id === target.slot);
    return slot?.kind === 'gas' && opens(procedure.steps, slot.id) && !openStimulus(state, slot.id);
  });
}
const opens = (steps: readonly Step[], slot: string): boolean =>
  steps.some((step) =>
    step.kind === 'group' ? opens(step.steps, slot) : step.kind === 'stimulus' && step.slot === slot && step.on,
  );

function gasIsOpen({ procedure, state }: ScriptedRun): boolean {
  const open = openStimulus(state);
  const slot = procedure.slots.find((one) => one.id === open?.slot);
  return slot?.kind === 'gas' && slot.needs === 'channelGases';
}
