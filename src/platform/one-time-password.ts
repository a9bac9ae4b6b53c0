import { randomInt } from 'node:crypto';

/** No sign that is taken for another one when it is said or written by hand. */
const SIGNS = 'abcdefghjkmnpqrstuvwxyz23456789';

/** A password for somebody else: 20 signs of 31 (99 bits), in groups that can be said. */
export const oneTimePassword = (): string =>
  Array.from({ length: 4 }, () => Array.from({ length: 5 }, () => SIGNS[randomInt(SIGNS.length)]).join('')).join('-');
