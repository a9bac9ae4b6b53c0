import { nextDue, type Every } from './next-due';

/** Calendar, or an event: with every use, at the first use after a rest, after a sensor change, on suspicion. */
export type DueRule =
  | { kind: 'calendar'; every: Every }
  | { kind: 'everyUse' }
  | { kind: 'firstUse' }
  | { kind: 'sensorChange' }
  | { kind: 'suspicion' };
export interface AssetEvent {
  kind: 'calibrated' | 'used' | 'sensorChanged' | 'suspected';
  date: string;
}
export interface DueByEvent {
  due: string | null;
  code: string;
  sentence: string;
}

const TRIGGER = { everyUse: 'used', firstUse: 'used', sensorChange: 'sensorChanged', suspicion: 'suspected' } as const;
const SENTENCE = {
  everyUse: 'used since its last calibration',
  firstUse: 'taken into use for the first time since its last calibration',
  sensorChange: 'a sensor was changed since its last calibration',
  suspicion: 'somebody had reason to doubt it since its last calibration',
} as const;

/**
 * The earliest date on which one of the rules asks for a calibration, and why. An event after the last calibration makes it due on the event's day; a calendar rule counts from the calibration.
 * An instrument that was never calibrated is due on the day of its first event. Arguments: rules, events with calendar dates, in any order. Errors: RangeError for a date that is none.
 * Source: ILAC-G24/OIML D 10 (calendar time, in-use time); by event: common practice.
 *
 * @example
 * dueByEvent({ rules: [{ kind: 'sensorChange' }], events: [{ kind: 'calibrated', date: '2026-10-01' }, { kind: 'sensorChanged', date: '2026-11-20' }] }).due // '2026-11-20'
 */
export function dueByEvent({ rules, events }: { rules: DueRule[]; events: AssetEvent[] }): DueByEvent {
  // Also checks the form of every date.
  events.forEach((event) => nextDue({ from: event.date, every: { days: 1 } }));
  const sorted = [...events].sort((a, b) => a.date.localeCompare(b.date));
  const calibrated = sorted.filter((event) => event.kind === 'calibrated').at(-1)?.date;
  if (!calibrated) return { due: sorted[0]?.date ?? null, code: 'neverCalibrated', sentence: 'Never calibrated.' };
  const found = rules.flatMap((rule): DueByEvent[] => {
    if (rule.kind === 'calendar')
      return [
        {
          due: nextDue({ from: calibrated, every: rule.every }),
          code: 'calendar',
          sentence: `Counted from the calibration of ${calibrated}.`,
        },
      ];
    const event = sorted.find((one) => one.kind === TRIGGER[rule.kind] && one.date > calibrated);
    return event ? [{ due: event.date, code: rule.kind, sentence: `Due since ${event.date}: ${SENTENCE[rule.kind]}.` }] : [];
  });
  return (
    found.sort((a, b) => a.due!.localeCompare(b.due!))[0] ?? {
      due: null,
      code: 'nothingDue',
      sentence: 'No rule asks for a calibration.',
    }
  );
}
