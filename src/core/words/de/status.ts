import { addWords } from '../registry';

/** Wo ein Gerät steht. */
export const STATUS = {
  'status.inUse': 'in Gebrauch',
  'status.atService': 'beim Service',
  'status.outOfService': 'außer Betrieb',
  'status.outside': 'außerhalb seiner Grenzen',
  'status.retired': 'ausgemustert',
  'status.head.atService': 'ZUM SERVICE',
  'status.head.outOfService': 'AUSSER BETRIEB',
  'status.head.outside': 'AUSSERHALB SEINER GRENZEN',
  'status.head.retired': 'AUSGEMUSTERT',
  'status.since': 'seit {at}, {by}',
  'status.notFit': 'Nicht gebrauchsfähig: {reason}.',
} as const;
addWords(STATUS, 'de');
