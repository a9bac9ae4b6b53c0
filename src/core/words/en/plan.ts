import { addWords } from '../registry';
import '../choices';

/** Words of the plan of the day, and of promising at the counter. */
export const PLAN = {
  'plan.title': 'Plan of the day',
  'plan.how':
    'The earliest promise first, and what shares its set-up right behind it. Times are the medians of our own runs. A proposal: whoever knows better works otherwise.',
  'plan.late': 'What won’t fit',
  'plan.comesTo':
    '{promised, select, none {nothing promised} other {promised for {promised}}}, {day, select, none {comes to no day of this plan} other {comes to {day}}}',
  'plan.saved': 'Sharing set-ups saves {minutes} min against working strictly by promise.',
  'plan.of': '{minutes} of {all} min',
  'plan.minutes': '{minutes} min',
  'plan.promised': 'promised for {day}',
  'plan.place': 'stands on place {place}',
  'plan.shares': 'same set-up',
  'plan.nothing': 'Nothing waits for the bench.',
  'plan.print': 'Print the plan',
  'plan.full':
    '{day} is full: {minutes} min more do not fit beside what is promised. {first, select, none {No day of the next twelve weeks has room.} other {The first day with room is {first}.}}',
} as const;
addWords(PLAN);
