import { addWords } from '../registry';

/** Words of taking lists away as files. */
export const EXPORT = {
  'export.csv': 'CSV',
  'export.xlsx': 'Spreadsheet',
  'export.ics': 'Calendar',
} as const;
addWords(EXPORT);
