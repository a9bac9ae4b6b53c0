import { addWords } from '../registry';

/** Words of the letter that customers get after a recall. */
export const RECALL_LETTER = {
  'recall.saidUsual':
    'A reference that we calibrated with was not what its certificate says. We judged every result that rests on it anew. Those of yours that change are listed below with their sizes.',
  'recall.subject': 'Results that you hold from us: please read',
  'recall.item': '{item}, serial number {serial}{document}:',
  'recall.itemDocument': ', document {number}',
  'recall.itemWithdrawn': ', document {number}, withdrawn herewith',
  'recall.itemSince': ', calibrated again since (document {number})',
  'recall.size':
    '– {label}, {point}, {side}: shown {reading} {unit}; compared with {was}, thought true {would}; deviation {deviation} instead of {before} {unit}, limit {limit}: {verdict} (stated: {stated})',
  'recall.sizeUnknown':
    '– {label}, {point}, {side}: shown {reading} {unit}; what it was compared with is unknown, so it can’t be judged (stated: {stated})',
  'recall.side.found': 'as found',
  'recall.side.left': 'as left',
  'recall.askBack':
    'Please do not rely on the documents that are withdrawn, and do not use these instruments until they have been calibrated again: send them to us, free of charge. Whether work or decisions rested on these figures is for you to judge.',
  'recall.askJudge': 'Whether work or decisions rested on these figures is for you to judge.',
} as const;
addWords(RECALL_LETTER);
