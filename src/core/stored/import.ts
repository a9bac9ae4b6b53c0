import * as yup from 'yup';
import { oneOf, shape, storedReader } from '../stored-reader';

/** What a column of a table that is taken in may be. */
export const IMPORT_FIELDS = [
  'customer',
  'address',
  'contact',
  'email',
  'phone',
  'maker',
  'model',
  'serial',
  'tag',
  'due',
  'last',
  'site',
  'lot',
  'name',
  'supplier',
  'certificate',
  'issuer',
  'traceability',
  'expires',
  'waterVolume',
  'pressure',
  'gas',
  'value',
  'unit',
  'expanded',
  'k',
] as const;
export type ImportField = (typeof IMPORT_FIELDS)[number];

/** What may be wrong with a row. */
export const IMPORT_PROBLEMS = [
  'noCustomer',
  'noModel',
  'noSerial',
  'unknownModel',
  'likeCustomer',
  'notADay',
  'noMail',
  'twice',
  'noFigure',
  'noGas',
  'noUnit',
  'noLot',
  'neededOfBottle',
  'lotDiffers',
  'lotBad',
  'long',
] as const;
export interface ImportProblem {
  code: (typeof IMPORT_PROBLEMS)[number];
  field: ImportField;
  numbers?: Record<string, string | number>;
}

const eachField = <T extends yup.Schema>(schema: T) =>
  shape(Object.fromEntries(IMPORT_FIELDS.map((field) => [field, schema])) as Record<ImportField, T>);

/** The place of the column of each field, as it was stored, checked. Errors: RangeError. */
export const readMapping = storedReader<Partial<Record<ImportField, number>> & { dayOrder?: 'dayFirst' | 'monthFirst' }>(
  'columns of a table',
  eachField(yup.number().integer().min(0).optional())
    .shape({ dayOrder: oneOf(['dayFirst', 'monthFirst']).optional() })
    .required(),
);
/** What was decided about names: customers and models, each by the name as the table has it. Errors: RangeError. */
export const readDecisions = storedReader<{ customers?: Record<string, string>; models?: Record<string, string> }>(
  'decisions about a table',
  shape({ customers: yup.object().optional(), models: yup.object().optional() }).required(),
);
export const readCells = storedReader<string[]>('cells of a row', yup.array().of(yup.string().defined()).required());
export const readGiven = storedReader<Partial<Record<ImportField, string>>>(
  'fields of a row',
  eachField(yup.string().optional()).required(),
);
export const readProblems = storedReader<ImportProblem[]>(
  'problems of a row',
  yup
    .array()
    .of(
      shape({
        code: oneOf(IMPORT_PROBLEMS).required(),
        field: oneOf(IMPORT_FIELDS).required(),
        numbers: yup.object().optional().default(undefined),
      }).required(),
    )
    .required(),
);
