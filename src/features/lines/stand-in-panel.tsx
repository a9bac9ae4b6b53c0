'use client';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import type { LineView } from './server';
import { usePanel } from './use-panel';

interface World {
  mixture?: object | null;
  blocked?: boolean;
  filter?: 'none' | 'co2' | 'charcoal';
  regulator?: 'demand' | 'fixed';
}

/** A bottle's mixture as the stand-in is given it: oxygen, combustibles and breathing gases in %vol, carbon dioxide and toxic gases in ppm. */
export function mixtureOf(bottle: ReferenceSnapshot): Record<string, number> {
  return Object.fromEntries(
    bottle.components.map(({ substance, value, unit }) => [
      substance,
      Number(value) * (substance === 'CO2' && unit === '%vol' ? 10_000 : unit === 'ppb' ? 0.001 : 1),
    ]),
  );
}

/** The hand at a simulated instrument: valve, scrubber and zero tube, inlet, regulator, its keys. With real hardware this is you. */
export function StandInPanel({
  line,
  bottle,
  spanValues,
}: {
  line: LineView;
  bottle: ReferenceSnapshot | null;
  spanValues: Record<number, string>;
}) {
  const { world, said, busy, ask } = usePanel<World>(line.id);
  const open = world.mixture !== null && world.mixture !== undefined;
  const has = (key: string) => line.hello?.keys.includes(key);
  const channels = line.hello?.channels.filter((one) => one.fitted) ?? [];
  const press = (key: 'zero' | 'span' | 'save' | 'acknowledge' | 'pump' | 'clock', more: object = {}) =>
    ask({ key: { key, ...more } });
  const spanAll = async () => {
    // A value can be set channel by channel; without one the stored values stand.
    for (const channel of channels)
      await press('span', { slot: channel.slot, ...(spanValues[channel.slot] ? { value: spanValues[channel.slot] } : {}) });
  };
  return (
    <details className="stand-in" data-testid="stand-in">
      <summary>
        Simulated instrument: your hand at it <span className="quiet">{said}</span>
      </summary>
      <fieldset disabled={busy}>
        <div className="stand-in-keys">
          <Toggle
            on={open}
            off={() => ask({ mixture: null })}
            onLabel="Valve open: shut it"
            offLabel={bottle ? `Open the valve of ${bottle.lot}` : 'No bottle chosen'}
            disabled={!bottle}
            turn={() => bottle && ask({ mixture: mixtureOf(bottle) })}
          />
          <Toggle
            on={world.filter === 'co2'}
            off={() => ask({ filter: 'none' })}
            onLabel="Take scrubber off"
            offLabel="Put scrubber on"
            turn={() => ask({ filter: 'co2' })}
          />
          <Toggle
            on={world.filter === 'charcoal'}
            off={() => ask({ filter: 'none' })}
            onLabel="Take zero tube off"
            offLabel="Put zero tube on"
            turn={() => ask({ filter: 'charcoal' })}
          />
          <Toggle
            on={Boolean(world.blocked)}
            off={() => ask({ blocked: false })}
            onLabel="Let the inlet go"
            offLabel="Hold the inlet shut"
            turn={() => ask({ blocked: true })}
          />
          <Toggle
            on={world.regulator === 'fixed'}
            off={() => ask({ regulator: 'demand' })}
            onLabel="Fixed flow: change to demand"
            offLabel="Demand: change to fixed flow"
            turn={() => ask({ regulator: 'fixed' })}
          />
        </div>
        <div className="stand-in-keys">
          <span className="quiet small">Its keys</span>
          <Key label="ZERO" onPress={() => press('zero')} />
          <Key label="SPAN" onPress={spanAll} />
          <Key label="SAVE" onPress={() => press('save')} />
          <Key label="ACK" onPress={() => press('acknowledge')} />
          {has('pump') && <Key label="PUMP" onPress={() => press('pump')} />}
          <Key label="CLOCK" onPress={() => press('clock')} />
        </div>
      </fieldset>
    </details>
  );
}

function Key({ label, onPress }: { label: string; onPress: () => void }) {
  return (
    <button type="button" className="btn btn-plain btn-sm mono" onClick={onPress}>
      {label}
    </button>
  );
}

function Toggle({
  on,
  turn,
  off,
  onLabel,
  offLabel,
  disabled = false,
}: {
  on: boolean;
  turn: () => void;
  off: () => void;
  onLabel: string;
  offLabel: string;
  disabled?: boolean;
}) {
  return (
    <button
      type="button"
      className={`btn btn-sm ${on ? 'btn-outline-danger' : 'btn-plain'}`}
      disabled={disabled && !on}
      aria-pressed={on}
      onClick={on ? off : turn}
    >
      {on ? onLabel : offLabel}
    </button>
  );
}
