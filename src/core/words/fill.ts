const PLACE = /\{(\w+)\}/g;

/** Whether a message has places only: no choice by number or kind. */
export const isPlain = (message: string): boolean => !/\{\w+,/.test(message);

/**
 * Fills the places of a plain message. Figures are put in as they are given: a display's digits are never formatted anew.
 * Errors: RangeError for a place without a figure.
 * Source: simple arguments of ICU messages, as `intl-messageformat` fills them (compared in the catalogue's test).
 *
 * @example
 * fill('{serial} is in the house already.', { serial: 'OG-1' }) // 'OG-1 is in the house already.'
 */
export function fill(message: string, numbers: Readonly<Record<string, string | number>> = {}): string {
  return message.replace(PLACE, (_, name: string) => {
    const given = numbers[name];
    if (given === undefined) throw new RangeError(`numbers must hold ${name}, got ${Object.keys(numbers).join(', ') || 'none'}`);
    return String(given);
  });
}
