import { addWords } from '../registry';

/** Words of lots that instruments bear witness of. */
export const WITNESS = {
  'witness.title': 'What the instruments say of this lot',
  'witness.low':
    'Lot {lot}: {instruments} instruments read {shift} % low on {substance} against it, which they did not against earlier lots (by chance {chance}).',
  'witness.what': 'Check the lot before a sensor is thrown away.',
  'witness.see': 'See the figures',
  'witness.how':
    'As the night of {at} had it: as found, each instrument once, in per cent of the certified value; what reads far out is a sensor of its own and left out. “By chance” is how often a sound lot would look like this or lower.',
  'witness.head.gas': 'Gas',
  'witness.head.instruments': 'Instruments',
  'witness.head.earlier': 'Against earlier lots',
  'witness.head.shift': 'Reads',
  'witness.head.explained': 'Explained',
  'witness.head.chance': 'By chance',
} as const;
addWords(WITNESS);
