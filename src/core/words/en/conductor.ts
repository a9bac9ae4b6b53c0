import { addWords } from '../registry';
import '../choices';

/** Words of the line that says what to do next on a busy bench. */
export const CONDUCTOR = {
  'conductor.title': 'What to do next',
  'conductor.now': 'Now',
  'conductor.in': 'in {time}',
  'conductor.place': 'place {place}',
  'conductor.begin': 'Begin its run',
  'conductor.together': 'together with place {places}',
  'conductor.gas': 'gas {own} L, one after another {alone} L',
  'conductor.drop': 'Drop here what you want first',
  'conductor.why.deadline': 'it has to come within {seconds} s',
  'conductor.why.frees': 'another place waits for it',
  'conductor.why.clears': 'before gas is open elsewhere',
  'conductor.why.sets': '{time} pass by themselves behind it',
  'conductor.why.longest': 'most is left to do there',
  'conductor.why.inTurn': 'it is its turn',
  'conductor.saves': '{saved} sooner than one by one',
  'conductor.alone': 'All done in {time}.',
  'conductor.refuse': 'Not this one',
  'conductor.first': 'This one first',
  'conductor.again': 'As it was proposed',
  'conductor.hands': 'Hands',
  'conductor.handsOf': '{hands, plural, one {# hand} other {# hands}}',
  'conductor.minutes': '{seconds, plural, =0 {now} other {{minutes, plural, =0 {{seconds} s} one {# min} other {# min}}}}',
} as const;
addWords(CONDUCTOR);
