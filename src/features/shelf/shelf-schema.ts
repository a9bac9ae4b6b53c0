import { endOfMonth, format, isValid, parseISO } from 'date-fns';
import * as yup from 'yup';

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

export const EQUIPMENT_ROLES = [
  'regulator',
  'tube',
  'scrubber',
  'zeroTube',
  'flowMeter',
  'barometer',
  'thermometer',
  'balance',
] as const;
export const ROLE_NAME: Record<string, string> = {
  regulator: 'Regulator',
  tube: 'Tube, adapter',
  scrubber: 'Scrubber',
  zeroTube: 'Zero tube',
  flowMeter: 'Flow meter',
  barometer: 'Barometer',
  thermometer: 'Thermometer',
  balance: 'Balance',
};

const component = yup.object({
  substance: text(40).required('Which substance?'),
  value: decimal('A value').required('The certified value.'),
  unit: yup.string().oneOf(['%vol', 'ppm', 'ppb', '%LEL', 'g/210 L']).required(),
  expanded: decimal('An uncertainty').required('The uncertainty as stated.'),
  k: yup.number().min(1).max(4).default(2),
});

export const referenceSchema = yup.object({
  kind: yup.string().oneOf(['gas', 'tool']).required(),
  role: yup
    .string()
    .oneOf(['', ...EQUIPMENT_ROLES])
    .default(''),
  name: text(120).required('What is it?'),
  maker: text(80).default(''),
  lot: text(60).required('Lot or serial number.'),
  partNumber: text(60).default(''),
  fitting: text(40).default(''),
  expires: text(10)
    .default('')
    .test('date', 'A month (2027-06) or a day (2027-06-30).', (value) => !value || lastDayOf(value) !== null)
    .when('kind', { is: 'gas', then: (schema) => schema.required('Until when is it good?') }),
  waterVolumeL: decimal('Litres').default(''),
  pressureBar: decimal('A pressure in bar').default(''),
  price: decimal('A price').default(''),
  balance: text(20).default(''),
  certificate: text(80).default(''),
  traceability: text(200).default(''),
  flowLPerMin: decimal('A flow in L/min').default(''),
  demand: yup.boolean().default(false),
  components: yup
    .array(component)
    .max(12)
    .default([])
    .when('kind', { is: 'gas', then: (schema) => schema.min(1, 'At least one component.') }),
});
export type ReferenceInput = yup.InferType<typeof referenceSchema>;

export const checkSchema = yup.object({
  id: yup.string().uuid().required(),
  what: yup.string().oneOf(['pressure', 'check', 'state']).required(),
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
