import * as yup from 'yup';
import type { IntervalAdvice } from '../history/advise-interval';
import type { DriftGroup } from '../history/drift-of';
import type { Survival } from '../history/survival';
import { day, oneOf, shape, storedReader } from '../stored-reader';

export const ADVICE_WAYS = ['drift', 'reliability', 'staircase', 'none'] as const satisfies IntervalAdvice['way'][];
export const ADVICE_CODES = ['extend', 'keep', 'shorten', 'tooFast', 'tooFew'] as const satisfies IntervalAdvice['code'][];

const figure = () => yup.number().required();
/** Something of each role of a model's channels. */
const byRole = (schema: yup.AnySchema) =>
  yup.lazy((value: unknown) =>
    shape(Object.fromEntries(Object.keys((value ?? {}) as object).map((role) => [role, schema]))).required(),
  ) as unknown as yup.Schema;

/** How the sensors of a model drift, by the role of their channel, as the night kept it, checked. Errors: RangeError. */
export const readModelDrift = storedReader<Record<string, DriftGroup & { label: string }>>(
  'drift of a model',
  byRole(
    shape({
      label: yup.string().required(),
      sensors: figure(),
      steps: figure(),
      rate: figure(),
      between: figure(),
      noise: figure(),
      dof: figure(),
      failed: figure(),
    }).required(),
  ),
);

/** How long the sensors of a model serve, by role, with what the channel is called; checked. Errors: RangeError. */
export const readLives = storedReader<Record<string, Survival & { label: string }>>(
  'lives of sensors',
  byRole(
    shape({
      label: yup.string().required(),
      median: yup.number().nullable().default(null),
      sensors: figure(),
      ended: figure(),
      steps: yup
        .array()
        .of(shape({ days: figure(), atRisk: figure(), share: figure(), low: figure(), high: figure() }).required())
        .required(),
    }).required(),
  ),
);

export interface Fails {
  label: string;
  outside: number;
  of: number;
}
/** Which channels of a model were found outside how often; checked. Errors: RangeError. */
export const readFails = storedReader<Fails[]>(
  'what fails of a model',
  yup
    .array()
    .of(shape({ label: yup.string().required(), outside: figure(), of: figure() }).required())
    .required(),
);

/** Advice on an interval as the night kept it, checked. Errors: RangeError. */
export const readAdvice = storedReader<IntervalAdvice>(
  'advice on an interval',
  shape({
    way: oneOf(ADVICE_WAYS).required(),
    code: oneOf(ADVICE_CODES).required(),
    every: yup.object({ days: yup.number().integer(), months: yup.number().integer() }).nullable().default(null),
    worst: yup.object({ label: yup.string().required(), perMonth: figure(), outside: figure() }).nullable().default(null),
    newSensorBy: day().nullable().default(null),
    within: yup.object({ present: figure(), advised: figure() }).nullable().default(null),
    limited: yup.boolean().required(),
    numbers: yup.object().required(),
  }).required() as never,
);
