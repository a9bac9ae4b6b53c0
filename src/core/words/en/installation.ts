import { addWords } from '../registry';

/** Words of the record that an installation was tried. */
export const INSTALLATION = {
  'installation.title': 'This installation was tried',
  'installation.what':
    'Before a version is worked with, somebody tries it here: known readings against known results, a document checked by its code, a backup opened (ISO/IEC 17025, 7.11.2).',
  'installation.none': 'The version that runs, {now}, has no record of a trial yet.',
  'installation.has': 'The version that runs, {now}, was tried.',
  'installation.tried': 'What was tried',
  'installation.result': 'With what result',
  'installation.checkedBy': 'By whom',
  'installation.checkedOn': 'On',
  'installation.note': 'Note the trial',
  'installation.line': '{software}, tried on {on} by {by}: {tried} Result: {result}',
  'installation.withdraw': 'Withdraw this record',
  'installation.why': 'Why',
  'installation.withdrawn': 'withdrawn by {by}: {why}',
  'installation.unknown': 'There is no such record.',
  'installation.already': 'It is withdrawn already.',
} as const;
addWords(INSTALLATION);
