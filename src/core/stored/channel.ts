import * as yup from 'yup';
import type { RunChannel, WaterTerms } from '../record/event';
import type { Tolerance } from '../record/tolerance';
import type { ResponseCard } from '../stability/response-card';
import { MEASURAND_IDS } from '../quantity/unit';
import { decimal, either, maybe, shape, storedReader } from '../stored-reader';

const TOLERANCE = shape({ absolute: decimal(), percentOfTarget: decimal(), zero: decimal() });
const SCALE = shape({
  lelVolPercent: decimal().required(),
  relativeResponse: decimal().required(),
  source: yup.string().required(),
});
const WATER = shape({
  compensation: maybe(shape({ referenceC: decimal().required(), percentPerC: decimal() })),
  solids: either(
    'a factor or a curve',
    shape({ factor: decimal().required() }),
    shape({ curve: yup.string().oneOf(['mixedSalt']).required() }),
  ),
  saturation: yup.string().oneOf(['local', 'oneAtm']),
  referenceElectrode: yup.string(),
  charge: decimal(),
});
const ALARMS = shape({ low: decimal(), high: decimal() });
const between = (lowest: number, highest: number) =>
  yup
    .array()
    .of(yup.number().min(lowest).max(highest).required())
    .length(2)
    .test('rising', '${path} must rise', (pair) => pair === undefined || !(pair[0]! > pair[1]!))
    .optional()
    .default(undefined);
const RESPONSE = shape({
  dead: between(0, 60).required(),
  tau: between(0.5, 300).required(),
  slow: between(0, 0.9).required(),
  slower: between(1, 50),
});
const CHANNEL = shape({
  role: yup.string().required(),
  label: yup.string().required(),
  measurand: yup
    .string()
    .oneOf([...MEASURAND_IDS])
    .required(),
  unit: yup.string().required(),
  resolution: decimal().required(),
  lowest: decimal().required(),
  highest: decimal().required(),
  tolerance: TOLERANCE.required(),
  calibrationGas: yup.string(),
  principle: yup.string(),
  cleanAir: decimal(),
  scale: maybe(SCALE),
  water: maybe(WATER),
  alarms: maybe(ALARMS),
  response: maybe(RESPONSE),
  coefficients: maybe(shape({ temperaturePercentPerC: decimal(), pressurePercentPerHPa: decimal() })),
});

/** A tolerance as it was stored, checked. Errors: RangeError. */
export const readTolerance = storedReader<Tolerance>('tolerance', TOLERANCE.required());
/** The scale of a combustible channel as it was stored, checked. Errors: RangeError. */
export const readScale = storedReader<NonNullable<RunChannel['scale']>>('scale', SCALE.required());
/** How a water channel computes what it shows, as it was stored, checked. Errors: RangeError. */
export const readWaterTerms = storedReader<WaterTerms>('water terms', WATER.required());
/** Alarm points as they were stored, checked. Errors: RangeError. */
export const readAlarms = storedReader<NonNullable<RunChannel['alarms']>>('alarm points', ALARMS.required());
/** A channel as every instrument of a model has it when new. */
export type ModelChannel = Omit<RunChannel, 'id' | 'item' | 'status' | 'sensorSerial'> & {
  /** How its sensors come to their readings, from the manual or learnt from its own traces. */
  response?: ResponseCard;
};

/** The channels of a model as they were stored, checked. Errors: RangeError. */
export const readModelChannels = storedReader<ModelChannel[]>('channels of a model', yup.array(CHANNEL.required()).required());
