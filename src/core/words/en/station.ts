import { addWords } from '../registry';
import '../choices';

/** Words of the room of calibration stations. */
export const STATION = {
  'station.found':
    '{rows, plural, one {# row} other {# rows}}: {good} good, {known} known already, {unknown} of unknown instruments, {doubtful} doubtful, {broken} broken.',
  'station.take': 'Take {good, plural, one {the good row} other {the # good rows}}',
  'station.makeRecord': 'Make a record of it',
  'station.seeRecord': 'Its record',
  'station.made': 'A record was made of it already.',
} as const;
addWords(STATION);
