/** What a register of nonconforming work takes in (ISO/IEC 17025:2017, 7.9 and 7.10). */
export const NONCONFORMITY_KINDS = ['foundOutside', 'failedCheck', 'recall', 'complaint', 'other'] as const;
export type NonconformityKind = (typeof NONCONFORMITY_KINDS)[number];

/** What is done about one, in the order of the standard: 7.10.1 c and d (evaluated, what becomes of it), e (told), 8.7.1 b (cause), a and c (action), d (effect). */
export const NONCONFORMITY_STEPS = ['evaluation', 'told', 'cause', 'action', 'effect'] as const;
export type NonconformityStep = (typeof NONCONFORMITY_STEPS)[number];

/** Causes that are counted. Common practice of the trade. */
export const CAUSES = [
  'sensorAged',
  'sensorPoisoned',
  'drift',
  'handling',
  'environment',
  'reference',
  'procedure',
  'setting',
  'people',
  'notFound',
] as const;
export type Cause = (typeof CAUSES)[number];
export const TOLD = ['told', 'notNeeded'] as const;

/** What a step chooses from a list; null where it is words alone. */
export const choicesOf = (step: NonconformityStep): readonly string[] | null =>
  step === 'told' ? TOLD : step === 'cause' ? CAUSES : null;

export interface StepTaken {
  step: NonconformityStep;
  choice: string;
  text: string;
}

/**
 * Steps that are missing before one may be closed, in their order; empty: it may be. A cause comes before the action, the effect is looked at after it; of what was found outside in a customer's instrument the cause and the effect
 * are not the laboratory's to find, and may be left out.
 * Source: ISO/IEC 17025:2017, 7.10.1 to 7.10.3 and 8.7.1.
 *
 * @example
 * stepsMissing('complaint', [{ step: 'evaluation', choice: '', text: 'minor' }]) // ['told', 'cause', 'action', 'effect']
 */
export function stepsMissing(kind: NonconformityKind, taken: readonly StepTaken[]): NonconformityStep[] {
  const asked: readonly NonconformityStep[] = kind === 'foundOutside' ? ['evaluation', 'told'] : NONCONFORMITY_STEPS;
  return asked.filter((step) => !taken.some((one) => one.step === step));
}
