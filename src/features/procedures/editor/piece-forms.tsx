'use client';
import type { Point, Procedure, School, Slot } from '@/core/procedure/procedure';
import { say } from '@/core/words/say';
import { ChoiceIn, ManyIn, NumberIn, TextIn } from './inputs';
import { changed } from './without';
import '@/core/words/en/procedures';

interface Props<T> {
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

/** A point: where it is used, against what, and its own limit. What it is compared with is chosen among the places; another kind of target comes with the procedure that is copied. */
export function PointForm({ procedure, value, change }: Props<Point>) {
  const { target, tolerance } = value;
  return (
    <>
      <TextIn
        label={say({ code: 'edit.label' })}
        value={value.label}
        change={(label) => change({ ...value, label: label ?? '' })}
      />
      <ManyIn
        label={say({ code: 'procedures.channels' })}
        values={value.channels}
        choices={procedure.channels.map((one) => [one.role, one.label] as const)}
        change={(channels) => change({ ...value, channels })}
      />
      {target.kind === 'fixed' && (
        <div className="d-flex gap-3">
          <TextIn
            label={say({ code: 'edit.value' })}
            value={target.value}
            change={(text) => change({ ...value, target: { ...target, value: text ?? '' } })}
          />
          <TextIn
            label={say({ code: 'edit.unit' })}
            value={target.unit}
            change={(unit) => change({ ...value, target: { ...target, unit: unit ?? '' } })}
          />
        </div>
      )}
      {(target.kind === 'material' || target.kind === 'comparison') && (
        <ChoiceIn
          label={say({ code: 'edit.slot' })}
          value={target.slot}
          choices={procedure.slots.map((one) => [one.id, one.label] as const)}
          change={(slot) => change({ ...value, target: { ...target, slot } })}
        />
      )}
      {tolerance !== 'zero' && (
        <TextIn
          label={say({ code: 'edit.limit' })}
          value={tolerance?.limit}
          change={(limit) => change(changed(value, { tolerance: limit ? { ...tolerance, limit } : undefined }))}
        />
      )}
    </>
  );
}

export function SlotForm({ value, change }: Props<Slot>) {
  return (
    <>
      <TextIn
        label={say({ code: 'edit.label' })}
        value={value.label}
        change={(label) => change({ ...value, label: label ?? '' })}
      />
      {value.needs !== 'channelGases' && (
        <TextIn
          label={say({ code: 'edit.needs' })}
          value={value.needs?.join(', ')}
          change={(text) =>
            change(
              changed(value, {
                needs: text
                  ? text
                      .split(',')
                      .map((one) => one.trim())
                      .filter(Boolean)
                  : undefined,
              }),
            )
          }
        />
      )}
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
