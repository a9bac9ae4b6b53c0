import type { InputDistribution } from '@/core/uncertainty/simulate';
import type { ModelName } from '@/core/uncertainty/simulation-model';
import type { SimulationRequest } from '@/workers/simulate.worker';
import { choice, number, rows, type Calculator } from './calculator';
import { evaluate, type Entry } from './evaluate';
import { DISTRIBUTIONS } from './uncertainty';

/** The fields of the simulation; its result comes from a worker, so `compute` only checks what was typed. */
export const SIMULATION: Calculator = {
  id: 'simulation',
  group: 'Uncertainty',
  title: 'Simulation',
  words: 'monte carlo jcgm 101 draws distribution',
  source: 'JCGM 101:2008: propagation of distributions by seeded draws; the interval leaves equal shares out at both ends.',
  fields: [
    rows(
      'inputs',
      'Inputs',
      ['name', 'mean', 'standard-uncertainty', 'distribution', 'sensitivity'],
      'reference 100 1 normal 1\ndisplay 0 0.29 rectangular 1\nrepeatability 0 0.5 normal 1\ntemperature 0 0.4 u-shaped 1\ndrift 0 0.3 triangular 1',
      { words: [0, 3], help: `Distribution: ${DISTRIBUTIONS.join(', ')}. The sensitivity counts in a sum only.` },
    ),
    choice('model', 'Model', [
      ['sum', 'sum, with sensitivities'],
      ['product', 'product of the inputs'],
      ['quotient', 'first divided by the others'],
    ]),
    number('draws', 'Draws', '1000000'),
    number('seed', 'Seed', '1'),
    number('coverage', 'Coverage probability', '0.95'),
  ],
  compute: () => [],
};

type Run = Extract<SimulationRequest, { type: 'run' }>;

/** What goes to the worker, or the message for the field. */
export function simulationRequest(entry: Entry): { request: Run } | { problem: { field: string | null; sentence: string } } {
  let request: Run | null = null;
  const outcome = evaluate(
    {
      ...SIMULATION,
      compute: (v) => {
        const given = v.rows('inputs');
        given.forEach((row, index) => {
          if (!(DISTRIBUTIONS as readonly unknown[]).includes(row[3]))
            throw new RangeError(
              `inputs[${index}].distribution must be one of ${DISTRIBUTIONS.join(', ')}, got ${String(row[3])}`,
            );
        });
        const kind = v.text('model') as ModelName['kind'];
        request = {
          type: 'run',
          inputs: given.map(([name, mean, standard, distribution]) => ({
            name: String(name),
            mean: mean as number,
            standard: standard as number,
            distribution: distribution as InputDistribution,
          })),
          model: kind === 'sum' ? { kind, sensitivities: given.map((row) => row[4] as number) } : { kind },
          draws: v.number('draws'),
          seed: v.number('seed'),
          coverage: v.number('coverage'),
        };
        return [];
      },
    },
    entry,
  );
  return outcome.problem ? { problem: outcome.problem } : { request: request! };
}
