import { addWords } from '../registry';
import '../choices';

/** What a stranger's check of a document finds. */
export const CHECK = {
  'finding.deviation': 'Reading {reading} less reference {reference} is {expected}, the document states {deviation}.',
  'finding.component': 'The standard uncertainty of “{name}” does not follow from its own figures ({standard}).',
  'finding.contribution': 'The contribution of “{name}” is not its standard uncertainty times its sensitivity ({contribution}).',
  'finding.standard': 'The components give a standard uncertainty of {expected}, the document states {stated}.',
  'finding.k': 'The components give k = {expected}, the document states {stated}.',
  'finding.kReason': 'Where k comes from (t or convolution) is not as the components ask for.',
  'finding.dof': 'The components give {expected} effective degrees of freedom, the document states {stated}.',
  'finding.expanded': 'k times the standard uncertainty is {expected}, the document states {stated}.',
  'finding.verdict': 'By its own figures the verdict is “{expected}”, the document states “{stated}”.',
  'finding.incomplete': 'A verdict without deviation, limits or uncertainty.',
  'finding.noReference': 'The reference it rests on is not among the references ({id}).',
  'finding.untraced': 'The reference “{name}” has no traceability.',
  'finding.overall': 'A result is outside, and yet the document states “{stated}”.',
  'check.signatureHolds': 'The signature holds: the data is as this workshop signed it.',
  'check.signatureBroken': 'The signature does not hold: the data was changed after it was signed, or never was.',
  'check.unknownKey': 'Signed with a key that this workshop has not published.',
  'check.recomputed':
    'Recomputed from the document itself: {results} results, {components} components of budgets; every deviation, U, k and verdict holds.',
  'check.findings': '{count, plural, one {One thing does} other {# things do}} not hold.',
  'check.bytesSame': 'The file is byte for byte the one that was issued.',
  'check.bytesDiffer':
    'The file is NOT the one that was issued under this number: something in it was changed, though its data may be genuine. Trust only what the data says.',
  'check.bytesUnknown': 'No PDF of this document was ever issued here.',
  'check.otherDocument': 'This file is {found}, the code on it is of {expected}.',
  'check.noDocument': 'There is no document data in this file: it is no certificate of this kind, or its data was taken out.',
  'check.version1':
    'A document of the first form: its signature is checked by the workshop; figures can’t be recomputed from it.',
  'check.hashSame': 'The data is the one on record under this number.',
  'check.hashDiffers': 'The data is not the one on record under this number.',
} as const;
addWords(CHECK);
