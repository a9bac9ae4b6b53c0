/**
 * An object without one of its parts.
 *
 * @example
 * without({ low: '35', high: '70' }, 'high') // { low: '35' }
 */
export const without = <T extends object>(whole: T, part: string): T =>
  Object.fromEntries(Object.entries(whole).filter(([name]) => name !== part)) as T;
