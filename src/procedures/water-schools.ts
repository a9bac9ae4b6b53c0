import type { Condition } from '@/core/procedure/condition';
import { OWN_SET, type BUFFER_SETS } from '@/core/ph/buffer-sets';
import type { School } from '@/core/procedure/procedure';

/** Section of questions on which practitioners disagree, with what is done here and why. */
export const DRYING: School = {
  id: 'drying',
  label: 'Drying the probe',
  options: [
    { id: 'shake', label: 'shake off only', reason: 'Wiping charges the glass, and the reading drifts.' },
    { id: 'dab', label: 'dab dry', reason: 'Less carry-over with small beakers; dab, never rub.' },
  ],
  standard: 'shake',
};
export const RINSING: School = {
  id: 'rinsing',
  label: 'Rinsing',
  options: [
    {
      id: 'distilled',
      label: 'distilled water',
      reason: 'Nothing is carried into the next buffer. It is for rinsing only, never for storing.',
    },
    { id: 'tap', label: 'tap water', reason: 'After the field: washes salts off without starving the glass.' },
  ],
  standard: 'distilled',
};
/** Between which slopes an electrode is accepted. */
export const ELECTRODE: School = {
  id: 'electrode-limits',
  label: 'Limits of the electrode',
  options: [
    {
      id: 'usual',
      label: '90 to 105 %, caution under 95 %',
      reason: 'A slope under 95 % is cleaned, or calibrated in fresh buffer; under 90 % the electrode fails.',
    },
    { id: 'pharmacopoeia', label: '90 to 105 %', reason: 'USP <791>: slope 90 to 105 %, offset ± 30 mV, and nothing between.' },
    { id: 'strict', label: '95 to 105 %', reason: 'Under 95 % the electrode fails: for work in production.' },
  ],
  standard: 'usual',
};
const set = (id: keyof typeof BUFFER_SETS, label: string, reason: string) => ({ id, label, reason });
/** Which buffers the meter names by their millivolts: as it is set. */
export const BUFFER_SET: School = {
  id: 'buffer-set',
  label: 'Buffers that the meter is set to',
  options: [
    set('technical', '4.01, 7.00, 10.01', 'The usual technical ones, nominal at 25 °C.'),
    set('technicalFive', '2.00, 4.01, 7.00, 9.21, 11.00', 'Technical, nominal at 25 °C, over a wide range.'),
    set('technicalStrong', '1.68, 4.01, 7.00, 10.01, 12.45', 'Technical in the middle, strong ones at both ends.'),
    set('technicalAt20', '2.00, 4.00, 7.00, 9.00, 12.00', 'Technical, nominal at 20 °C.'),
    set('primary', '1.68, 4.01, 6.87, 9.18, 10.01', 'Primary standards of the IUPAC.'),
    set('primaryThree', '4.01, 6.87, 10.01', 'Primary standards of the IUPAC, three of them.'),
    set('physiological', '6.87, 7.41', 'For samples near blood.'),
    set('pharmacopoeia', '1.68, 4.01, 6.87, 9.18, 10.01, 12.45', 'As pharmacopoeias list them.'),
    set('din19266', '1.68, 4.01, 6.87, 9.18, 12.45', 'DIN 19266.'),
    set('din19267', '1.09, 4.65, 6.79, 9.23, 12.75', 'DIN 19267.'),
    { id: OWN_SET, label: 'bottles of one’s own', reason: 'Known by the table on the bottle, and by nothing else.' },
  ],
  standard: 'technical',
};
export const POINTS: School = {
  id: 'points',
  label: 'Number of buffers',
  options: [
    { id: 'one', label: 'one', reason: 'Quick check of the offset only: it gives no slope.' },
    { id: 'two', label: 'two', reason: 'Brackets the samples from pH 4 to 8.', over: { ph: '0' } },
    { id: 'three', label: 'three', reason: 'Samples exceed pH 8.', over: { ph: '8' } },
  ],
  standard: 'two',
};
/** Which second buffer brackets the samples. */
export const BRACKET: School = {
  id: 'bracket',
  label: 'Second buffer',
  options: [
    { id: 'acid', label: '4.01', reason: 'Brackets samples below pH 7, and a little over.', over: { ph: '0' } },
    { id: 'alkaline', label: '10.01', reason: 'Samples exceed pH 8: 7 and 10 bracket them.', over: { ph: '8' } },
  ],
  standard: 'acid',
};
/** In which order the buffers of a calibration come. */
export const BUFFER_ORDER: School = {
  id: 'buffer-order',
  label: 'Order of the buffers',
  options: [
    { id: 'seven', label: '7 first, then as listed', reason: 'The offset is set before the slope, and dips can be shared.' },
    { id: 'any', label: 'any, the meter recognises them', reason: 'What is poured already comes first; each has its own dips.' },
  ],
  standard: 'seven',
};
/** Whether a standard of 84 µS/cm is dipped into: with the other, one to three conductivity points. */
export const WEAK_STANDARD: School = {
  id: 'weak-standard',
  label: '84 µS/cm',
  options: [
    {
      id: 'yes',
      label: 'calibrated too',
      reason: 'Samples under 500 µS/cm: the cell is proved near them.',
      over: { conductivity: '0' },
    },
    { id: 'no', label: 'left out', reason: 'Samples exceed 500 µS/cm: 1413 is near enough.', over: { conductivity: '500' } },
  ],
  standard: 'yes',
};
/** Whether a standard of 12.88 mS/cm is dipped into. */
export const HIGH_STANDARD: School = {
  id: 'high-standard',
  label: '12.88 mS/cm',
  options: [
    { id: 'no', label: 'left out', reason: 'Samples stay under 2 mS/cm.', over: { conductivity: '0' }, without: ['ec-high'] },
    { id: 'yes', label: 'calibrated too', reason: 'Samples exceed 2 mS/cm.', over: { conductivity: '2000' } },
  ],
  standard: 'yes',
};
/** One conductivity standard, near the sample (or about 65 % of full scale where nobody knows it; common practice). */
export const nearSample = (
  options: [id: string, label: string, over: string, without?: string[]][],
  standard: string,
): School => ({
  id: 'ec-standard',
  label: 'Conductivity standard',
  options: options.map(([id, label, over, without]) => ({
    id,
    label,
    reason: `Near samples of over ${over} µS/cm; where nobody knows them, about 65 % of full scale.`,
    over: { conductivity: over },
    ...(without ? { without } : {}),
  })),
  standard,
});
export const VERIFYING: School = {
  id: 'verifying',
  label: 'Check afterwards',
  options: [
    { id: 'same', label: 'the same buffer again', reason: 'Repeatability: shows that it was taken, ± 0.1 pH.' },
    { id: 'second', label: 'a second standard', reason: 'Verification: another bottle, about twice the first.' },
  ],
  standard: 'same',
};
/** A question with the answer that this procedure starts from, and only the answers that it can follow. */
export const offering = (school: School, standard: string, only?: string[]): School => ({
  ...school,
  options: school.options.filter((one) => !only || only.includes(one.id)),
  standard,
});
export const school = (id: string, option: string): Condition => ({ is: 'school', school: id, option });

/** Whether as found, calibration and the last check share their dips. */
export const DIPS: School = {
  id: 'dips',
  label: 'Dips',
  options: [
    {
      id: 'together',
      label: 'one dip where nothing lies between',
      reason: 'As found and calibrated in one dip, the last liquid checked in it: half the liquid. What is worked out says so.',
    },
    {
      id: 'apart',
      label: 'found, set and left each in their own',
      reason: 'Every figure is read from the display; it shows too that the probe comes back from another liquid.',
    },
  ],
  standard: 'together',
};
export const DIPS_TOGETHER = school('dips', 'together');
export const FIRST_ROUND: Condition = { not: { is: 'iterationAtLeast', count: 2 } };
