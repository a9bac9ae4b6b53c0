import { tz } from '@date-fns/tz';
import { format, parseISO } from 'date-fns';

/** "24 Nov 2026" */
export function day(date: string | null): string {
  return date ? format(parseISO(date), 'd MMM yyyy') : '—';
}

/** "24 Nov 2026, 14:05" in the workshop's zone. */
export function dayTime(instant: string | Date, zone: string): string {
  return format(new Date(instant), 'd MMM yyyy, HH:mm', { in: tz(zone) });
}

/** "14:05:09" in the workshop's zone. */
export function timeOfDay(instant: string | Date, zone: string): string {
  return format(new Date(instant), 'HH:mm:ss', { in: tz(zone) });
}

/** "4:05", "1:04:05" */
export function duration(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds));
  const [hours, minutes, rest] = [Math.floor(whole / 3600), Math.floor((whole % 3600) / 60), whole % 60];
  const two = (n: number) => String(n).padStart(2, '0');
  return hours ? `${hours}:${two(minutes)}:${two(rest)}` : `${minutes}:${two(rest)}`;
}

/** A signed decimal text with a true minus. */
export function signed(text: string | null): string {
  if (text === null) return '—';
  if (text.startsWith('-')) return `−${text.slice(1)}`;
  return /^0(\.0*)?$/.test(text) ? text : `+${text}`;
}
