'use client';
import type { Condition } from '@/core/procedure/condition';
import type { Procedure } from '@/core/procedure/procedure';
import { say } from '@/core/words/say';
import { conditionWords } from './condition-words';
import { ChoiceIn } from './inputs';
import '@/core/words/en/procedures';

/** Conditions that are chosen here; a composed one that a procedure brought stays until another is chosen. */
function offered({ schools = [], channels, slots }: Procedure): Condition[] {
  return [
    { is: 'readingOutside', phase: 'asFound' },
    { is: 'anythingAdjusted' },
    { is: 'adjustFailed' },
    { is: 'anyAdjustFailed' },
    { not: { is: 'anyAdjustFailed' } },
    { is: 'iterationAtLeast', count: 2 },
    { is: 'property', property: 'as-found-only' },
    { not: { is: 'property', property: 'as-found-only' } },
    { is: 'property', property: 'pumped' },
    ...channels.filter((one) => one.optional).map(({ role }): Condition => ({ is: 'channel', role })),
    ...slots.filter((one) => one.kind === 'gas').map(({ id }): Condition => ({ is: 'stimulusOn', slot: id })),
    ...schools.flatMap(({ id, options }) =>
      options.map((option): Condition => ({ is: 'school', school: id, option: option.id })),
    ),
  ];
}

export function WhenForm({
  procedure,
  when,
  change,
}: {
  procedure: Procedure;
  when: Condition | undefined;
  change: (when: Condition | undefined) => void;
}) {
  const now = when ? JSON.stringify(when) : '';
  const all = offered(procedure);
  const list = when && !all.some((one) => JSON.stringify(one) === now) ? [when, ...all] : all;
  return (
    <ChoiceIn
      label={say({ code: 'edit.when' })}
      value={now}
      choices={[['', say({ code: 'edit.always' })], ...list.map((one) => [JSON.stringify(one), conditionWords(one)] as const)]}
      change={(text) => change(text ? (JSON.parse(text) as Condition) : undefined)}
    />
  );
}
