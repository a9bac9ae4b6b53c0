import { addWords } from '../registry';

/** Words about an instrument itself: correcting it, and whose it is. */
export const ASSETS = {
  'assetEdit.correct': 'Correct serial, tag or model',
  'assetEdit.serial': 'Serial',
  'assetEdit.tag': 'Their tag',
  'assetEdit.model': 'Model',
  'assetEdit.why': 'Why?',
  'assetEdit.whyExample': 'misread at the counter',
  'assetEdit.save': 'Save',
  'assetEdit.leave': 'Leave',
  'assetEdit.how': 'Issued documents keep what they were issued with: a wrong one is revised, with its reason.',
  'assetEdit.forbidden': 'Who receives instruments corrects them.',
  'assetEdit.unknown': 'There is no such instrument.',
  'assetEdit.noModel': 'There is no such model.',
  'assetEdit.nothing': 'Nothing differs from what is on record.',
  'assetEdit.onBench': 'It is being calibrated as this model ({code}): finish or take it off the bench first.',
  'assetEdit.taken': 'This serial is on record for {customer}.',
  'assetEdit.meanwhile': 'Somebody else changed it meanwhile: look again, then save.',
  'assetEdit.isNow': 'Now on record: {text}',
  'owner.title': 'New owner',
  'owner.how':
    'From now on it is theirs, with its history. Documents of before stay with {name}, and a revision of one bears that name.',
  'owner.find': 'Part of the name',
  'owner.give': 'It belongs to {name} now',
  'owner.same': 'It is theirs already.',
  'owner.ended': 'This customer is no longer in work.',
  'owner.inHouse': 'It is in the house for {name} ({code}): hand it back first, so that its paper bears one name.',
} as const;
addWords(ASSETS);
