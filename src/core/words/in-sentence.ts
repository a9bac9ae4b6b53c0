/**
 * A label as it stands inside a sentence: its first letter small, everything else as it was, since units and formulas have capitals of their own.
 * Errors: none.
 *
 * @example
 * inSentence('Dissolved solids of 1413 µS/cm') // 'dissolved solids of 1413 µS/cm'
 */
export const inSentence = (label: string): string =>
  /^\p{Lu}[\p{Lu}\d₀-₉]/u.test(label) || /^pH\b/.test(label) ? label : label.charAt(0).toLowerCase() + label.slice(1);
