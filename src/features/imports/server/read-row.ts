import * as yup from 'yup';
import type { ImportField, ImportProblem } from '@/core/stored/import';
import type { ImportKind } from '../import-fields';
import { readBottleRow } from './read-bottle-row';
import type { RowRead } from './row-read';
import { readDay, type DayOrder } from '@/core/quantity/read-day';

/** As long as the fields of their own rooms allow. */
const MOST: Partial<Record<ImportField, number>> = {
  customer: 120,
  address: 300,
  contact: 120,
  email: 160,
  phone: 60,
  serial: 60,
  tag: 60,
  maker: 80,
  model: 80,
  site: 80,
  lot: 60,
  name: 120,
  supplier: 80,
  certificate: 80,
  issuer: 120,
  traceability: 200,
};
const isMail = (text: string) => yup.string().email().isValidSync(text);

/** What a row gives of its fields, days as ISO 8601, and what is wrong with it by itself; what it has to do with other rows and the house is judged after it. */
export function readRow(
  cells: readonly string[],
  mapping: Partial<Record<ImportField, number>>,
  { kind, dayOrder }: { kind: ImportKind; dayOrder: DayOrder },
): RowRead {
  const given: RowRead['given'] = {};
  const problems: ImportProblem[] = [];
  for (const [field, column] of Object.entries(mapping) as [ImportField, number][]) {
    const text = (cells[column] ?? '').replace(/\s+/g, ' ').trim();
    if (!text) continue;
    if (field === 'due' || field === 'last') {
      const day = readDay(text, dayOrder);
      if (day) given[field] = day;
      else problems.push({ code: 'notADay', field, numbers: { text } });
    } else if (text.length > (MOST[field] ?? 500))
      problems.push({ code: 'long', field, numbers: { text: `${text.slice(0, 30)}…` } });
    else if (field === 'email' && !isMail(text)) problems.push({ code: 'noMail', field, numbers: { text } });
    else given[field] = text;
  }
  if (kind === 'bottles') {
    const read = readBottleRow(given, dayOrder);
    return { given: read.given, problems: [...problems, ...read.problems] };
  }
  if (!given.customer) problems.push({ code: 'noCustomer', field: 'customer' });
  if (kind === 'instruments' && !given.model) problems.push({ code: 'noModel', field: 'model' });
  if (kind === 'instruments' && !given.serial) problems.push({ code: 'noSerial', field: 'serial' });
  return { given, problems };
}
