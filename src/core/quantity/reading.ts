import { Dec, decimalPlaces, parseDecimal } from './decimal';
import { pointed } from './pointed';

export type ReadingStatus = 'value' | 'over' | 'under' | 'fault' | 'flicker' | 'interval';

/** What a display showed. The text keeps its digits ("0.50" is not 0.5); the number is derived, never stored beside it. */
export interface Reading {
  text: string;
  unit: string;
  status: ReadingStatus;
  /** Upper end, for an interval (a strip's colour between two fields) or a flicker between two digits. */
  upper?: string;
}

/**
 * The number a reading stands for: its text, or the middle of an interval. A flicker is judged by `text`, the digit on which it spends most of its time.
 * Returns null where the display gave no number (over range, under range, fault).
 *
 * @example
 * readingNumber({ text: '0.50', unit: 'ppm', status: 'value' })?.toNumber() // 0.5
 */
export function readingNumber(reading: Reading): Dec | null {
  if (reading.status === 'over' || reading.status === 'under' || reading.status === 'fault') return null;
  const value = parseDecimal('reading', reading.text);
  if (reading.status !== 'interval' || reading.upper === undefined) return value;
  return value.plus(parseDecimal('reading', reading.upper)).div(2);
}

export interface ReadingProblem {
  code: 'empty' | 'notANumber' | 'tooManyDigits' | 'notAStep' | 'farOutside';
  sentence: string;
}

/**
 * Checks a typed reading against what this channel's display can show: a number, its digits, its step, and its range with some way beyond.
 * Returns the problem to show beside the field, or null. Never throws, since the text comes from a person.
 *
 * @example
 * checkTypedReading({ text: '20.95', resolution: '0.1', lowest: '0', highest: '30', unit: '%vol' })?.code // 'tooManyDigits'
 */
export function checkTypedReading({
  text,
  resolution,
  lowest,
  highest,
  unit,
}: {
  text: string;
  resolution: string;
  lowest: string;
  highest: string;
  unit: string;
}): ReadingProblem | null {
  const typed = pointed(text);
  if (typed === '') return { code: 'empty', sentence: 'Type what the display shows.' };
  if (!/^[+-]?\d+(\.\d+)?$/.test(typed)) {
    return {
      code: 'notANumber',
      sentence: `“${typed}” is not a number. Type the figures only, with a point: the unit here is ${unit}.`,
    };
  }
  const allowedPlaces = decimalPlaces(resolution);
  if (decimalPlaces(typed) > allowedPlaces) {
    return {
      code: 'tooManyDigits',
      sentence: `This display shows steps of ${resolution} ${unit}; “${typed}” has more digits than it can show.`,
    };
  }
  const value = parseDecimal('reading', typed);
  if (!value.mod(resolution).isZero()) {
    return {
      code: 'notAStep',
      sentence: `This display moves in steps of ${resolution} ${unit}; “${typed}” lies between two steps.`,
    };
  }
  // A display may run somewhat over its range; half a span beyond either end is a slip of the keys, not a reading.
  const span = new Dec(highest).minus(lowest);
  if (value.gt(new Dec(highest).plus(span.div(2))) || value.lt(new Dec(lowest).minus(span.div(2)))) {
    return {
      code: 'farOutside',
      sentence: `${typed} ${unit} lies far outside this channel's range of ${lowest} to ${highest} ${unit}. Check the figure and the unit.`,
    };
  }
  return null;
}
