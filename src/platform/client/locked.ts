const EVENT = 'werkbank-locked';

/** The house said that this screen is locked: whoever covers it hears of it. */
export const sayLocked = (): void => void window.dispatchEvent(new Event(EVENT));

/** Gives back the way to stop. */
export function onLocked(listener: () => void): () => void {
  window.addEventListener(EVENT, listener);
  return () => window.removeEventListener(EVENT, listener);
}
