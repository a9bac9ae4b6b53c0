import * as yup from 'yup';
import { readTraits } from '../instrument/traits';
import type { DebriefRow } from '../practice/debrief';
import { FAULT_IDS, type Hidden } from '../practice/fault';
import { FINDING_CODES, type Finding } from '../practice/finding';
import type { OwnExercise } from '../practice/own-exercise';
import { shape, storedReader } from '../stored-reader';
import { readModelChannels } from './channel';

const whole = () => yup.number().integer().required();
const numbers = () =>
  yup
    .mixed()
    .test(
      'numbers',
      '${path} must be texts and numbers',
      (value) =>
        value === undefined ||
        (typeof value === 'object' &&
          value !== null &&
          Object.values(value).every((one) => typeof one === 'string' || typeof one === 'number')),
    );
const LINE = shape({
  seconds: yup.number().required(),
  what: shape({
    code: yup
      .string()
      .matches(/^practice\.did\./)
      .required(),
    numbers: numbers(),
  }).required(),
  refused: yup.string(),
  findings: yup.array(whole()).required(),
});
const ROW = shape({
  place: whole(),
  step: yup.string().required(),
  title: yup.string().defined(),
  own: yup.array(LINE.required()).required(),
  master: yup.array(LINE.required()).required(),
});
const FINDING = shape({
  code: yup
    .string()
    .oneOf([...FINDING_CODES])
    .required(),
  points: yup.number().min(0).max(100).required(),
  place: whole(),
  done: yup.number().integer().nullable().defined(),
  numbers: numbers(),
});
const HIDDEN = shape({
  fault: yup
    .string()
    .oneOf([...FAULT_IDS])
    .required(),
  channel: yup.string(),
});

/** What an exercise lost points for, as it was stored, checked. Errors: RangeError. */
export const readFindings = storedReader<Finding[]>('findings', yup.array(FINDING.required()).required());
/** A debrief as it was stored, checked. Errors: RangeError. */
export const readDebrief = storedReader<DebriefRow[]>('debrief', yup.array(ROW.required()).required());
/** What an exercise hid, as it was stored, checked. Errors: RangeError. */
export const readHidden = storedReader<Hidden[]>('hidden faults', yup.array(HIDDEN.required()).required());

const OWN = shape({
  procedure: shape({ id: yup.string().required(), version: whole() }).required(),
  model: yup.object({ name: yup.string().required() }).required(),
  asFound: numbers(),
  hidden: yup.array(HIDDEN.required()).required(),
});
const readOwn = storedReader<OwnExercise>('exercise', OWN);
/** An exercise made of a run, as it was stored, checked with its model. Errors: RangeError. */
export function readOwnExercise(stored: unknown): OwnExercise {
  const own = readOwn(stored);
  return {
    ...own,
    model: { name: own.model.name, traits: readTraits(own.model.traits), channels: readModelChannels(own.model.channels) },
  };
}
