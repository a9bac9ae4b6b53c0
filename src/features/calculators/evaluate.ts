import { pointed } from '@/core/quantity/pointed';
import { convert } from '@/core/quantity/unit';
import type { Calculator, CalculatorField, Line, RowsField, Values } from './calculator';

/** What stands in the fields: texts as typed, and the unit chosen beside a number. */
export interface Entry {
  texts: Record<string, string>;
  units: Record<string, string>;
}
export type Outcome = { lines: Line[]; problem: null } | { lines: null; problem: { field: string | null; sentence: string } };

class FieldProblem extends Error {
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message);
  }
}

const NUMBER = /^[+-]?(\d+(\.\d*)?|\.\d+)(e[+-]?\d+)?$/i;

/** Computes a calculator from what was typed. What can't be read or lies out of range comes back as a message for its field; nothing is thrown. */
export function evaluate(calculator: Calculator, entry: Entry): Outcome {
  try {
    return { lines: calculator.compute(valuesOf(calculator, entry)), problem: null };
  } catch (error) {
    if (error instanceof FieldProblem) return { lines: null, problem: { field: error.field, sentence: error.message } };
    if (error instanceof RangeError) return { lines: null, problem: named(calculator, entry, error.message) };
    throw error;
  }
}

function valuesOf(calculator: Calculator, { texts, units }: Entry): Values {
  const field = (id: string): CalculatorField => calculator.fields.find((one) => one.id === id)!;
  const text = (id: string) => pointed(texts[id] ?? field(id).initial);
  const maybe = (id: string) => {
    if (text(id) === '') return null;
    const value = parse(id, text(id));
    const [base] = unitsOf(field(id));
    const unit = units[id] ?? base;
    return base && unit && unit !== base ? convert({ value, from: unit, to: base }) : value;
  };
  return {
    text,
    maybe,
    number: (id) => {
      const value = maybe(id);
      if (value === null) throw new FieldProblem(id, 'Type a number.');
      return value;
    },
    rows: (id) => rowsOf(field(id) as RowsField, text(id)),
  };
}

/** Units that a field can be switched between, core's own first. */
export function unitsOf(field: CalculatorField): string[] {
  return field.kind === 'number' ? (field.units ?? []) : [];
}

function parse(id: string, text: string): number {
  if (!NUMBER.test(text.replace('−', '-'))) {
    throw new FieldProblem(
      id,
      text.includes(',') ? `“${text}” is not a number here: use a point for the decimals.` : `“${text}” is not a number.`,
    );
  }
  return Number(text.replace('−', '-'));
}

function rowsOf(field: RowsField, text: string): (number | string)[][] {
  return text
    .split('\n')
    .filter((line) => line.trim() !== '')
    .map((line, index) => {
      const cells = line.trim().split(/[\s;]+/);
      if (cells.length !== field.columns.length)
        throw new FieldProblem(
          field.id,
          `Line ${index + 1} needs ${field.columns.length} entries (${field.columns.join(', ')}), it has ${cells.length}.`,
        );
      return cells.map((cell, column) => (field.words?.includes(column) ? cell : parse(field.id, cell)));
    });
}

/** Core names the argument at the head of its message: the field of that name gets it. */
function named(calculator: Calculator, entry: Entry, message: string): { field: string | null; sentence: string } {
  const [name = ''] = message.split(' ');
  const field =
    calculator.fields.find((one) => one.id === name) ?? calculator.fields.find((one) => one.id === name.replace(/\[.*$/, ''));
  if (!field) return { field: null, sentence: message };
  const [base] = unitsOf(field);
  const chosen = entry.units[field.id] ?? base;
  const says = message.slice(name.length).trim();
  const where = /\[(\d+)\]/.exec(name);
  const place = where ? `Line ${Number(where[1]) + 1}${name.includes('.') ? `, ${name.split('.').pop()}` : ''}: ` : '';
  return {
    field: field.id,
    sentence: `Out of range: ${place}${says}${base ? ` (in ${base}${chosen !== base ? `, typed in ${chosen}` : ''})` : ''}.`,
  };
}

/** The entry as part of an address: only what differs from the start. */
export function toQuery(calculator: Calculator, { texts, units }: Entry): string {
  const query = new URLSearchParams({ c: calculator.id });
  for (const field of calculator.fields) {
    const text = texts[field.id];
    if (text !== undefined && text !== field.initial) query.set(field.id, text);
    const unit = units[field.id];
    if (unit !== undefined && unit !== unitsOf(field)[0]) query.set(`${field.id}~unit`, unit);
  }
  return query.toString();
}

/** And back; what is not known is left out. */
export function fromQuery(calculator: Calculator, query: Record<string, string>): Entry {
  const entry: Entry = { texts: {}, units: {} };
  for (const field of calculator.fields) {
    const text = query[field.id];
    if (text !== undefined && (field.kind !== 'choice' || field.choices.some(([value]) => value === text)))
      entry.texts[field.id] = text.slice(0, 4000);
    const unit = query[`${field.id}~unit`];
    if (unit !== undefined && unitsOf(field).includes(unit)) entry.units[field.id] = unit;
  }
  return entry;
}
