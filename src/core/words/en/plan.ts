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
  'plan.becameLate': 'What became late, and why',
  'plan.what': 'What',
  'plan.promisedFor': 'Promised for',
  'plan.why': 'Because',
  'plan.isOver': '{days, plural, one {# day over} other {# days over}}',
  'plan.wasOver': '{days, plural, one {ready # day after} other {ready # days after}}',
  'plan.cause.tray': 'it waited for the bench',
  'plan.cause.word': 'it waited for the customer’s word',
  'plan.cause.bench': 'it was long at the bench',
  'plan.cause.approval': 'it waited for the signatory',
  'plan.cause.promise': 'the promise was shorter than it usually takes',
  'plan.part.tray': 'In the tray, d',
  'plan.part.word': 'For a word, d',
  'plan.part.bench': 'At the bench, d',
  'plan.part.approval': 'To approve, d',
  'plan.full':
    '{day} is full: {minutes} min more do not fit beside what is promised. {first, select, none {No day of the next twelve weeks has room.} other {The first day with room is {first}.}}',
} as const;
addWords(PLAN);
