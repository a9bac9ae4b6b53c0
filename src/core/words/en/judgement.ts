import { addWords } from '../registry';

/** What is said of one reading beside its reference. */
export const JUDGEMENT = {
  'judged.within': 'Within: {deviation} {unit} against ± {limit} {unit}.',
  'judged.cautionBeyond': 'Caution: beyond ± {caution} {unit}, keep an eye on it.',
  'judged.outside': 'Outside: {deviation} {unit} against ± {limit} {unit}.',
  'judged.guardBand':
    'Cannot tell: {deviation} {unit} against ± {limit} {unit} is nearer to the limit than the uncertainty of {expanded} {unit}.',
  'judged.over': 'The display ran over its range.',
  'judged.under': 'The display ran under its range.',
  'judged.fault': 'The display shows a fault instead of a number.',
  'judged.implausible': 'Not believed: {reason} ({lowest} to {highest}).',
  'judged.gate': 'A gate: it has to show {expected} {unit} before anything counts.',
  'judged.gateShut': 'A gate: it showed {reading} {unit} instead of {expected} {unit}. Wait, and look again.',
  'judged.moved': 'Moved as it should: from {before} to {after} {unit}.',
  'judged.notMoved': 'Did not move as it should: from {before} to {after} {unit}.',
  'judged.watched': 'Only watched: no earlier reading to compare with.',
  'judged.remark': 'Does not count: {remark}.',
  'judged.referenceStruck': 'Set aside with its reference: {reason}.',
  'judged.noLimit': 'No tolerance is agreed for this point: stated only.',
  'verdict.within': 'within',
  'verdict.outside': 'outside',
  'verdict.cannotTell': 'cannot tell',
  'verdict.notJudged': 'not judged',
  'verdict.notMeasured': 'not measured',
} as const;
addWords(JUDGEMENT);
