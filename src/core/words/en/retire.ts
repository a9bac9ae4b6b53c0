import { addWords } from '../registry';

/** Words of an instrument that is retired. */
export const RETIRE = {
  'retire.act': 'Retire it',
  'retire.back': 'Take it back',
  'retire.why': 'Why',
  'retire.example': 'Sold, scrapped, lost: to whom, since when',
  'retire.forbidden': 'The counter retires an instrument.',
  'retire.signatory': 'A signatory takes a retired instrument back.',
  'retire.unknown': 'This instrument does not exist.',
  'retire.already': 'It is retired already.',
  'retire.notRetired': 'It is not retired.',
  'retire.first': 'It is retired: take it back first.',
  'retire.inHouse': 'It is in the house with ticket {code}: hand it back first.',
} as const;
addWords(RETIRE);
