'use client';
import { newTarget, TARGET_KINDS } from '@/core/procedure/edit-pieces';
import type { Point } from '@/core/procedure/procedure';
import { say } from '@/core/words/say';
import { ChoiceIn, ManyIn, TextIn, YesIn } from './inputs';
import type { Props } from './piece-forms';
import { TargetForm } from './target-form';
import { changed } from './without';
import '@/core/words/en/editor';
import '@/core/words/en/procedures';

const LIMITS = ['channel', 'zero', 'own'] as const;
const limitOf = ({ tolerance }: Point): (typeof LIMITS)[number] =>
  tolerance === undefined ? 'channel' : tolerance === 'zero' ? 'zero' : 'own';

/** A point: which channels it covers, what it is compared with, how far it may be off, and what is not believed. */
export function PointForm({ procedure, value, change }: Props<Point>) {
  const { target, tolerance, gate } = value;
  const own = tolerance !== undefined && tolerance !== 'zero' ? tolerance : null;
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
      <ChoiceIn
        label={say({ code: 'edit.target' })}
        value={target.kind}
        choices={TARGET_KINDS.map((kind) => [kind, say({ code: `targetKind.${kind}` })] as const)}
        change={(kind) => change({ ...value, target: newTarget(kind, procedure.slots) })}
      />
      <TargetForm procedure={procedure} value={target} change={(next) => change({ ...value, target: next })} />
      <ChoiceIn
        label={say({ code: 'edit.tolerance' })}
        value={limitOf(value)}
        choices={LIMITS.map((one) => [one, say({ code: `edit.toleranceOf.${one}` })] as const)}
        change={(kind) =>
          change(
            changed(value, { tolerance: kind === 'channel' ? undefined : kind === 'zero' ? 'zero' : (own ?? { limit: '1' }) }),
          )
        }
      />
      {own && (
        <div className="d-flex gap-3">
          <TextIn
            label={say({ code: 'edit.limit' })}
            value={own.limit}
            change={(limit) => change({ ...value, tolerance: { ...own, limit: limit ?? '' } })}
          />
          <TextIn
            label={say({ code: 'edit.cautionLimit' })}
            value={own.caution}
            change={(caution) => change({ ...value, tolerance: changed(own, { caution }) })}
          />
        </div>
      )}
      <YesIn
        label={say({ code: 'edit.gate' })}
        value={gate !== undefined}
        change={(yes) => change(changed(value, { gate: yes ? { lowest: '0', highest: '1', reason: '' } : undefined }))}
      />
      {gate && (
        <>
          <div className="d-flex gap-3">
            <TextIn
              label={say({ code: 'edit.gateLowest' })}
              value={gate.lowest}
              change={(lowest) => change({ ...value, gate: { ...gate, lowest: lowest ?? '' } })}
            />
            <TextIn
              label={say({ code: 'edit.gateHighest' })}
              value={gate.highest}
              change={(highest) => change({ ...value, gate: { ...gate, highest: highest ?? '' } })}
            />
          </div>
          <TextIn
            label={say({ code: 'edit.gateReason' })}
            value={gate.reason}
            change={(reason) => change({ ...value, gate: { ...gate, reason: reason ?? '' } })}
          />
        </>
      )}
    </>
  );
}
