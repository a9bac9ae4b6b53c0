import { addWords } from '../registry';

/** Words of a field for a day. */
export const DAY = {
  'day.example': 'a day',
  'day.calendar': 'Open the calendar',
  'settings.dayOrder': 'Dates typed in figures',
  'settings.dayOrder.dayFirst': 'day first: 3/4/2026 is the 3rd of April',
  'settings.dayOrder.monthFirst': 'month first: 3/4/2026 is the 4th of March',
} as const;
addWords(DAY);
