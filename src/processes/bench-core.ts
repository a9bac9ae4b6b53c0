import { shortTermExposure } from '@/core/gas/short-term-exposure';
import { PlateauStream } from '@/core/stability/plateau-stream';
import { normalFrom, seededUniform } from '@/core/uncertainty/random';
import { simulate, type SimulationInput } from '@/core/uncertainty/simulate';
import { simulationModel } from '@/core/uncertainty/simulation-model';

/** The heart against the plain loop over the same data, in turn, in one run: ratios only. */
export function benchCore(): boolean[] {
  return [simulation(), plateau(), shortTerm()];
}

function ratio(name: string, goal: number, ours: () => number, plain: () => number, rounds = 7): boolean {
  // Both must give the same answer, or the comparison means nothing.
  if (Math.abs(ours() / plain() - 1) > 1e-6) throw new Error(`${name}: ours gives ${ours()}, the plain loop ${plain()}`);
  const times: [number[], number[]] = [[], []];
  let results = 0;
  for (let round = -rounds; round < rounds; round += 1) {
    for (const [index, work] of [ours, plain].entries()) {
      const start = performance.now();
      results += work();
      if (round >= 0) times[index]!.push(performance.now() - start);
    }
  }
  if (Number.isNaN(results)) throw new Error(`${name}: no answer`);
  const [a, b] = times.map((list) => list.sort((x, y) => x - y)[Math.floor(rounds / 2)]!) as [number, number];
  const met = a / b <= goal;
  console.log(
    `${name}: ${a.toFixed(1)} ms, plain loop ${b.toFixed(1)} ms: ${(a / b).toFixed(2)} × (goal ≤ ${goal} ×${met ? '' : ', MISSED'})`,
  );
  return met;
}

/** A million draws of a five-input budget; the plain loop draws the same numbers and keeps mean and standard deviation only, without an interval. */
function simulation(): boolean {
  const standards = [1, 0.29, 0.5, 0.4, 0.3];
  const inputs: SimulationInput[] = standards.map((standard) => ({ distribution: 'normal', standard }));
  const model = simulationModel({ kind: 'sum', sensitivities: standards.map(() => 1) });
  const plain = () => {
    const uniform = seededUniform(1);
    const [a, b, c, d, e] = standards.map(() => normalFrom(uniform)) as [
      () => number,
      () => number,
      () => number,
      () => number,
      () => number,
    ];
    let sum = 0;
    let squares = 0;
    for (let i = 0; i < 1_000_000; i += 1) {
      const y = a() + 0.29 * b() + 0.5 * c() + 0.4 * d() + 0.3 * e();
      sum += y;
      squares += y * y;
    }
    return Math.sqrt(squares / 1e6 - (sum / 1e6) ** 2);
  };
  return ratio(
    'simulation, 1e6 draws of five inputs',
    1.5,
    () => simulate({ inputs, model, draws: 1_000_000, seed: 1 }).standard,
    plain,
  );
}

/** A million readings through the plateau watch; the plain loop does the same by index for readings known to be evenly apart, looking the window through when an extreme leaves it. */
function plateau(): boolean {
  const normal = normalFrom(seededUniform(2));
  const samples = Array.from({ length: 1_000_000 }, (_unused, i) => ({
    seconds: i / 4,
    value: Math.round(50 + 20 * Math.sin(i / 900) + normal()),
  }));
  const ours = () => {
    const stream = new PlateauStream({ windowSeconds: 20, maxSlopePerMinute: 1, maxSpread: 3 });
    let found = 0;
    for (const { seconds, value } of samples) if (stream.push(seconds, value)) found += 1;
    return found;
  };
  const plain = () => {
    let [sum, weighted, low, high, found] = [0, 0, 0, 0, 0];
    for (let i = 0; i < samples.length; i += 1) {
      const { value } = samples[i]!;
      // Σ k·v over the window, k counted from its oldest reading.
      if (i >= 81) {
        const leaving = samples[i - 81]!.value;
        weighted += 80 * value - (sum - leaving);
        sum += value - leaving;
        if (leaving === low || leaving === high) {
          low = high = value;
          for (let k = i - 80; k < i; k += 1) {
            const one = samples[k]!.value;
            if (one < low) low = one;
            if (one > high) high = one;
          }
        }
      } else {
        weighted += i * value;
        sum += value;
        if (i === 0) low = high = value;
      }
      if (value < low) low = value;
      if (value > high) high = value;
      const slope = (weighted - 40 * sum) / 44_280;
      if (i >= 80 && high - low <= 3 && Math.abs(slope) * 240 <= 1) found += 1;
    }
    return found;
  };
  return ratio('streaming plateau, 1e6 readings', 5, ours, plain);
}

/** A day at one reading a second; the plain loop holds each reading until the next and moves the window's start along, unchecked, looking only at windows that close at a reading. */
function shortTerm(): boolean {
  const uniform = seededUniform(3);
  const samples = Array.from({ length: 86_400 }, (_unused, i) => ({ seconds: i, value: 20 * uniform() }));
  const plain = () => {
    let [dose, highest, start] = [0, 0, 0];
    for (let i = 1; i < samples.length; i += 1) {
      const before = samples[i - 1]!;
      const { seconds } = samples[i]!;
      dose += before.value * (seconds - before.seconds);
      while (samples[start + 1]!.seconds <= seconds - 900) {
        dose -= samples[start]!.value * (samples[start + 1]!.seconds - samples[start]!.seconds);
        start += 1;
      }
      if (dose > highest) highest = dose;
    }
    return highest / 900;
  };
  return ratio('short-term exposure, 24 h at 1 Hz', 3, () => shortTermExposure({ samples }).level, plain, 40);
}
