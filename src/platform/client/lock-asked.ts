const EVENT = 'werkbank-lock';

/** Somebody goes away and says so. */
export const askLock = (): void => void window.dispatchEvent(new Event(EVENT));

export function onLockAsked(listener: () => void): () => void {
  window.addEventListener(EVENT, listener);
  return () => window.removeEventListener(EVENT, listener);
}
