const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Medians in ms of several works, measured in turn so that a noisy machine troubles all of them alike. */
export async function inTurn(rounds: number, ...works: (() => Promise<unknown>)[]): Promise<number[]> {
  const times = works.map(() => [] as number[]);
  for (const work of works) for (let i = 0; i < 5; i += 1) await work();
  for (let round = 0; round < rounds; round += 1) {
    for (const [index, work] of works.entries()) {
      const start = performance.now();
      await work();
      times[index]!.push(performance.now() - start);
    }
  }
  return times.map(median);
}

export const verdict = (ratio: number, goal: number) =>
  `${ratio.toFixed(2)} × (goal ≤ ${goal} ×${ratio <= goal ? '' : ', MISSED'})`;
