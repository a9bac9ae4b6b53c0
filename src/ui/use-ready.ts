'use client';
import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** False in what the server drew and until the browser has taken it over; a button that needs the program waits for it, so that no press is lost. */
export function useReady(): boolean {
  return useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
}
