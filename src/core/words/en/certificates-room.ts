import { addWords } from '../registry';

/** Words of the room of documents. */
export const CERTIFICATES_ROOM = {
  'certificates.noneChosen': 'Choose documents in the list first.',
  'certificates.search': 'Number, serial, tag or customer',
  'certificates.zip': 'ZIP of the chosen (PDF and data)',
  'certificates.number': 'Number',
  'certificates.kind': 'Kind',
  'certificates.kindAny': 'every kind of document',
  'certificates.issued': 'Issued',
  'certificates.asFound': 'As found',
  'certificates.asLeft': 'As left',
  'certificates.replaced': 'replaced',
  'certificates.foundAny': 'as found: any',
  'certificates.foundOutside': 'found outside',
  'certificates.none': 'None yet. Approving a finished run issues the first.',
  'certificates.nothing': 'No document of this choice.',
  'asset.export': 'As a table (CSV)',
  'asset.t90': 'T90, s',
  'asset.t90Title': 'Seconds to nine tenths in the first gas or liquid of each visit, oldest first; a new sensor begins anew',
  'asset.atStation': '{station} calibrates it every {every} by its own setting.',
  'certificate.checkPage': 'Check page',
  'certificate.unknown': 'This certificate does not exist.',
} as const;
addWords(CERTIFICATES_ROOM);
