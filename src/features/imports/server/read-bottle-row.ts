import { endOfMonth, format, isValid, parse } from 'date-fns';
import type { ImportField, ImportProblem } from '@/core/stored/import';
import { readDay, type DayOrder } from '@/core/quantity/read-day';
import { readExpanded, readGasUnit } from '@/core/supply/read-certified';
import { readSubstance } from '@/core/supply/read-substance';
import type { RowRead } from './row-read';

/** Stands as the gas of a row that says what a bottle is made up with. */
export const BALANCE = 'balance';
const NEEDED = ['gas', 'value', 'unit', 'expanded', 'expires'] as const;
const FIGURE = /^\d{1,9}([.,]\d{1,9})?$/;

/** A day, or a month and year: its last day. */
function lastDay(text: string, order: DayOrder): string | null {
  for (const shape of ['yyyy-MM', 'MM/yyyy', 'MM.yyyy', 'MMM yyyy', 'MMMM yyyy']) {
    const month = parse(text, shape, new Date(2000, 0, 1));
    if (isValid(month)) return format(endOfMonth(month), 'yyyy-MM-dd');
  }
  return readDay(text, order);
}

/** One gas of a bottle: figures with a point, its unit as the house writes it, its uncertainty in that unit, its substance by formula; and what is wrong with it. */
export function readBottleRow(typed: Partial<Record<ImportField, string>>, dayOrder: DayOrder): RowRead {
  const given = { ...typed };
  const problems: ImportProblem[] = [];
  const bad = (field: ImportField, code: ImportProblem['code']) => {
    problems.push({ code, field, ...(typed[field] ? { numbers: { text: typed[field].slice(0, 30) } } : {}) });
  };
  if (!typed.lot) bad('lot', 'noLot');
  const substance = typed.gas ? readSubstance(typed.gas) : undefined;
  if (substance === 'balance') return { given: { ...given, gas: BALANCE, value: typed.gas! }, problems };
  NEEDED.filter((field) => !typed[field]).forEach((field) => bad(field, 'neededOfBottle'));
  if (substance === null) bad('gas', 'noGas');
  else if (substance) given.gas = substance;
  const unit = typed.unit ? readGasUnit(typed.unit) : undefined;
  if (unit === null) bad('unit', 'noUnit');
  else if (unit) given.unit = unit;
  for (const field of ['value', 'waterVolume', 'pressure'] as const) {
    const text = typed[field];
    if (text && FIGURE.test(text) && Number(text.replace(',', '.')) > 0) given[field] = text.replace(',', '.');
    else if (text) bad(field, 'noFigure');
  }
  if (typed.k && !(Number(typed.k.replace(',', '.')) >= 1 && Number(typed.k.replace(',', '.')) <= 4)) bad('k', 'noFigure');
  if (typed.expanded && given.value && FIGURE.test(given.value)) {
    const expanded = readExpanded(typed.expanded, given.value);
    if (expanded) given.expanded = expanded;
    else bad('expanded', 'noFigure');
  }
  if (typed.expires) {
    const day = lastDay(typed.expires, dayOrder);
    if (day) given.expires = day;
    else bad('expires', 'notADay');
  }
  return { given, problems };
}
