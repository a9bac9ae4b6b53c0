import { getTableColumns, sql } from 'drizzle-orm';
import { changeLog } from './schema';

type Part = Record<string, unknown> | null;

/** Columns of a change with what it keeps of a person opened; where the key was destroyed, `BLANKED` (core/record) stands. */
export const changeRow = {
  ...getTableColumns(changeLog),
  before: sql<Part>`unseal(${changeLog.before})`,
  after: sql<Part>`unseal(${changeLog.after})`,
};
