import * as yup from 'yup';

export interface StationRowChannel {
  measurand: string;
  unit: string;
  target: string;
  before?: string;
  after?: string;
  moved: boolean;
  t90Seconds?: number;
  /** Lot of the bottle it was tried with, where the station holds several. */
  lot?: string;
}

export interface StationGas {
  lot: string;
  expires?: string;
}

/** One thing that a docking station did to one instrument, as its log says. */
export interface StationRow {
  station: string;
  at: string;
  maker: string;
  model: string;
  serial: string;
  kind: 'bump' | 'calibration';
  passed: boolean;
  /** Its bottles, up to four. */
  gases: StationGas[];
  /** Days after which the station calibrates by itself, as set in it. */
  intervalDays?: number;
  outputs: Record<string, boolean>;
  channels: StationRowChannel[];
}

export type StationRead = { ok: true; row: StationRow } | { ok: false; why: string };

const DECIMAL = /^[+-]?\d+(\.\d+)?$/;
const text = (most: number, what: string) =>
  yup.string().strict(true).trim().max(most, `the ${what} is too long`).required(`the ${what} is missing`);
const decimal = (what: string) => yup.string().strict(true).matches(DECIMAL, `the ${what} is no number`);

const channel = yup.object({
  measurand: text(60, 'measurand'),
  unit: text(20, 'unit'),
  target: decimal('target').required('the target is missing'),
  before: decimal('value before').optional(),
  after: decimal('value after').optional(),
  moved: yup.boolean().strict(true).required('it is not said whether it moved'),
  t90Seconds: yup.number().strict(true).min(0, 'T90 is negative').max(3600, 'T90 is absurd').optional(),
  lot: text(60, 'lot of a channel’s gas').optional(),
});

const gas = yup
  .object({
    lot: text(60, 'lot of the gas'),
    expires: yup
      .string()
      .strict(true)
      .matches(/^\d{4}-\d{2}-\d{2}$/, 'the expiry of the gas is no date')
      .optional(),
  })
  .required('the gas is missing');

const row = yup.object({
  station: text(60, 'station'),
  at: yup
    .string()
    .strict(true)
    .required('the time is missing')
    .test(
      'instant',
      'the time is none',
      (value) => /^\d{4}-\d{2}-\d{2}T/.test(value ?? '') && !Number.isNaN(Date.parse(value ?? '')),
    ),
  maker: text(60, 'maker'),
  model: text(60, 'model'),
  serial: text(40, 'serial').matches(/^[\w\-./ ]+$/, 'the serial has signs that no serial has'),
  kind: yup
    .string()
    .strict(true)
    .oneOf(['bump', 'calibration'], 'it is neither bump nor calibration')
    .required('the kind is missing'),
  passed: yup.boolean().strict(true).required('the result is missing'),
  gases: yup
    .array(gas)
    .min(1, 'the gas is missing')
    .max(4, 'a station holds four bottles at most')
    .required('the gas is missing'),
  intervalDays: yup
    .number()
    .strict(true)
    .integer('the interval is no number of days')
    .min(1, 'the interval is no number of days')
    .max(3650, 'the interval is absurd')
    .optional(),
  outputs: yup
    .object({
      sound: yup.boolean().strict(true).optional(),
      light: yup.boolean().strict(true).optional(),
      vibration: yup.boolean().strict(true).optional(),
    })
    .default({}),
  channels: yup.array(channel).min(1, 'no channel is named').max(16, 'too many channels').required('the channels are missing'),
});

/** Checks one row of a station's log. What is not in order comes back with the reason; never an error thrown. Time: ISO 8601; T90 in s. */
export function readStationRow(value: unknown): StationRead {
  try {
    const read = row.validateSync(oneBottle(value), { stripUnknown: true, abortEarly: true });
    const lots = read.gases.map((one) => one.lot);
    const stray = read.channels.find((one) => one.lot !== undefined && !lots.includes(one.lot));
    if (stray) return { ok: false, why: `${stray.measurand} was tried with ${stray.lot}, which is none of its bottles` };
    return { ok: true, row: { ...read, at: new Date(read.at).toISOString() } as StationRow };
  } catch (error) {
    return { ok: false, why: (error as Error).message };
  }
}

/** A station with one bottle names it as `gas`. */
function oneBottle(value: unknown): unknown {
  const { gas: only, ...rest } = (value ?? {}) as { gas?: unknown; gases?: unknown };
  return only !== undefined && rest.gases === undefined ? { ...rest, gases: [only] } : value;
}

const YES = ['1', 'true', 'yes', 'pass', 'passed', 'ok'];
const NO = ['0', 'false', 'no', 'fail', 'failed'];
const flag = (given: string | undefined): boolean | undefined => {
  const word = given?.trim().toLowerCase() ?? '';
  return YES.includes(word) ? true : NO.includes(word) ? false : undefined;
};

/**
 * The same row from a CSV record: ch1_… to ch8_… are its channels. See docs/station-log.md.
 *
 * @example
 * readStationRecord({ station: 'D1', time: '2026-11-25T07:00:00Z', serial: 'A-1', kind: 'bump', result: 'pass', … })
 */
export function readStationRecord(record: Record<string, string | undefined>): StationRead {
  const given = (name: string) => {
    const value = record[name]?.trim();
    return value ? value : undefined;
  };
  const channels = Array.from({ length: 8 }, (_one, index) => `ch${index + 1}_`)
    .filter((prefix) => given(`${prefix}measurand`))
    .map((prefix) => ({
      measurand: given(`${prefix}measurand`),
      unit: given(`${prefix}unit`),
      target: given(`${prefix}target`),
      before: given(`${prefix}before`),
      after: given(`${prefix}after`),
      moved: flag(given(`${prefix}moved`)),
      ...(given(`${prefix}lot`) ? { lot: given(`${prefix}lot`) } : {}),
      ...(given(`${prefix}t90`) === undefined ? {} : { t90Seconds: Number(given(`${prefix}t90`)) }),
    }));
  return readStationRow({
    station: given('station'),
    at: given('time'),
    maker: given('maker'),
    model: given('model'),
    serial: given('serial'),
    kind: given('kind')?.toLowerCase(),
    passed: flag(given('result')),
    gases: ['', '2', '3', '4'].flatMap((number) =>
      number === '' || given(`lot${number}`) ? [{ lot: given(`lot${number}`), expires: given(`expires${number}`) }] : [],
    ),
    ...(given('interval') === undefined ? {} : { intervalDays: Number(given('interval')) }),
    outputs: { sound: flag(given('sound')), light: flag(given('light')), vibration: flag(given('vibration')) },
    channels,
  });
}
