import { addWords } from '../registry';

/** Remarks that a run brings forth. */
export const REMARKS = {
  'remark.samePerson': 'Work and approval by the same person, as the workshop’s rule for a single-person workshop allows.',
  'remark.care': 'Care: {action}.',
  'remark.careNote': 'Care: {action} ({note}).',
  'remark.crossAgrees': 'Cross-check: {target}; the meter showed {reading} {unit}, which agrees.',
  'remark.crossDiffers': 'Cross-check: {target}; the meter showed {reading} {unit}, which does not agree.',
  'remark.replaced': '{part} replaced: {old} by {new}.',
  'remark.struck': 'A reading of {channel} was struck out: {reason}.',
  'remark.setAside': 'A reading of {channel} was set aside with its reference: {reason}.',
  'remark.probe': '{label}: {sentence}',
} as const;
addWords(REMARKS);
