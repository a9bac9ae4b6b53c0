import { addWords } from '../registry';

/** Words of every list: order, columns, choice. */
export const LISTS = {
  'list.columns': 'Columns',
  'list.allColumns': 'The usual columns',
  'list.sortUp': 'Sort by {column}',
  'list.sortDown': 'Sort by {column}, last first',
  'list.choose': 'Choose {what}',
  'list.chooseAll': 'Choose all on this page',
  'list.chosen': 'Chosen: {count}',
  'list.any': 'any',
} as const;
addWords(LISTS);
