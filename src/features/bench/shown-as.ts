import type { Reading } from '@/core/quantity/reading';

export interface Shown {
  text: string;
  status: Exclude<Reading['status'], 'interval'>;
}

/**
 * What a display shows, out of what was typed: a figure; O, U or F for over range, under range, fault; a figure with ~ flickers about it. A dead channel is a result, no step left out.
 *
 * @example
 * shownAs('o') // { text: '', status: 'over' }
 * shownAs('99~') // { text: '99', status: 'flicker' }
 */
export function shownAs(typed: string): Shown {
  const text = typed.trim();
  if (/^o(l|ver)?$/i.test(text)) return { text: '', status: 'over' };
  if (/^u(nder)?$/i.test(text)) return { text: '', status: 'under' };
  if (/^(f(ault)?|-{2,})$/i.test(text)) return { text: '', status: 'fault' };
  const flickers = /^~?([+-]?\d+(?:\.\d+)?)~?$/.exec(text);
  return flickers && text.includes('~') ? { text: flickers[1]!, status: 'flicker' } : { text, status: 'value' };
}
