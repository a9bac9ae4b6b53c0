/** Keys of the sheet that a foot switch or a key of the number pad may stand for. */
export const ASSIGNABLE = ['n', 'g', 'c'] as const;
export type AssignableKey = (typeof ASSIGNABLE)[number];
const PLACE = 'werkbank.assigned-keys';

/** What this computer's keys stand for: physical key (KeyboardEvent.code) to the sheet's own. */
export function readAssigned(): Record<string, AssignableKey> {
  try {
    const kept = JSON.parse(localStorage.getItem(PLACE) ?? '{}') as Record<string, unknown>;
    return Object.fromEntries(
      Object.entries(kept).filter((one): one is [string, AssignableKey] => (ASSIGNABLE as readonly unknown[]).includes(one[1])),
    );
  } catch {
    return {};
  }
}

/** One physical key for one act: the key it had before is free again. Null takes it away. */
export function assign(act: AssignableKey, code: string | null): void {
  const rest = Object.entries(readAssigned()).filter(([had, key]) => key !== act && had !== code);
  localStorage.setItem(PLACE, JSON.stringify(Object.fromEntries(code ? [...rest, [code, act]] : rest)));
}

/** Letters, figures and what one writes with belong to typing and can't be assigned; a foot switch sends a function key, or one of the number pad. */
export const mayBeAssigned = (code: string): boolean =>
  /^(F([5-9]|1\d|2[0-4])|Numpad.+|Page(Up|Down)|Pause|ScrollLock|Insert)$/.test(code);

/** Works while somebody types: no such key writes anything. */
export const worksInFields = (code: string): boolean => !code.startsWith('Numpad');
