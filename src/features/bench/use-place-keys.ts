'use client';
import { useRef } from 'react';

/** How long a further digit is waited for, ms. */
const NEXT_DIGIT_MS = 700;

/** Keys of the places: one digit where it can mean one place only, two where the bench has ten and more. */
export function usePlaceKeys(
  places: readonly number[],
  go: (place: number) => void,
): Record<string, (event: KeyboardEvent) => void> {
  const typed = useRef('');
  const timer = useRef(0);
  const settle = () => {
    const place = Number(typed.current);
    typed.current = '';
    if (places.includes(place)) go(place);
  };
  const digit = ({ key }: KeyboardEvent) => {
    window.clearTimeout(timer.current);
    typed.current += key;
    const more = places.some((one) => String(one).startsWith(typed.current) && String(one) !== typed.current);
    if (more) timer.current = window.setTimeout(settle, NEXT_DIGIT_MS);
    else settle();
  };
  return Object.fromEntries(Array.from({ length: 10 }, (_unused, key) => [String(key), digit]));
}
