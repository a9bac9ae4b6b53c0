'use client';
import { EQUIPMENT_ROLES } from '@/core/procedure/equipment-role';
import type { Slot } from '@/core/procedure/procedure';
import { say } from '@/core/words/say';
import { ChoiceIn, ManyIn, TextIn, YesIn } from './inputs';
import type { Props } from './piece-forms';
import { changed } from './without';
import '@/core/words/en/editor';
import '@/core/words/en/procedures';

const KINDS = ['gas', 'cleanAir', 'buffer', 'standard', 'tool', 'solution'] as const;

const listed = (text: string | undefined): string[] | undefined =>
  text
    ? text
        .split(',')
        .map((one) => one.trim())
        .filter(Boolean)
    : undefined;

/** A place on the bench: what may stand there, what it has to bring, and how it may be fed. */
export function SlotForm({ value, change }: Props<Slot>) {
  const { kind, needs, roles, flows } = value;
  return (
    <>
      <TextIn
        label={say({ code: 'edit.label' })}
        value={value.label}
        change={(label) => change({ ...value, label: label ?? '' })}
      />
      <ChoiceIn
        label={say({ code: 'edit.slotKind' })}
        value={kind}
        choices={KINDS.map((one) => [one, say({ code: `edit.slotKind.${one}` })] as const)}
        change={(next) =>
          change(changed({ ...value, kind: next }, next === 'tool' || next === 'solution' ? {} : { roles: undefined }))
        }
      />
      {kind === 'gas' && (
        <YesIn
          label={say({ code: 'edit.channelGases' })}
          value={needs === 'channelGases'}
          change={(yes) => change(changed(value, { needs: yes ? 'channelGases' : undefined }))}
        />
      )}
      {needs !== 'channelGases' && (
        <TextIn
          label={say({ code: 'edit.needs' })}
          value={needs?.join(', ')}
          change={(text) => change(changed(value, { needs: listed(text) }))}
        />
      )}
      {(kind === 'tool' || kind === 'solution') && (
        <ManyIn
          label={say({ code: 'edit.roles' })}
          values={roles ?? []}
          choices={EQUIPMENT_ROLES.map((role) => [role, say({ code: `edit.role.${role}` })] as const)}
          change={(next) => change(changed(value, { roles: next.length ? next : undefined }))}
        />
      )}
      {kind === 'gas' && (
        <TextIn
          label={say({ code: 'edit.flows' })}
          value={flows?.join(', ')}
          change={(text) => change(changed(value, { flows: listed(text) }))}
        />
      )}
    </>
  );
}
