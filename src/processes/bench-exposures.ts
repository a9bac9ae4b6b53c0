import { Day, FAMILIES, gasSeconds } from '@/procedures/instrument-day.fixture';

const GOAL = 0.45;
/** By hand: found, span, left and bump, each a fixed two minutes (common practice). */
const BY_HAND_SECONDS = 4 * 120;
const BOTTLE_L = 34;
const SCHOOLS = { 'left-gas': 'together', 'bump-gas': 'found' };

/** Gas of whole calibrations of every family with gas on its simulated instrument, against the by-hand way; and how many a bottle serves. */
export function benchExposures(): boolean {
  const runs = FAMILIES.filter((one) => one.components.length).map((family) => ({
    model: family.model,
    seconds: gasSeconds(new Day(family, SCHOOLS).work()),
  }));
  const ratio = runs.reduce((sum, one) => sum + one.seconds, 0) / (runs.length * BY_HAND_SECONDS);
  const served = (model: string, flow: number) =>
    Math.floor(BOTTLE_L / ((flow * runs.find((one) => one.model === model)!.seconds) / 60));
  const [four, slow, itself] = [served('VT-47', 0.5), served('VT-47', 0.3), served('OF-440', 0.5)];
  const met = ratio <= GOAL && four >= 18 && slow >= 30 && itself >= 30;
  console.log(
    `gas of whole calibrations, ${runs.length} families: ${ratio.toFixed(2)} × four fixed two minutes (goal ≤ ${GOAL} ×${met ? '' : ', MISSED'}); a ${BOTTLE_L} L bottle serves ${four} four-gas calibrations at 0.5 L/min (goal 18), ${slow} at 0.3 L/min (30), ${itself} of a monitor that spans itself (30)`,
  );
  console.log(`  ${runs.map((one) => `${one.model} ${one.seconds} s`).join(', ')}`);
  return met;
}
