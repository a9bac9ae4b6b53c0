import { addWords } from '../registry';

/** Words of what a meter is used for. */
export const SAMPLES = {
  'samples.title': 'What it measures',
  'samples.ph': 'Samples up to pH',
  'samples.conductivity': 'Samples up to, {unit}',
  'samples.unknown': 'not known',
  'samples.why': 'Buffers and standards are chosen by it: a third buffer only over pH 8, a high standard only over 2 mS/cm.',
  'samples.range': 'A figure from {lowest} to {highest} {unit}, or empty.',
  'samples.keep': 'Save',
  'samples.kept': 'Saved; it holds for runs begun from now on.',
} as const;
addWords(SAMPLES);
