/**
 * A figure as it is typed where the decimal mark is a comma, with a point; any other text as it is, trimmed. Three digits behind a comma stay as they are: “1,000” is one or a thousand, and nobody guesses a reading.
 * Errors: none. Source: ISO 80000-1:2022, 7.3.2 (both marks are in use, neither groups digits), from memory.
 *
 * @example
 * pointed('7,02') // '7.02'
 * pointed('1,000') // '1,000'
 */
export const pointed = (typed: string): string => typed.trim().replace(/^([+-]?\d+),(\d{1,2}|\d{4,9})$/, '$1.$2');
