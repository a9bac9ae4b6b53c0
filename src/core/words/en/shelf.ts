import { addWords } from '../registry';

/** Words of the shelf: correcting what was entered. */
export const SHELF = {
  'shelf.correct': 'Correct what was entered',
  'shelf.correctHow':
    'Runs keep what they took at their time, and so do their documents: a wrong one is revised, with its reason. Where its certificate says something else now, it is accepted anew before its next use.',
  'shelf.why': 'Why?',
  'shelf.whyExample': 'read off the wrong line of the certificate',
  'shelf.save': 'Save the correction',
  'shelf.put': 'Put it on the shelf',
  'shelf.lapsed': 'Saved. It is accepted anew before its next use.',
  'shelf.saved': 'Saved.',
  'shelf.unknown': 'This is not on the shelf.',
  'shelf.meanwhile': 'Somebody else changed it meanwhile: load the page anew, look again, then save.',
  'shelf.otherKind': 'What kind it is can’t be corrected: take this one out of use and put the right one on the shelf.',
  'shelf.nothing': 'Nothing differs from what is on record.',
  'shelf.taken': '{name}, lot {lot}, stands on the shelf already.',
  'shelf.takenHere': 'On the shelf already.',
  'shelf.corrected': 'corrected',
  'shelf.title': 'Shelf',
  'shelf.how': 'Gas left is the content at the last pressure reading less what runs drew.',
  'shelf.search': 'Search the shelf',
  'shelf.searchBy': 'Name, lot, maker, certificate or gas',
  'shelf.kind': 'Show which',
  'shelf.kind.gas': 'Gas',
  'shelf.kind.buffer': 'Buffers',
  'shelf.kind.standard': 'Standards',
  'shelf.kind.solution': 'Solutions and membranes',
  'shelf.kind.tool': 'Bench equipment',
  'shelf.ended': 'Ended',
  'shelf.ended.no': 'what can be used, and what ended lately',
  'shelf.ended.too': 'used up and ended long ago too',
  'shelf.none': 'Nothing of this stands on the shelf.',
  'shelf.nothingOf': 'Nothing that ever stood on the shelf is like “{text}”.',
  'shelf.more': 'There are more: type more of what you look for.',
} as const;
addWords(SHELF);
