import type { Calculator } from './calculator';
import { GAS } from './gas';
import { GAS_BENCH } from './gas-bench';
import { INTERVALS, UNIT_CALCULATORS } from './intervals';
import { PH } from './ph';
import { UNCERTAINTY } from './uncertainty';
import { CONDUCTIVITY_CALCULATORS, OXYGEN } from './water';

/** Every calculator, in the order of the list; the simulation has a sheet of its own, since it works in the background. */
export const CALCULATORS: Calculator[] = [
  ...GAS,
  ...GAS_BENCH,
  ...PH,
  ...CONDUCTIVITY_CALCULATORS,
  ...OXYGEN,
  ...UNCERTAINTY,
  ...INTERVALS,
  ...UNIT_CALCULATORS,
];
