import type { CheckItem } from '../procedure/procedure';
import { lastAnswer, type RunState } from '../record/state';

/**
 * What a setting was when it was read before, where a question names that reading (`sameAs`: step/item); undefined where it names none or nothing was read.
 *
 * @example
 * valueBefore({ ...item, sameAs: 'settings-before/low' }, state) // '35'
 */
export function valueBefore({ sameAs }: CheckItem, state: RunState): string | undefined {
  const [step, item] = sameAs?.split('/') ?? [];
  return step && item ? lastAnswer(state, step, item)?.value : undefined;
}
