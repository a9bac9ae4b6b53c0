'use client';
import { OWN_UNIT } from '@/core/procedure/faults-of-pieces';
import { UNITS } from '@/core/quantity/unit';
import { BUFFER_IDS } from '@/core/ph/buffer-value';
import type { Target } from '@/core/procedure/procedure';
import { say } from '@/core/words/say';
import { ChoiceIn, ManyIn, TextIn } from './inputs';
import type { Props } from './piece-forms';
import { changed } from './without';
import '@/core/words/en/editor';
import '@/core/words/en/procedures';

const VIA = ['certified', 'atTemperature', 'atPressure', 'lelScale', 'compensated', 'dissolvedSolids'] as const;
const FUNCTIONS = ['cleanAirOxygen', 'airSaturatedOxygen'] as const;
const DIRECTIONS = ['rise', 'fall'] as const;

/** What a reading is compared with, of each kind what it needs. */
export function TargetForm({ procedure, value, change }: Props<Target>) {
  const place = (slot: string, put: (slot: string) => void) => (
    <ChoiceIn
      label={say({ code: 'edit.slot' })}
      value={slot}
      choices={procedure.slots.map((one) => [one.id, one.label] as const)}
      change={put}
    />
  );
  switch (value.kind) {
    case 'fixed':
      return (
        <div className="d-flex gap-3">
          <TextIn
            label={say({ code: 'edit.value' })}
            value={value.value}
            change={(text) => change({ ...value, value: text ?? '' })}
          />
          <ChoiceIn
            label={say({ code: 'edit.unit' })}
            value={value.unit}
            choices={[[OWN_UNIT, say({ code: 'edit.ownUnit' })], ...UNITS.map((one) => [one.symbol, one.symbol] as const)]}
            change={(unit) => change({ ...value, unit })}
          />
        </div>
      );
    case 'material':
      return (
        <>
          {place(value.slot, (slot) => change({ ...value, slot }))}
          <TextIn
            label={say({ code: 'edit.component' })}
            value={value.component === 'channelGas' ? undefined : value.component}
            change={(component) => change({ ...value, component: component ?? 'channelGas' })}
          />
          <ChoiceIn
            label={say({ code: 'edit.via' })}
            value={value.via}
            choices={VIA.map((via) => [via, say({ code: `edit.via.${via}` })] as const)}
            change={(via) => change({ ...value, via })}
          />
        </>
      );
    case 'recognised':
      return (
        <>
          <ManyIn
            label={say({ code: 'edit.set' })}
            values={value.set}
            choices={BUFFER_IDS.map((id) => [id, id.replaceAll('-', ' ')] as const)}
            change={(set) => change({ ...value, set })}
          />
          <ChoiceIn
            label={say({ code: 'edit.slot' })}
            value={value.slot ?? ''}
            choices={[['', say({ code: 'edit.noSlot' })], ...procedure.slots.map((one) => [one.id, one.label] as const)]}
            change={(slot) => change(changed(value, { slot: slot || undefined }))}
          />
        </>
      );
    case 'computed':
      return (
        <ChoiceIn
          label={say({ code: 'edit.function' })}
          value={value.function}
          choices={FUNCTIONS.map((one) => [one, say({ code: `edit.function.${one}` })] as const)}
          change={(name) => change({ ...value, function: name })}
        />
      );
    case 'comparison':
      return place(value.slot, (slot) => change({ ...value, slot }));
    case 'observe':
      return (
        <ChoiceIn
          label={say({ code: 'edit.direction' })}
          value={value.direction}
          choices={DIRECTIONS.map((one) => [one, say({ code: `edit.direction.${one}` })] as const)}
          change={(direction) => change({ ...value, direction })}
        />
      );
    case 'strip':
      return null;
  }
}
