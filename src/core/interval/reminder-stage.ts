import { differenceInCalendarDays, parseISO } from 'date-fns';

export type ReminderStage = 'ahead' | 'at' | 'after';

/**
 * Which reminder is due today, if any: ahead of the date, at it, after it. Only the latest stage counts; an earlier one that was missed is not sent late.
 * Arguments: calendar dates; days ahead and days after, whole and positive. Source: common practice.
 *
 * @example
 * reminderStage({ due: '2026-12-10', today: '2026-11-24', aheadDays: 21, afterDays: 14 }) // 'ahead'
 */
export function reminderStage({
  due,
  today,
  aheadDays,
  afterDays,
}: {
  due: string;
  today: string;
  aheadDays: number;
  afterDays: number;
}): ReminderStage | null {
  const left = differenceInCalendarDays(parseISO(due), parseISO(today));
  if (left <= -afterDays) return 'after';
  if (left <= 0) return 'at';
  return left <= aheadDays ? 'ahead' : null;
}
