import { addWords } from '../registry';

/** Words beside a signature. */
export const SIGN = {
  'sign.password': 'Your password, to sign',
  'sign.wrong': 'This is not your password: nothing was signed.',
  'sign.approve': 'I have looked at the results of this run and issue its document in my name.',
  'sign.revise': 'I issue this revision in my name, in place of the document before it.',
  'sign.withdraw': 'I take this document back in my name.',
  'sign.apart': 'In this workshop an administrator signs no documents: a signatory does.',
  'sign.how': 'Signed by {by} on {at}: “{meaning}” Asked at that moment who they are, by password.',
} as const;
addWords(SIGN);
