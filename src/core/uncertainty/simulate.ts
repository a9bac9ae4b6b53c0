import { requireAbove, requireRange } from '../range-error';
import { percentiles } from './percentiles';
import { normalFrom, seededUniform, type Uniform } from './random';

export type InputDistribution = 'normal' | 'rectangular' | 'triangular' | 'u-shaped';
/** An input by its mean (0 by default) and its standard uncertainty or half-width, or by its two ends (neither of the last two for a normal one). */
export interface SimulationInput {
  name?: string;
  distribution: InputDistribution;
  mean?: number;
  standard?: number;
  halfWidth?: number;
  lower?: number;
  upper?: number;
}
/** Takes the values as one list, in the order of the inputs, or as one argument each. */
export type SimulationModel = ((values: Float64Array) => number) | ((...values: number[]) => number);
export interface SimulationResult {
  mean: number;
  standard: number;
  low: number;
  high: number;
  draws: number;
}
interface Given {
  inputs: SimulationInput[];
  model: SimulationModel;
  draws: number;
  seed: number;
  coverage?: number;
}

/**
 * Propagates distributions through a model by simulation.
 * Quantity: the model's; arguments: one to 50 inputs, whole draws 100 to 10 000 000, whole seed, coverage in (0, 1), 0.95 by default; the interval leaves equal shares out at both ends.
 * Errors: RangeError naming the input, also where the model gives something not finite. Source: JCGM 101:2008, 5.9 and 7. The same seed gives the same result.
 *
 * @example
 * simulate({ inputs: Array(4).fill({ distribution: 'rectangular', standard: 1 }), model: ([a, b, c, d]) => a + b + c + d, draws: 1e6, seed: 1 }) // low -3.88, high 3.88
 */
export function simulate(given: Given): SimulationResult {
  const simulation = startSimulation(given);
  simulation.step(given.draws);
  return simulation.result();
}

export interface Simulation {
  /** Draws up to so many more; says how many are done. */
  step: (draws: number) => number;
  done: () => number;
  /** Of what was drawn so far: RangeError before 100 draws. */
  result: () => SimulationResult;
}

/** The same in steps, for a worker that reports progress and can be told to stop between two steps. Arguments, errors and source as `simulate`. */
export function startSimulation({ inputs, model, draws, seed, coverage = 0.95 }: Given): Simulation {
  if (inputs.length < 1 || inputs.length > 50) throw new RangeError(`inputs must hold 1 to 50 inputs, got ${inputs.length}`);
  requireRange('draws', draws, 100, 10_000_000);
  if (!Number.isInteger(draws)) throw new RangeError(`draws must be a whole number, got ${draws}`);
  requireAbove('coverage', coverage, 0, 0.999999);
  const uniform = seededUniform(seed);
  const samplers = inputs.map((input, index) => samplerOf(input, index, uniform));
  const outcomes = new Float64Array(draws);
  const values = new Float64Array(inputs.length);
  const ofList = listModel(model);
  let count = 0;
  const step = (more: number) => {
    const end = Math.min(draws, count + more);
    for (; count < end; count += 1) {
      for (let i = 0; i < samplers.length; i += 1) values[i] = samplers[i]!();
      const outcome = ofList(values);
      if (!Number.isFinite(outcome)) throw new RangeError(`model must give a finite number, got ${outcome} at draw ${count + 1}`);
      outcomes[count] = outcome;
    }
    return count;
  };
  return { step, done: () => count, result: () => summary(outcomes.slice(0, count), coverage) };
}

/** A model with an argument for each value is called so; one argument is the list. */
function listModel(model: SimulationModel): (values: Float64Array) => number {
  if (model.length <= 1) return model as (values: Float64Array) => number;
  const each = model as (...values: number[]) => number;
  return (values) => each(...values);
}

function summary(outcomes: Float64Array, coverage: number): SimulationResult {
  const n = outcomes.length;
  if (n < 100) throw new RangeError(`draws must be at least 100 before there is a result, got ${n}`);
  let mean = 0;
  for (let i = 0; i < n; i += 1) mean += outcomes[i]!;
  mean /= n;
  let squares = 0;
  for (let i = 0; i < n; i += 1) squares += (outcomes[i]! - mean) ** 2;
  const [low, high] = percentiles(outcomes, [(1 - coverage) / 2, (1 + coverage) / 2]);
  return { mean, standard: Math.sqrt(squares / (n - 1)), low: low!, high: high!, draws: n };
}

/** Half-width over standard uncertainty. */
const WIDTH = { rectangular: Math.sqrt(3), triangular: Math.sqrt(6), 'u-shaped': Math.SQRT2 };

function samplerOf(input: SimulationInput, index: number, uniform: Uniform): () => number {
  const { distribution, lower, upper } = input;
  const ends = lower !== undefined && upper !== undefined && distribution !== 'normal';
  if (ends)
    requireRange(`inputs[${index}].upper`, upper, requireRange(`inputs[${index}].lower`, lower, -Infinity, Infinity), Infinity);
  const mean = requireRange(`inputs[${index}].mean`, ends ? (lower + upper) / 2 : (input.mean ?? 0), -Infinity, Infinity);
  if (distribution === 'normal') {
    const standard = requireRange(`inputs[${index}].standard`, input.standard ?? NaN, 0, Infinity);
    const normal = normalFrom(uniform);
    return () => mean + standard * normal();
  }
  if (!Object.hasOwn(WIDTH, distribution))
    throw new RangeError(
      `inputs[${index}].distribution must be normal, rectangular, triangular or u-shaped, got ${String(distribution)}`,
    );
  const given = ends ? (upper - lower) / 2 : (input.halfWidth ?? (input.standard ?? NaN) * WIDTH[distribution]);
  const half = requireRange(`inputs[${index}].halfWidth`, given, 0, Infinity);
  if (distribution === 'rectangular') return () => mean + half * (2 * uniform() - 1);
  if (distribution === 'triangular') return () => mean + half * (uniform() + uniform() - 1);
  return () => mean + half * Math.sin(Math.PI * (uniform() - 0.5));
}
