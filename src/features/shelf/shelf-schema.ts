import { endOfMonth, format, isValid, parseISO } from 'date-fns';
import * as yup from 'yup';
import { SOLUTION_ROLES, TOOL_ROLES } from '@/core/procedure/equipment-role';
import { MEASURANDS } from '@/core/measurand';
import type { Measurand } from '@/core/measurand/measurand';
import { readTable } from './read-table';

const text = (most: number) => yup.string().trim().max(most, `At most ${most} characters.`);
const decimal = (what: string) =>
  text(20).matches(/^\d+(\.\d+)?$/, { message: `${what}, such as 0.5.`, excludeEmptyString: true });

/** Month and year on a bottle mean the last day of that month. Null for what is no date. */
export function lastDayOf(expires: string): string | null {
  if (/^\d{4}-\d{2}$/.test(expires)) {
    const month = parseISO(`${expires}-01`);
    return isValid(month) ? format(endOfMonth(month), 'yyyy-MM-dd') : null;
  }
  return /^\d{4}-\d{2}-\d{2}$/.test(expires) && isValid(parseISO(expires)) ? expires : null;
}

export { TOOL_ROLES as EQUIPMENT_ROLES, SOLUTION_ROLES };
/** What measuring equipment states of itself: quantity, unit. A thermo-hygrometer states two. */
export const MEASURES: Partial<Record<string, [substance: string, unit: string][]>> = {
  thermometer: [['temperature', '°C']],
  hygrometer: [
    ['humidity', '%'],
    ['temperature', '°C'],
  ],
  barometer: [['pressure', 'hPa']],
  flowMeter: [['flow', 'L/min']],
};
const EQUIPMENT_UNITS = ['°C', 'hPa', '%', 'L/min'] as const;
const KNOWN = Object.values(MEASURANDS as Record<string, Measurand>).flatMap((one) => one.liquids ?? []);
export const LIQUID_UNITS = [...new Set(KNOWN.map((one) => one.unit))];
/** Substances that the procedures ask for by name: every measurand brings its own. */
export const LIQUIDS = {
  buffer: KNOWN.filter((one) => one.kind === 'buffer'),
  standard: KNOWN.filter((one) => one.kind === 'standard'),
};
export const ROLE_NAME: Record<string, string> = {
  regulator: 'Regulator',
  tube: 'Tube, adapter',
  scrubber: 'Scrubber',
  zeroTube: 'Zero tube',
  flowMeter: 'Flow meter',
  barometer: 'Barometer',
  thermometer: 'Thermometer',
  hygrometer: 'Hygrometer',
  balance: 'Balance',
  storage: 'Storage solution',
  cleaning: 'Cleaning solution',
  electrolyte: 'Electrolyte',
  membrane: 'Membranes',
};

/** What a thermometer, hygrometer or barometer may show. */
export const CORRECTED = [-50, 1200] as const;

const component = yup.object({
  substance: text(40).required('Which substance?'),
  value: decimal('A value').required('The certified value.'),
  unit: yup
    .string()
    .oneOf(['%vol', 'ppm', 'ppb', '%LEL', 'g/210 L', ...LIQUID_UNITS, ...EQUIPMENT_UNITS])
    .required(),
  expanded: decimal('An uncertainty').required('The uncertainty as stated.'),
  k: yup.number().min(1).max(4).default(2),
  /** The lot's own table as text; empty: the usual table of this buffer or standard. */
  /** What the certificate says has to be added to what it shows: two rows, the figure and the correction. */
  corrections: text(1000)
    .default('')
    .test('corrections', '', function (value) {
      if (!value) return true;
      const read = readTable(value, CORRECTED);
      return 'rows' in read || this.createError({ message: read.problem });
    }),
  table: text(2000)
    .default('')
    .test('table', '', function (value) {
      if (!value) return true;
      const read = readTable(value);
      return 'rows' in read || this.createError({ message: read.problem });
    }),
});

const hasContent = (kind: string) => ['gas', 'buffer', 'standard'].includes(kind);

export const referenceSchema = yup.object({
  kind: yup.string().oneOf(['gas', 'tool', 'buffer', 'standard', 'solution']).required(),
  role: yup
    .string()
    .oneOf(['', ...TOOL_ROLES, ...SOLUTION_ROLES])
    .default(''),
  name: text(120).required('What is it?'),
  maker: text(80).default(''),
  lot: text(60).required('Lot or serial number.'),
  partNumber: text(60).default(''),
  fitting: text(40).default(''),
  expires: text(10)
    .default('')
    .test('date', 'A month (2027-06) or a day (2027-06-30).', (value) => !value || lastDayOf(value) !== null)
    .when('kind', { is: hasContent, then: (schema) => schema.required('Until when is it good?') }),
  waterVolumeL: decimal('Litres').default(''),
  pressureBar: decimal('A pressure in bar').default(''),
  price: decimal('A price').default(''),
  balance: text(20).default(''),
  certificate: text(80).default(''),
  issuer: text(120).default(''),
  traceability: text(200).default(''),
  stabilityIncluded: yup.boolean().default(false),
  flowLPerMin: decimal('A flow in L/min').default(''),
  demand: yup.boolean().default(false),
  components: yup
    .array(component)
    .max(12)
    .default([])
    .when('kind', { is: hasContent, then: (schema) => schema.min(1, 'At least one component.') }),
  set: text(40).default(''),
  nominal: text(20).default(''),
  openedOn: text(10)
    .default('')
    .matches(/^\d{4}-\d{2}-\d{2}$/, { message: 'A day (2026-11-26).', excludeEmptyString: true }),
  lifeDays: text(4)
    .default('')
    .matches(/^\d{1,4}$/, { message: 'Days, such as 184.', excludeEmptyString: true }),
  volumeMl: decimal('Millilitres').default(''),
  doseMl: decimal('Millilitres').default(''),
  singleDose: yup.boolean().default(false),
});
export type ReferenceInput = yup.InferType<typeof referenceSchema>;
/** What was entered is put right, with its reason. */
export const correctionSchema = yup.object({
  id: yup.string().uuid().required(),
  why: text(200).required('Say why.'),
  seen: yup.string().required().max(20_000),
  input: referenceSchema.required(),
});

export const checkSchema = yup.object({
  id: yup.string().uuid().required(),
  what: yup.string().oneOf(['pressure', 'check', 'state', 'opened', 'accepted']).required(),
  value: text(40)
    .default('')
    .when('what', {
      is: 'pressure',
      then: (schema) =>
        schema.required('What does the gauge show, in bar?').matches(/^\d{1,3}(\.\d+)?$/, 'A pressure in bar, 0 to 400.'),
    }),
  result: yup.string().oneOf(['', 'pass', 'fault', 'good', 'spent', 'outOfUse']).default(''),
  note: text(300).default(''),
  nextDue: text(10)
    .default('')
    .test('date', 'A date.', (value) => !value || lastDayOf(value) !== null),
});
