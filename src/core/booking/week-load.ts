import { addDays, format, getISODay, parseISO } from 'date-fns';

/** What a week may hold; null: no ceiling is set. Instruments, and hours of work. */
export interface Ceiling {
  instruments: number | null;
  hours: number | null;
}
/** Instruments and the hours that they usually take. */
export interface Amount {
  instruments: number;
  hours: number;
}
export interface WeekLoad {
  /** Its Monday, YYYY-MM-DD. */
  week: string;
  booked: Amount;
  due: Amount;
}

/**
 * Monday of the ISO week that a calendar day lies in, as YYYY-MM-DD. Errors: RangeError for no day.
 * Source: ISO 8601-1:2019, 3.1.1.23 (a week begins on Monday).
 *
 * @example
 * mondayOf('2026-11-29') // '2026-11-23'
 */
export function mondayOf(day: string): string {
  const date = parseISO(day);
  return format(addDays(date, 1 - getISODay(date)), 'yyyy-MM-dd');
}

/**
 * How much of a week's load fits and how much doesn't, in instruments, what is booked before what is only due: a booking is a word given, a due date isn't. `hours` counts where it is the tighter of the two ceilings.
 * Errors: none; without a ceiling all fits.
 *
 * @example
 * fitOf({ week: '2026-11-30', booked: { instruments: 30, hours: 15 }, due: { instruments: 20, hours: 10 } }, { instruments: 40, hours: null })
 * // { booked: 30, due: 10, beyond: 10 }
 */
export function fitOf({ booked, due }: WeekLoad, ceiling: Ceiling): { booked: number; due: number; beyond: number } {
  const total = booked.instruments + due.instruments;
  const hoursEach = total > 0 ? (booked.hours + due.hours) / total : 0;
  const byHours = ceiling.hours === null || hoursEach === 0 ? Infinity : Math.floor(ceiling.hours / hoursEach + 1e-9);
  const most = Math.min(ceiling.instruments ?? Infinity, byHours);
  const fits = Math.min(booked.instruments, most);
  const dueFits = Math.min(due.instruments, most - fits);
  return { booked: fits, due: dueFits, beyond: total - fits - dueFits };
}

/**
 * Whether a booking of so much has room beside what is booked in its week. What is only due doesn't take room: whoever books first has it.
 *
 * @example
 * hasRoom({ instruments: 39, hours: 20 }, { instruments: 2, hours: 1 }, { instruments: 40, hours: null }) // false
 */
export const hasRoom = (booked: Amount, more: Amount, ceiling: Ceiling): boolean =>
  (ceiling.instruments === null || booked.instruments + more.instruments <= ceiling.instruments) &&
  (ceiling.hours === null || booked.hours + more.hours <= ceiling.hours + 1e-9);
