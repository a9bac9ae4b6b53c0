import { summarise } from '@/core/results/summary';
import { openMeter } from '@/procedures/meter-day.fixture';
import { flyWater } from '@/processes/seed/water-pilot';

/** Goal and what the by-hand way of the first version took. */
const CASES = [
  { model: 'SM-35', what: 'two buffers and one standard', samples: { ph: '7.5', conductivity: '1000' }, goal: 6, before: 9 },
  { model: 'PG-90', what: 'three and three', samples: { ph: '9', conductivity: '5000' }, goal: 10, before: 25 },
];

/** Dips into buffers and conductivity standards of whole calibrations, on simulated meters that show millivolts and what they keep. */
export function benchDips(): boolean {
  return CASES.map(({ model, what, samples, goal, before }) => {
    const pilot = openMeter(model, 'sound', { samples });
    flyWater(pilot);
    const { state, procedure } = pilot.run;
    const dips = state.stimuli.filter((span) => /^(seven|four|ten|ec\d+)$/.test(span.slot)).length;
    const met = dips <= goal && summarise(procedure, state).asLeft === 'within';
    console.log(`dips for ${what} (${model}): ${dips} (goal ≤ ${goal}${met ? '' : ', MISSED'}; ${before} before)`);
    return met;
  }).every(Boolean);
}
