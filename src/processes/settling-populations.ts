import { IN_TIME, type LiveChannel, type LiveRule } from '@/core/live/live-channel';

/** One sensor of a simulated monitor, as a bench of settling knows it. */
export interface Sensor {
  target: number;
  rest: number;
  resolution: string;
  tolerance: number;
  noise: number;
  /** Share of the change that is reached so many seconds after gas came. */
  follows: (seconds: number) => number;
}
type Between = (low: number, high: number) => number;
type Shape = (tau: number, between: Between) => Sensor['follows'];

/** Four channels of an ordinary monitor (common practice: T90 15 to 30 s), each sensor a little different. */
const CHANNELS = [
  { target: 18, rest: 20.9, resolution: '0.1', tolerance: 0.5, tau: [5, 9], noise: 0.02 },
  { target: 50, rest: 0, resolution: '1', tolerance: 5, tau: [6, 10], noise: 0.2 },
  { target: 25, rest: 0, resolution: '0.5', tolerance: 2.5, tau: [8, 13], noise: 0.1 },
  { target: 100, rest: 0, resolution: '1', tolerance: 10, tau: [7, 12], noise: 0.3 },
] as const;

const twoParts =
  (tau: number, share: number, slower: number): Sensor['follows'] =>
  (seconds) =>
    seconds <= 0 ? 0 : (1 - share) * (1 - Math.exp(-seconds / tau)) + share * (1 - Math.exp(-seconds / (slower * tau)));
const ordinary: Shape = (tau, between) => twoParts(tau, between(0.02, 0.1), between(2.5, 4));

const population =
  (shape: Shape, change: { noise?: number; t90?: [number, number] } = {}) =>
  (uniform: () => number): Sensor[] => {
    const between: Between = (low, high) => low + (high - low) * uniform();
    return CHANNELS.map(({ tau, noise, ...channel }) => {
      const own = change.t90 ? between(...change.t90) / Math.LN10 : between(tau[0], tau[1]);
      return { ...channel, noise: noise * (change.noise ?? 1), follows: shape(own, between) };
    });
  };

/** The ways in which sensors come to rest that a rule of settling has to be good for; it is tuned to none of them. */
export const POPULATIONS: Record<string, (uniform: () => number) => Sensor[]> = {
  'as usual': population(ordinary),
  'dead time 3 to 12 s': population((tau, between) => {
    const [dead, follows] = [between(3, 12), ordinary(tau, between)];
    return (seconds) => follows(seconds - dead);
  }),
  'T90 30 to 60 s': population(ordinary, { t90: [30, 60] }),
  'slow part 5 to 20 %': population((tau, between) => twoParts(tau, between(0.05, 0.2), between(4, 8))),
  'tail with the root of time': population((tau, between) => {
    const share = between(0.05, 0.15);
    return (seconds) =>
      seconds <= 0 ? 0 : (1 - share) * (1 - Math.exp(-seconds / tau)) + share * (1 - 1 / Math.sqrt(1 + seconds / tau));
  }),
  'noise three times': population(ordinary, { noise: 3 }),
};

/** What the display shows: the response with its noise, in whole steps. */
export function shown(sensor: Sensor, seconds: number, normal: () => number): string {
  const step = Number(sensor.resolution);
  const value = sensor.rest + (sensor.target - sensor.rest) * sensor.follows(seconds) + sensor.noise * normal();
  return (Math.round(value / step) * step).toFixed(sensor.resolution.split('.')[1]?.length ?? 0);
}

/** Nobody waits longer for a reading. */
export const MOST_SECONDS = 300;
/** Largest settling error that counts as none, as a share of the tolerance. */
export const QUARTER = 0.25;

/** One channel as it was taken: when, what was left in parts of the tolerance, and what was said to be left at most. */
export interface Taken {
  seconds: number;
  error: number;
  bound: number | null;
  /** Not settled, and nothing more was to be had in three minutes: taken with what is left. */
  saidSo: boolean;
  settled: boolean;
}

/** Every channel of an instrument in gas until it may be captured; somebody looks every two seconds. */
export function settle(
  sensors: Sensor[],
  normal: () => number,
  channelOf: (rule: LiveRule, index: number) => LiveChannel,
  early: boolean,
): Taken[] {
  return sensors.map((sensor, index) => {
    const rule = { resolution: sensor.resolution, tolerance: sensor.tolerance, expectedChange: sensor.target - sensor.rest };
    const channel = channelOf(rule, index);
    const rest = sensor.rest.toFixed(sensor.resolution.split('.')[1]?.length ?? 0);
    for (let seconds = -15; seconds <= 0; seconds += 0.25) channel.push(seconds, rest, 'value', null);
    channel.gas(0);
    for (let seconds = 0.25; seconds <= MOST_SECONDS; seconds += 0.25) {
      channel.push(seconds, shown(sensor, seconds, normal), 'value', null);
      if (seconds % 2 !== 0 || seconds < 20) continue;
      const look = channel.look({ early });
      if (!look) continue;
      const late = Boolean(look.known?.notInTime && seconds >= IN_TIME);
      const taken = look.known?.settled || late || look.close?.close ? look.text : look.stable?.text;
      if (taken === undefined) continue;
      return {
        seconds,
        error: Math.abs(Number(taken) - sensor.target) / sensor.tolerance,
        bound: look.known ? look.known.bound / sensor.tolerance : null,
        saidSo: late,
        settled: true,
      };
    }
    return { seconds: MOST_SECONDS, error: 0, bound: null, saidSo: false, settled: false };
  });
}

/** Largest part of the tolerance that is still to come on any channel after so long. */
export const left = (sensors: Sensor[], seconds: number): number =>
  Math.max(...sensors.map((one) => (Math.abs(one.target - one.rest) * (1 - one.follows(seconds))) / one.tolerance));

/** When somebody who knew the sensors would stop. */
export function oracle(sensors: Sensor[]): number {
  for (let seconds = 1; seconds < 900; seconds += 1) if (left(sensors, seconds) <= QUARTER) return seconds;
  return 900;
}
