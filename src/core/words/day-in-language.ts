import { format, parseISO } from 'date-fns';
import type { Language } from './registry';

/**
 * A day as letters of a language write it. Argument: YYYY-MM-DD. Errors: RangeError for what is no day.
 *
 * @example
 * dayInLanguage('2026-12-18', 'de') // '18.12.2026'
 */
export const dayInLanguage = (day: string, language: Language): string =>
  format(parseISO(day), language === 'de' ? 'dd.MM.yyyy' : 'd MMM yyyy');
