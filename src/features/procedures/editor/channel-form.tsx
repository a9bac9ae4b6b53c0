'use client';
import type { ProcedureChannel } from '@/core/procedure/procedure';
import { MEASURAND_IDS } from '@/core/quantity/unit';
import { say } from '@/core/words/say';
import { ManyIn, TextIn, YesIn } from './inputs';
import type { Props } from './piece-forms';
import { changed } from './without';
import '@/core/words/en/editor';
import '@/core/words/en/procedures';

/** A channel: what may be measured there, and whether an instrument may be without it. */
export function ChannelForm({ value, change }: Omit<Props<ProcedureChannel>, 'procedure'>) {
  return (
    <>
      <TextIn
        label={say({ code: 'edit.label' })}
        value={value.label}
        change={(label) => change({ ...value, label: label ?? '' })}
      />
      <ManyIn
        label={say({ code: 'edit.measurands' })}
        values={value.measurands}
        choices={[...new Set([...MEASURAND_IDS, ...value.measurands])].map((one) => [one, one] as const)}
        change={(measurands) => change({ ...value, measurands })}
      />
      <YesIn
        label={say({ code: 'edit.optional' })}
        value={value.optional ?? false}
        change={(yes) => change(changed(value, { optional: yes || undefined }))}
      />
    </>
  );
}
