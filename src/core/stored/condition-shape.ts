import * as yup from 'yup';
import { PHASES } from '../procedure/phase';
import { either, maybe, oneOf, shape } from '../stored-reader';
import { STORAGES } from '../instrument/traits';

const PROPERTIES = [
  'pumped',
  'pump-switchable',
  'span-fixed',
  'span-stored',
  'detector-pairs',
  'host',
  'analogue-pair',
  'as-found-only',
  ...STORAGES.map((one) => `stores-${one}`),
];
const name = () => yup.string().max(60);
const is = (what: string, own: yup.ObjectShape = {}) => shape({ is: oneOf([what]).required(), ...own });
const inner = () => yup.lazy(() => CONDITION_NEEDED);

/** Conditions of a procedure as they are stored. Closed: one that the program doesn't know is none. */
const KINDS: yup.Schema[] = [
  ...[
    'adjustPassed',
    'adjustFailed',
    'anythingAdjusted',
    'saved',
    'saveLost',
    'bumpFailed',
    'bumpStands',
    'tripsAlarms',
    'electrodeKnown',
    'anyAdjustFailed',
    'zeroFailed',
    'anyZeroFailed',
    'adjustFailedHere',
    'implausible',
  ].map((what) => is(what)),
  is('readingOutside', { phase: oneOf(PHASES).required() }),
  is('stimulusOn', { slot: name().required() }),
  is('iterationAtLeast', { count: yup.number().integer().min(1).required() }),
  is('answered', { step: name().required(), item: name().required(), equals: name().required() }),
  is('decided', { question: name().required(), option: name().required(), here: yup.boolean().oneOf([true]) }),
  is('property', { property: oneOf(PROPERTIES).required() }),
  is('leftMissing', { points: yup.array().of(name().required()).required(), role: name() }),
  is('electrodePoor', { role: name().required() }),
  is('gateShut', { point: name().required() }),
  is('school', { school: name().required(), option: name().required() }),
  is('channel', { role: name().required() }),
  shape({
    all: yup
      .array()
      .of(inner() as never)
      .required(),
  }),
  shape({
    any: yup
      .array()
      .of(inner() as never)
      .required(),
  }),
  shape({ not: inner() }),
];
const CONDITION_NEEDED: yup.Schema = either('a condition that the program knows', ...KINDS).required();
export const CONDITION = maybe(either('a condition that the program knows', ...KINDS));
