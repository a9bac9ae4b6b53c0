import * as yup from 'yup';
import type { Every } from '../interval/next-due';
import type { Failed } from '../results/instrument-status';
import { OUTPUTS } from '../instrument/output';
import type { StandingSource } from '../uncertainty/standing';
import { day, either, oneOf, shape, storedReader } from '../stored-reader';

const whole = (most: number) => yup.number().integer().min(1).max(most).required();
const USES = yup.number().integer().min(1).max(1_000_000).optional();
/** An interval as it was stored, checked. Errors: RangeError. */
export const readEvery = storedReader<Every>(
  'interval',
  either(
    'so many days or so many months, and uses',
    shape({ days: whole(36_500), uses: USES }),
    shape({ months: whole(1200), uses: USES }),
  ).required(),
);

const texts = () => yup.array().of(yup.string().required()).required();
/** What failed in an instrument, as it was stored, checked. Errors: RangeError. */
export const readFailed = storedReader<Failed>(
  'what failed',
  shape({
    channels: texts(),
    moved: texts(),
    outputs: yup.array().of(oneOf(OUTPUTS).required()).required(),
    items: yup
      .array()
      .of(shape({ question: yup.string().required(), label: yup.string().required() }).required())
      .required(),
  }).required(),
);

/** What a look at the counter came to; everything begins as not looked at. */
export const INSPECTION_RESULTS = ['notLookedAt', 'pass', 'fault', 'notApplicable'] as const;
export type InspectionResult = (typeof INSPECTION_RESULTS)[number];

/** What was looked at when an instrument came in, by the item's id. */
export type Inspection = Record<string, { result: InspectionResult; note?: string }>;

/** What was looked at when an instrument came in, as it was stored, checked. Errors: RangeError. */
export const readInspection = storedReader<Inspection>(
  'inspection',
  yup
    .object()
    .test('entries', 'each not looked at, pass, fault or not applicable, with or without a note', (value) =>
      Object.values(value as Record<string, { result?: unknown; note?: unknown }>).every(
        (one) =>
          (INSPECTION_RESULTS as readonly string[]).includes(String(one?.result)) &&
          (one.note === undefined || typeof one.note === 'string'),
      ),
    )
    .required(),
);

/** Where a standing value comes from, as it was stored, checked. Errors: RangeError. */
export const readStandingSource = storedReader<StandingSource>(
  'source',
  either(
    'practice, memory, a publication, a paper or a study',
    shape({ kind: oneOf(['practice', 'memory']).required() }),
    shape({ kind: oneOf(['published']).required(), text: yup.string().required() }),
    shape({
      kind: oneOf(['confirmed']).required(),
      text: yup.string().required(),
      on: day().required(),
      by: yup.string().required(),
    }),
    shape({
      kind: oneOf(['study']).required(),
      text: yup.string().required(),
      on: day().required(),
      by: yup.string().required(),
      n: whole(100_000),
      dof: whole(100_000),
    }),
  ).required(),
);

/** The series of a repeat study as they were stored, checked. Errors: RangeError. */
export const readSeries = storedReader<string[][]>(
  'series',
  yup
    .array(
      yup
        .array(
          yup
            .string()
            .matches(/^[+-]?\d+(\.\d+)?$/)
            .required(),
        )
        .required(),
    )
    .required(),
);

/** What a contact of a customer is there for. */
export const CONTACT_PURPOSES = ['certificates', 'reminders', 'calls', 'window', 'windowActs'] as const;
export type ContactPurpose = (typeof CONTACT_PURPOSES)[number];

/** What went over when two customers were merged, by ids. */
export interface Moved {
  assets: string[];
  contacts: string[];
  policies: string[];
  /** Absent where it was merged before there were sites. */
  sites?: string[];
  tolerances?: string[];
}

/** What went over when two customers were merged, as it was stored, checked. Errors: RangeError. */
export const readMoved = storedReader<Moved>(
  'what was merged',
  shape({
    assets: texts(),
    contacts: texts(),
    policies: texts(),
    sites: texts().optional(),
    tolerances: texts().optional(),
  }).required(),
);
