import { addDays, format } from 'date-fns';
import { seededUniform } from '../uncertainty/random';
import type { ChannelVisit } from './drift-steps';

/** A workshop whose truth is known: sensors that drift at rates of their own, steps that scatter, readings that are adjusted where they are off. */
export interface Truth {
  sensors: number;
  /** Mean rate, per cent of the tolerance a day, its spread from sensor to sensor, and the scatter of a step. */
  rate: number;
  spread: number;
  noise: number;
}

/** Normal numbers, the same ones for the same seed (Box and Muller). */
export function normals(seed: number): () => number {
  const uniform = seededUniform(seed);
  return () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
}

export interface Simulated {
  rate: number;
  at: Date;
  left: number;
  visits: ChannelVisit[];
}

export const startFleet = ({ sensors, rate, spread }: Truth, normal: () => number): Simulated[] =>
  Array.from({ length: sensors }, () => {
    const at = new Date(Date.UTC(2020, 0, 1));
    return { rate: rate + spread * normal(), at, left: 0, visits: [{ at: day(at), found: 0, left: 0 }] };
  });

export const day = (at: Date) => format(at, 'yyyy-MM-dd');

/** The next visit after so many days: what is found, and adjusted to nought. Gives what was found. */
export function visit(one: Simulated, days: number, noise: number, normal: () => number): number {
  one.at = addDays(one.at, days);
  const found = one.left + one.rate * days + noise * normal();
  one.left = 0;
  one.visits.push({ at: day(one.at), found, left: 0 });
  return found;
}
