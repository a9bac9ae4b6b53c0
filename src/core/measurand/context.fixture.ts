import type { Point, Procedure } from '../procedure/procedure';
import type { RunChannel, StartedData } from '../record/event';
import type { MaterialComponent, ReferenceSnapshot } from '../record/reference-snapshot';
import { emptyState, type Binding, type RunState } from '../record/state';
import { barometer, hygrometer, thermometer, TRACED } from '../run/room.fixture';
import { measurandOf } from '.';
import { commonInfluences } from './common-influences';
import type { InfluenceContext, TargetContext } from './measurand';
import { ROOM } from '../record/room';
import { ROOM_QUANTITIES, type RoomQuantity } from '../procedure/room-quantity';

/** A point of one channel by itself: the run around it as small as a target or a budget needs. */
export function contextOf({
  channel,
  target,
  material,
  inputs = {},
  room = { temperatureC: '21.5', pressureHPa: '1009', humidityPercent: '45' },
  withThermometer = true,
  started = {},
  kind = 'standard',
}: {
  channel: Partial<RunChannel> & Pick<RunChannel, 'measurand' | 'unit'>;
  target: Point['target'];
  material?: Partial<MaterialComponent> & Pick<MaterialComponent, 'substance' | 'value' | 'unit'>;
  inputs?: Record<string, string>;
  room?: Partial<Record<RoomQuantity, string>> | null;
  withThermometer?: boolean;
  started?: Partial<StartedData>;
  kind?: ReferenceSnapshot['kind'];
}): TargetContext {
  const state: RunState = emptyState('r');
  const full: RunChannel = {
    id: 'c',
    role: 'x',
    item: 'body',
    label: 'Channel',
    resolution: '0.01',
    lowest: '0',
    highest: '20000',
    tolerance: { absolute: '1' },
    status: 'fitted',
    ...channel,
  };
  state.channels = [full];
  state.started = {
    procedure: { id: 'p', version: 1 },
    origin: 'guided',
    service: 'calibrate',
    items: [],
    channels: [full],
    rule: 'simple',
    coverage: 0.9545,
    practice: false,
    ...started,
  };
  const bind = (slot: string, reference: ReferenceSnapshot) => {
    const seq = state.bindings.length + 1;
    state.bindings.push({ slot, reference, seq, at: '', by: '', released: false, struck: null } satisfies Binding);
    return seq;
  };
  const slots: Procedure['slots'] = [{ id: 'thermometer', label: 'thermometer', kind: 'tool' }];
  if (material) {
    bind('slot', {
      id: 'ref-material',
      kind,
      name: 'Material',
      lot: 'L-1',
      components: [{ expanded: '0.02', k: 2, ...material }],
      ...TRACED,
    });
    slots.push({ id: 'slot', label: 'material', kind });
  }
  if (withThermometer) bind('thermometer', thermometer);
  if (room) {
    const equipment = { temperatureC: hygrometer, pressureHPa: barometer, humidityPercent: hygrometer };
    const by = Object.fromEntries(
      ROOM_QUANTITIES.flatMap((quantity) =>
        room[quantity] ? [[quantity, { binding: bind(ROOM[quantity].slot, equipment[quantity]), shown: room[quantity] }]] : [],
      ),
    );
    state.conditions.push({ ...room, by, at: '', seq: 50 });
  }
  const point: Point = { id: 'point', label: 'Point', channels: ['x'], target };
  const procedure = { id: 'p', version: 1, slots, points: [point], steps: [], channels: [] } as unknown as Procedure;
  return { point, channel: full, state, inputs, procedure };
}

/** The target of a context, or the code of what was refused. */
export function targetOf(context: TargetContext): { value: string; code?: undefined } & Record<string, unknown> {
  const target = measurandOf(context.channel.measurand).target(context);
  if (target === null) throw new Error('only observed');
  return 'refused' in target ? ({ value: '', ...target } as never) : (target as never);
}

/** The whole budget of a reading at a context, by component. */
export function budgetOf(context: TargetContext, capture?: InfluenceContext['capture']) {
  const measurand = measurandOf(context.channel.measurand);
  const target = measurand.target(context);
  if (target === null || 'refused' in target) throw new Error(target === null ? 'only observed' : target.sentence);
  const whole: InfluenceContext = { ...context, target, ...(capture ? { capture } : {}) };
  return [...commonInfluences(whole, measurand), ...measurand.influences(whole)];
}
