const ZERO = 48;
const NINE = 57;
const POINT = 46;
const MINUS = 45;
/** Up to here whole numbers and powers of ten are exact, so one division rounds once: as the language's own reading does. */
const MOST_DIGITS = 15;
const POWERS = Array.from({ length: MOST_DIGITS + 1 }, (_one, places) => 10 ** places);

/**
 * What a display's text says as a number: the same as the language reads, several times as fast for the short plain figures that displays show. NaN for a text that is no number.
 *
 * @example
 * displayNumber('-20.9') // -20.9
 */
export function displayNumber(text: string): number {
  const { length } = text;
  const start = text.charCodeAt(0) === MINUS ? 1 : 0;
  if (length - start > MOST_DIGITS || length === start) return text === '' ? NaN : Number(text);
  let [whole, places, seen] = [0, -1, 0];
  for (let i = start; i < length; i += 1) {
    const code = text.charCodeAt(i);
    if (code >= ZERO && code <= NINE) {
      whole = whole * 10 + (code - ZERO);
      seen += 1;
      if (places >= 0) places += 1;
    } else if (code === POINT && places < 0) places = 0;
    else return Number(text);
  }
  if (seen === 0) return Number(text);
  const value = places > 0 ? whole / POWERS[places]! : whole;
  return start ? -value : value;
}
