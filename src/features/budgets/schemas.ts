import { isValid, parseISO } from 'date-fns';
import * as yup from 'yup';
import { STANDING_IDS, type StandingId } from '@/core/uncertainty/standing';

const day = yup
  .string()
  .trim()
  .required('The date of the source.')
  .test('date', 'A date such as 2026-11-26.', (text) => /^\d{4}-\d{2}-\d{2}$/.test(text) && isValid(parseISO(text)));
const source = yup.string().trim().max(300);

export const standingSchema = yup.object({
  standing: yup.string<StandingId>().oneOf(STANDING_IDS).required(),
  measurand: yup.string().trim().required(),
  procedure: yup.string().trim().max(60).default(''),
  point: yup.string().trim().max(60).default(''),
  value: yup
    .number()
    .typeError('A figure such as 0.5.')
    .min(0, 'An uncertainty is never negative.')
    .max(1e6)
    .required('A figure such as 0.5.'),
  form: yup.string<'percent' | 'steps' | 'absolute'>().oneOf(['percent', 'steps', 'absolute']).required(),
  unit: yup.string().trim().max(20).default(''),
  sourceKind: yup.string<'practice' | 'confirmed'>().oneOf(['practice', 'confirmed']).required(),
  sourceText: source.default('').when('sourceKind', {
    is: 'confirmed',
    then: (schema) =>
      schema.min(5, 'Which paper, certificate or study says so?').required('Which paper, certificate or study says so?'),
  }),
  sourceOn: yup
    .string()
    .trim()
    .default('')
    .when('sourceKind', { is: 'confirmed', then: () => day }),
});
export type StandingChange = yup.InferType<typeof standingSchema>;

export const confirmSchema = yup.object({
  sourceText: source.min(5, 'Which paper says so?').required('Which paper says so?'),
  sourceOn: day,
});

/** Series of readings as typed: a line a series, figures apart by spaces or semicolons. */
export const parseSeries = (text: string): string[][] =>
  text
    .split(/\n/)
    .map((line) => line.split(/[\s;]+/).filter(Boolean))
    .filter((line) => line.length > 0);

export const studySchema = yup.object({
  procedure: yup.string().trim().required('For which procedure?'),
  point: yup.string().trim().required('At which point?'),
  measurand: yup.string().trim().required('Which quantity?'),
  unit: yup.string().trim().required('In which unit?'),
  instrument: yup.string().trim().max(120).required('On which instrument?'),
  studiedOn: day,
  note: yup.string().trim().max(500).default(''),
  readings: yup
    .string()
    .trim()
    .required('The readings, a line a series.')
    .test('numbers', '', function (text) {
      const series = parseSeries(text ?? '');
      const bad = series.flat().find((one) => !/^[+-]?\d+(\.\d+)?$/.test(one));
      if (bad) return this.createError({ message: `“${bad}” is no figure: readings as displayed, with a point.` });
      const n = series.flat().length;
      if (n < 5) return this.createError({ message: `${n} readings are too few: at least five.` });
      return series.some((one) => one.length < 2)
        ? this.createError({ message: 'A series of one reading says nothing of its spread: at least two a line.' })
        : true;
    }),
});
export type StudyInput = yup.InferType<typeof studySchema>;

export const withdrawStudySchema = yup.object({
  id: yup.string().uuid().required(),
  reason: yup.string().trim().min(3, 'Say in a few words why.').max(300).required('Say in a few words why.'),
});

const decimal = (message: string) =>
  yup
    .string()
    .trim()
    .required(message)
    .matches(/^-?\d{1,9}(\.\d{1,6})?$/, message);

export const scopeSchema = yup.object({
  /** The line that this one takes the place of. */
  replaces: yup.number().integer().nullable().default(null),
  measurand: yup.string().trim().required('Which quantity?'),
  unit: yup.string().trim().required('In which unit?'),
  lowest: decimal('A figure such as 0.5.'),
  highest: decimal('A figure such as 500.').test(
    'order',
    'The range ends above where it begins.',
    (text, { parent }) => !(Number(text) < Number((parent as { lowest: string }).lowest)),
  ),
  smallest: decimal('A figure such as 0.5.').test('positive', 'An uncertainty is more than nothing.', (text) => Number(text) > 0),
  form: yup.string<'absolute' | 'percent'>().oneOf(['absolute', 'percent']).required(),
});
export type ScopeInput = yup.InferType<typeof scopeSchema>;

export const endScopeSchema = yup.object({
  id: yup.number().integer().required(),
  reason: yup.string().trim().min(3, 'Say in a few words why.').max(300).required('Say in a few words why.'),
});
