/** What a calculator is: fields, a published source, and a function of core. No logic of the trade lives here. */
export type Group = 'Gas' | 'pH' | 'Conductivity' | 'Oxygen' | 'Uncertainty' | 'Intervals' | 'Units';
export const GROUPS: Group[] = ['Gas', 'pH', 'Conductivity', 'Oxygen', 'Uncertainty', 'Intervals', 'Units'];

interface FieldBase {
  /** Core's own name of the argument, so that its RangeError finds the field. */
  id: string;
  label: string;
  initial: string;
  help?: string;
}
export interface NumberField extends FieldBase {
  kind: 'number';
  /** First the unit that core takes; the others can be switched to. */
  units?: string[];
  optional?: boolean;
}
export interface ChoiceField extends FieldBase {
  kind: 'choice';
  choices: [value: string, label: string][];
}
export interface TextField extends FieldBase {
  kind: 'date';
}
/** A small table, a row a line, columns apart by blanks: quick to type and to paste. */
export interface RowsField extends FieldBase {
  kind: 'rows';
  columns: string[];
  /** Columns that are words, not numbers. */
  words?: number[];
}
export type CalculatorField = NumberField | ChoiceField | TextField | RowsField;

export interface Line {
  label: string;
  value: string;
  unit?: string;
  /** State of a verdict, shown by mark and word. */
  state?: 'within' | 'outside' | 'cannotTell' | 'notMeasured';
  note?: string;
}

/** What was typed, in core's units. */
export interface Values {
  number(id: string): number;
  /** null where an optional field is empty. */
  maybe(id: string): number | null;
  text(id: string): string;
  rows(id: string): (number | string)[][];
}

export interface Calculator {
  id: string;
  group: Group;
  title: string;
  /** Other words a technician may type to find it. */
  words?: string;
  source: string;
  fields: CalculatorField[];
  compute(values: Values): Line[];
}

export const number = (
  id: string,
  label: string,
  initial: string,
  units?: string[],
  more: Partial<NumberField> = {},
): NumberField => ({
  kind: 'number',
  id,
  label,
  initial,
  ...(units ? { units } : {}),
  ...more,
});
export const choice = (id: string, label: string, choices: [string, string][], initial = choices[0]![0]): ChoiceField => ({
  kind: 'choice',
  id,
  label,
  choices,
  initial,
});
export const rows = (
  id: string,
  label: string,
  columns: string[],
  initial: string,
  more: Partial<RowsField> = {},
): RowsField => ({
  kind: 'rows',
  id,
  label,
  columns,
  initial,
  ...more,
});

/** A number as it is read: so many significant digits, no power of ten, no false zeros. */
export function figure(value: number, digits = 6): string {
  if (value === 0) return '0';
  const text = Number(value.toPrecision(digits));
  if (Math.abs(text) >= 1e15 || Math.abs(text) < 1e-9) return String(text);
  return text.toLocaleString('en', { useGrouping: false, maximumFractionDigits: 12 });
}
export const places = (value: number, count: number): string => value.toFixed(count);
