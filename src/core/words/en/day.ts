import { addWords } from '../registry';

/** Words of a field for a day. */
export const DAY = {
  'day.example': 'a day',
  'day.calendar': 'Open the calendar',
  'settings.dayOrder': 'Dates typed in figures',
  'settings.dayOrder.dayFirst': 'day first: 3/4 is 3 April',
  'settings.dayOrder.monthFirst': 'month first: 3/4 is 4 March',
} as const;
addWords(DAY);
