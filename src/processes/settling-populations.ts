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
