import { expect, it } from 'vitest';
import { shownAs } from './shown-as';

it.each([
  ['25.0', { text: '25.0', status: 'value' }],
  ['o', { text: '', status: 'over' }],
  ['OL', { text: '', status: 'over' }],
  ['u', { text: '', status: 'under' }],
  ['F', { text: '', status: 'fault' }],
  ['---', { text: '', status: 'fault' }],
  ['99~', { text: '99', status: 'flicker' }],
  ['~-0.2', { text: '-0.2', status: 'flicker' }],
  ['fan', { text: 'fan', status: 'value' }],
  ['~', { text: '~', status: 'value' }],
])('“%s” is what a display shows', (typed, shown) => expect(shownAs(typed)).toEqual(shown));
