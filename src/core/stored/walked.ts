import * as yup from 'yup';
import { oneOf, shape, storedReader } from '../stored-reader';
import { WALK_FAULTS, type Walked } from '../walk/walk-procedure';

/** What a walk over a draft brought, and which draft it was. */
export interface KeptWalk extends Walked {
  hash: string;
  at: string;
  /** Models that it was walked with, by name. */
  models: string[];
}

const STEP = shape({ step: yup.string().required(), outcome: yup.string().required() });
/** Errors: RangeError naming the part. */
export const readWalked = storedReader<KeptWalk>(
  'walk',
  shape({
    hash: yup.string().required(),
    at: yup.string().required(),
    models: yup.array().of(yup.string().required()).required(),
    ways: yup.number().integer().min(0).required(),
    faults: yup
      .array()
      .of(
        shape({
          code: oneOf(WALK_FAULTS).required(),
          step: yup.string().required(),
          sentence: yup.string(),
          way: yup.array().of(STEP).required(),
        }),
      )
      .required(),
  }),
);
