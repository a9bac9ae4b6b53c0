/**
 * The place of a step (or of a question of one) in its procedure, whatever channel, round or look it is worked on for. Everybody who takes a key apart does it here.
 * Errors: none.
 *
 * @example
 * stepPath('span[c-o2]/try#2/gas~2') // 'span/try/gas'
 */
export const stepPath = (key: string): string => key.replace(/\[[^\]]*\]|#\d+|~\d+|!.*$/g, '');

/**
 * The last part of a path: a step's own id, or that of a question.
 *
 * @example
 * ownId('span[c-o2]/try#2/gas~2') // 'gas'
 */
export const ownId = (key: string): string => stepPath(key).split('/').at(-1)!;
