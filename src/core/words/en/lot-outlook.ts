import { addWords } from '../registry';
import '../choices';

/** What was found against a lot. */
export const LOT_OUTLOOK = {
  'lotOutlook.title': 'What was found against this lot',
  'lotOutlook.share':
    'As found within: {within} of {of} figures in {runs, plural, one {# run} other {# runs}}, {percent} % (95 %: {lower} to {upper} %).',
  'lotOutlook.of': '{outside} of {of} outside',
} as const;
addWords(LOT_OUTLOOK);
