import * as yup from 'yup';
import { IMPORT_FIELDS, type ImportField } from '@/core/stored/import';
import { DAY_ORDERS } from '@/core/quantity/read-day';
import { IMPORT_KINDS } from './import-fields';

export const ROWS_AT_ONCE = 500;
export const MOST_ROWS = 200_000;
export const MOST_COLUMNS = 60;
const cell = yup.string().max(500).default('');

export const beginSchema = yup.object({
  kind: yup.string().oneOf(IMPORT_KINDS).required(),
  fileName: yup.string().trim().max(200).required(),
  columns: yup.array(cell).min(1).max(MOST_COLUMNS).required(),
});
export const rowsSchema = yup.object({
  batchId: yup.string().uuid().required(),
  first: yup.number().integer().min(1).max(MOST_ROWS).required(),
  rows: yup.array(yup.array(cell).max(MOST_COLUMNS).required()).min(1).max(ROWS_AT_ONCE).required(),
  last: yup.boolean().default(false),
});
export const batchSchema = yup.object({ batchId: yup.string().uuid().required() });

/** By a name of the table: an id, or 'new'. A schema of fixed keys would drop them. */
const decided = () =>
  yup
    .mixed<Record<string, string>>()
    .default({})
    .test('decided', 'Choose one of the list.', (value) => {
      const pairs = Object.entries((value as unknown) ?? {});
      return (
        pairs.length <= 2000 &&
        pairs.every(([name, to]) => name.length <= 500 && (to === 'new' || yup.string().uuid().isValidSync(to)))
      );
    });
const column = yup.number().integer().min(0).max(MOST_COLUMNS);
export const judgeSchema = batchSchema.shape({
  mapping: yup
    .object(Object.fromEntries(IMPORT_FIELDS.map((field) => [field, column])) as Record<ImportField, typeof column>)
    .required(),
  dayOrder: yup.string().oneOf(DAY_ORDERS).required(),
  /** Names that are like one on record: its id, or 'new'. */
  customers: decided(),
  /** Models that are on record under another name: their id. */
  models: decided(),
});
