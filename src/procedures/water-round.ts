import type { Condition } from '@/core/procedure/condition';
import type { QuestionId } from '@/core/procedure/question';
import type { CareMaterial, DecideOption, Step } from '@/core/procedure/procedure';
import { chooseLiquids, GONE_ON, WET_CARE } from './water-parts';

const GO_ON: DecideOption[] = [
  { id: 'goOn', label: 'Go on, the as-left decides' },
  { id: 'service', label: 'To service: clean, soak or replace', consequence: 'service' },
  { id: 'out', label: 'Out of service, with a tag', consequence: 'outOfService' },
];

/** Something that is done to the probe or the liquid before the calibration is begun again. */
export interface Remedy {
  id: string;
  label: string;
  steps: Step[];
}
interface RoundOptions {
  /** Tells the decisions of one sheet from those of another. */
  id: 'quick' | 'ph' | 'ec' | 'oxygen' | 'ion' | 'turbidity';
  roles: string[];
  remedies: Remedy[];
  /** Besides a refusal of the meter, what calls for a decision. */
  also?: Condition;
}
const ROUNDS = 3;

/**
 * The calibration as a round that may be begun again after care: two further tries (common practice), then it is decided.
 * What was done to the probe stands at the head of the next round as an event, and begins a new series.
 */
export function calibrationRound({ id, roles, remedies, also }: RoundOptions, steps: Step[]): Step {
  const question: QuestionId = `failed-${id}`;
  const chosen = (option: string) => ({ is: 'decided' as const, question, option });
  const amiss: Condition = also ? { any: [{ is: 'adjustFailedHere' }, also] } : { is: 'adjustFailedHere' };
  const decide = (last: boolean): Step => ({
    id: last ? 'last-decision' : 'decision',
    kind: 'decide',
    title: 'Refused, or a poor probe: what now?',
    question,
    reason: 'First: fresh liquid? rinsed? temperature? bubbles? The likely causes stand below.',
    when: { all: [amiss, last ? LAST : { not: LAST }] },
    options: [...(last ? [] : remedies.map((one): DecideOption => ({ id: one.id, label: one.label, again: roles }))), ...GO_ON],
  });
  return {
    id: 'round',
    kind: 'group',
    title: 'Calibration',
    order: 'fixed',
    repeat: { atMost: ROUNDS, until: { not: { any: remedies.map((one) => ({ ...chosen(one.id), here: true as const })) } } },
    when: GONE_ON,
    steps: [
      ...remedies.flatMap((one) =>
        one.steps.map((step): Step => ({
          ...step,
          when: { all: [{ is: 'iterationAtLeast', count: 2 }, chosen(one.id), ...(step.when ? [step.when] : [])] },
        })),
      ),
      ...steps,
      decide(false),
      decide(true),
    ],
  };
}
const LAST: Condition = { is: 'iterationAtLeast', count: ROUNDS };

/** A care action, on record before its wait begins. */
const cared = (
  id: string,
  title: string,
  action: string,
  resets: string[],
  reason: string,
  seconds = 0,
  uses: CareMaterial[] = [],
): Step[] => [
  { id, kind: 'care', title, action, resets, reason, caution: WET_CARE, ...(uses.length ? { uses } : {}) },
  ...(seconds ? [{ id: `${id}-wait`, kind: 'wait', title, minSeconds: seconds, reason } satisfies Step] : []),
];
/** Poured anew, each scanned again: the same bottle or another one. */
export const freshLiquid = (what: string, liquids: { slot: string; title: string; when?: Condition | undefined }[]): Remedy => ({
  id: 'fresh',
  label: `Fresh ${what}, and once more`,
  steps: liquids.map(({ slot, title, when }) => chooseLiquids(`fresh-${slot}`, `Poured anew: scan ${title}`, [slot], when)),
});
export const cleanGlass: Remedy = {
  id: 'clean',
  label: 'Clean and soak it, and once more',
  steps: [
    ...cared(
      'clean',
      'Clean the glass',
      'Cleaned in neutral detergent',
      ['ph'],
      'Grease and coating: neutral detergent 30 min, soft brush, rinse.',
      1800,
    ),
    ...cared('rest', 'Soak it', 'Soaked in storage solution', ['ph'], '1 to 2 h in storage solution or 3 M KCl.', 3600, [
      'storage',
    ]),
  ],
};
export const overnight: Remedy = {
  id: 'overnight',
  label: 'Overnight in 3 M KCl, and once more',
  steps: cared(
    'overnight',
    'Overnight in 3 M KCl',
    'Overnight in 3 M KCl',
    ['ph'],
    'Stored in pure water by mistake, or dried out for long. Not over 24 h for a combined probe.',
    43_200,
    ['storage'],
  ),
};
export const cleanCell = (roles: string[]): Remedy => ({
  id: 'clean-cell',
  label: 'Clean the cell, and once more',
  steps: cared(
    'clean-cell',
    'Clean the cell',
    'Cell rinsed and wiped',
    roles,
    'Rinse, wipe, rinse again; swing the bubbles out.',
  ),
});
export const newMembrane = (roles: string[]): Remedy => ({
  id: 'membrane',
  label: 'New membrane and electrolyte, and once more',
  steps: cared(
    'service',
    'Membrane service',
    'New membrane and electrolyte, cathode cleaned',
    roles,
    'New membrane filled with electrolyte, screwed tight, never one that was used; cathode cleaned with a soft cloth; polarise 10 min.',
    600,
    ['membrane', 'electrolyte'],
  ),
});
export const conditionMembrane: Remedy = {
  id: 'condition',
  label: 'Condition the membrane, and once more',
  steps: cared(
    'condition',
    'Condition the membrane',
    'Conditioned in a weak standard',
    ['ion'],
    'Half an hour in a weak standard.',
    1800,
  ),
};
