'use client';
import type { Procedure, School } from '@/core/procedure/procedure';
import { say } from '@/core/words/say';
import { ChoiceIn, NumberIn, TextIn } from './inputs';
import '@/core/words/en/procedures';

export interface Props<T> {
  procedure: Procedure;
  value: T;
  change: (value: T) => void;
}

export function HeadForm({ value, change }: Props<Procedure>) {
  return (
    <>
      <TextIn
        label={say({ code: 'procedures.name' })}
        value={value.title}
        change={(title) => change({ ...value, title: title ?? '' })}
      />
      <TextIn
        label={say({ code: 'edit.methodText' })}
        rows={3}
        value={value.method}
        change={(method) => change({ ...value, method: method ?? '' })}
      />
      <NumberIn
        label={say({ code: 'edit.warmUp' })}
        value={value.warmUpSeconds}
        change={(seconds) => change({ ...value, warmUpSeconds: seconds ?? 0 })}
      />
      <TextIn
        label={say({ code: 'edit.cautions' })}
        rows={Math.max(3, value.cautions.length + 1)}
        value={value.cautions.join('\n')}
        change={(text) => change({ ...value, cautions: (text ?? '').split('\n').filter((line) => line.trim() !== '') })}
      />
    </>
  );
}

export function SchoolForm({ value, change }: Props<School>) {
  return (
    <>
      <p className="fw-semibold">{value.label}</p>
      <ChoiceIn
        label={say({ code: 'edit.standard' })}
        value={value.standard}
        choices={value.options.map((one) => [one.id, one.label] as const)}
        change={(standard) => change({ ...value, standard })}
      />
      {value.options.map((option) => (
        <TextIn
          key={option.id}
          label={option.label}
          rows={2}
          value={option.reason}
          change={(reason) =>
            change({
              ...value,
              options: value.options.map((one) => (one.id === option.id ? { ...one, reason: reason ?? '' } : one)),
            })
          }
        />
      ))}
    </>
  );
}
