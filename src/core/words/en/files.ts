import { addWords } from '../registry';

/** Words of photos and papers beside things. */
export const FILES = {
  'files.title': 'Photos and papers',
  'files.none': 'None yet.',
  'files.add': 'Add photos or a PDF',
  'files.sending': 'Sending {name} …',
  'files.kind': '“{name}” is no JPEG, PNG or PDF by what is in it.',
  'files.large': '“{name}” is larger than {most} MB.',
  'files.there': '“{name}” is here already.',
  'files.noSubject': 'What it should belong to is not on record.',
  'files.unknown': 'There is no such file.',
  'files.notSent': '“{name}” did not arrive. Try again.',
  'files.by': '{by}, {on}',
  'files.takeAway': 'Remove',
  'files.why': 'Why',
  'files.rename': 'Name',
  'files.renameIt': 'Rename',
  'files.away': 'It is taken away already.',
} as const;
addWords(FILES);
