import { off } from './figure';
import type { AddCause, WaterFacts } from './probe-facts';

/** An electrode that only has an offset: redox, or a glass without millivolts on record. */
export function offsetCauses({ dips, label }: WaterFacts, add: AddCause): void {
  const wrong = dips.filter(off);
  if (wrong.length === 0) return;
  const text = wrong.map((dip) => `${dip.shown} instead of ${dip.value}`).join(', ');
  add('spentReference', 3.4, `${label}: reference electrode shifted or spent`, `${text}.`);
  add(
    'contaminatedBuffer',
    2.8,
    'Old or contaminated solution',
    `${text}.`,
    wrong.some((dip) => (dip.openedMonths ?? 0) > 5) && 'Open for long.',
  );
}
