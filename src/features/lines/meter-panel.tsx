'use client';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import type { LineView } from './server';
import { usePanel } from './use-panel';

interface World {
  poured?: object | null;
  sleeve?: boolean;
}

const CARE = [
  ['stir', 'Swing, stir'],
  ['clean', 'Clean'],
  ['soak', 'Soak'],
  ['blot', 'Dab dry'],
  ['membrane', 'New membrane'],
] as const;

/** The hand at a simulated meter: dips the probe into any bottle of the shelf, lifts and rinses, swings, cleans, presses its keys. With real hardware this is you. */
export function MeterPanel({
  line,
  liquids,
  inHand,
  values,
}: {
  line: LineView;
  liquids: ReferenceSnapshot[];
  /** The bottle that the run asks for now. */
  inHand: ReferenceSnapshot | null;
  /** What each slot has to be set to, where it has to be. */
  values: Record<number, string>;
}) {
  const [chosen, setChosen] = useState('');
  const { world, said, busy, ask } = usePanel<World>(line.id);
  const bottle = liquids.find((one) => one.id === (chosen || inHand?.id)) ?? null;
  const channels = line.hello?.channels ?? [];
  return (
    <details className="stand-in" data-testid="stand-in">
      <summary>
        Simulated meter: your hand at it <span className="quiet">{said}</span>
      </summary>
      <fieldset disabled={busy}>
        <div className="stand-in-keys">
          <Form.Select
            size="sm"
            aria-label="Bottle to dip into"
            style={{ width: '20rem' }}
            value={bottle?.id ?? ''}
            onChange={(event) => setChosen(event.target.value)}
          >
            <option value="">choose a bottle</option>
            {liquids.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name} {one.lot}
              </option>
            ))}
          </Form.Select>
          <Hand
            label={bottle ? `Dip into ${bottle.lot}` : 'No bottle chosen'}
            disabled={!bottle}
            onPress={() =>
              bottle &&
              ask({
                poured: {
                  poured: bottle.components.map(({ substance, value, unit, table }) => ({
                    substance,
                    value,
                    unit,
                    ...(table ? { table } : {}),
                  })),
                },
              })
            }
          />
          <Hand label="Lift out and rinse" disabled={!world.poured} onPress={() => ask({ poured: null })} />
          <Hand
            label={world.sleeve ? 'Out of the sleeve' : 'Into the moist sleeve'}
            onPress={() => ask({ sleeve: !world.sleeve, poured: null })}
          />
        </div>
        <div className="stand-in-keys">
          {CARE.map(([care, label]) => (
            <Hand key={care} label={label} onPress={() => ask({ care })} />
          ))}
        </div>
        <div className="stand-in-keys">
          <span className="quiet small">Its keys</span>
          {channels
            .filter((one) => one.measurand !== 'dissolved solids')
            .map((one) => (
              <Hand
                key={one.slot}
                mono
                label={`CAL ${one.measurand === 'conductivity' ? one.unit : one.measurand}`}
                onPress={() =>
                  ask({ key: { key: 'span', slot: one.slot, ...(values[one.slot] ? { value: values[one.slot] } : {}) } })
                }
              />
            ))}
          <Hand mono label="APPLY" onPress={() => ask({ key: { key: 'save' } })} />
          <Hand mono label="DISCARD" onPress={() => ask({ key: { key: 'discard' } })} />
        </div>
      </fieldset>
    </details>
  );
}

function Hand({
  label,
  onPress,
  disabled = false,
  mono = false,
}: {
  label: string;
  onPress: () => void;
  disabled?: boolean;
  mono?: boolean;
}) {
  return (
    <button type="button" className={`btn btn-plain btn-sm${mono ? ' mono' : ''}`} disabled={disabled} onClick={onPress}>
      {label}
    </button>
  );
}
