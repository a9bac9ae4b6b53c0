import type { ImportField, ImportProblem } from '@/core/stored/import';

/** What a row gives of its fields, and what is wrong with it by itself. */
export interface RowRead {
  given: Partial<Record<ImportField, string>>;
  problems: ImportProblem[];
}
