import type { Condition } from '@/core/procedure/condition';
import { say, type WordCode } from '@/core/words/say';
import '@/core/words/en/conditions';
import '@/core/words/en/procedures';

/**
 * A condition in words, as the outline and the form show it.
 *
 * @example
 * conditionWords({ not: { is: 'adjustPassed' } }) // 'not (an adjustment passed)'
 */
export function conditionWords(condition: Condition | undefined): string {
  if (!condition) return say({ code: 'edit.always' });
  if ('not' in condition) return say({ code: 'when.not', numbers: { what: conditionWords(condition.not) } });
  if ('all' in condition) return condition.all.map(conditionWords).join(say({ code: 'when.and' }));
  if ('any' in condition) return condition.any.map(conditionWords).join(say({ code: 'when.or' }));
  const { is, ...rest } = condition;
  const numbers = Object.fromEntries(
    Object.entries(rest).map(([name, value]) => [name, Array.isArray(value) ? value.join(', ') : String(value)]),
  );
  return say({ code: `when.${is}` satisfies WordCode, numbers });
}
