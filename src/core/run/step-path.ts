/**
 * The place of a step in its procedure, whatever channel, round or look it is worked on for.
 * Errors: none.
 *
 * @example
 * stepPath('span[c-o2]/try#2/gas~2') // 'span/try/gas'
 */
export const stepPath = (key: string): string => key.replace(/\[[^\]]*\]|#\d+|~\d+|!.*$/g, '');
