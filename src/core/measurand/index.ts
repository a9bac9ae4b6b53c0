import { isMeasurand, MEASURAND_IDS, type MeasurandId } from '../quantity/unit';
import { ethanol } from './breath-alcohol';
import { COMBUSTIBLES } from './combustible';
import { conductivity } from './conductivity';
import { dissolvedOxygen } from './dissolved-oxygen';
import { dissolvedSolids } from './dissolved-solids';
import { ion, redox } from './electrodes';
import { GASES } from './gases';
import type { Measurand } from './measurand';
import { oxygen } from './oxygen';
import { pH } from './ph';
import { temperature } from './temperature';
import { turbidity } from './turbidity';

/** The module of every quantity that the house can calibrate. */
export const MEASURANDS = {
  oxygen,
  ...COMBUSTIBLES,
  ...GASES,
  ethanol,
  pH,
  conductivity,
  'dissolved solids': dissolvedSolids,
  'dissolved oxygen': dissolvedOxygen,
  'oxygen saturation': dissolvedOxygen,
  'redox potential': redox,
  'ion concentration': ion,
  temperature,
  turbidity,
} satisfies Record<MeasurandId, Measurand>;

/** The module of a measurand. Errors: RangeError for an id that is none. */
export function measurandOf(id: string): Measurand {
  if (!isMeasurand(id)) throw new RangeError(`measurand must be one of ${MEASURAND_IDS.join(', ')}, got ${id}`);
  return MEASURANDS[id];
}
