import { addWords } from '../registry';

/** Words of the bar. */
export const BAR = {
  'bar.everywhere': 'Sign out on every computer',
  'bar.practice': 'Practice',
  'bar.signOut': 'Sign out',
  'account.link': 'Your own page',
} as const;
addWords(BAR);
