import { bufferValue, BUFFER_IDS, type BufferId } from '../ph/buffer-value';
import { buffersOfSet } from '../ph/buffer-sets';
import { MEASURANDS } from '../measurand';
import type { EquipmentRole } from '../procedure/equipment-role';
import type { Procedure, Slot } from '../procedure/procedure';
import type { RunChannel } from '../record/event';
import type { MaterialComponent, ReferenceSnapshot } from '../record/reference-snapshot';

const TRACED = {
  certificate: 'walk',
  traceability: 'walk',
  accepted: { on: '2026-01-01', by: 'walk' },
  expires: '2999-12-31',
} as const;
const ROOM_ROLES: Record<string, EquipmentRole> = {
  'room-thermometer': 'thermometer',
  barometer: 'barometer',
  hygrometer: 'hygrometer',
};
/** Temperatures of a liquid’s table, °C. */
const AT = [15, 20, 25, 30];
/** Share of its range that a channel is shown: far from both ends. */
const SHARE = 0.4;
const isBuffer = (substance: string): substance is BufferId => (BUFFER_IDS as readonly string[]).includes(substance);
const part = (substance: string, value: number, unit: string): MaterialComponent => ({
  substance,
  value: String(Number(value.toPrecision(3))),
  unit,
  expanded: '0.01',
  k: 2,
});

/** The liquid of a substance: a buffer by its table, anything else by the figure that its name ends with, in the unit of the measurand that knows it. */
function liquidOf(substance: string): MaterialComponent {
  const at = (temperatureC: number) => bufferValue({ buffer: substance as BufferId, temperatureC });
  // Its own table, as printed on its bottle: a meter that is set to one's own set knows buffers by it alone.
  if (isBuffer(substance)) return { ...part(substance, at(25), 'pH'), table: AT.map((one): [number, number] => [one, at(one)]) };
  const known = Object.values(MEASURANDS)
    .flatMap((one) => ('liquids' in one ? (one.liquids ?? []) : []))
    .find((one) => one.substance === substance);
  const value =
    substance === 'phosphate' ? 6.86 : Number(/^[\d.]+/.exec(known?.name ?? '')?.[0] ?? /[\d.]+$/.exec(substance)?.[0] ?? 1);
  const component = part(substance, value, known?.unit ?? '1');
  return { ...component, table: AT.map((one): [number, number] => [one, value]) };
}

function gasOf(channels: readonly RunChannel[], substance: string): MaterialComponent {
  const channel = channels.find((one) => one.calibrationGas === substance);
  if (!channel) return part(substance, 99, '%vol');
  if (substance === 'O2') return part('O2', 18, '%vol');
  if (channel.unit === '%LEL') return part(substance, Number(channel.scale?.lelVolPercent ?? 5) * SHARE, '%vol');
  return part(substance, Number(channel.highest ?? 50) * SHARE, channel.unit);
}

/** What may stand in a place: one thing for each, several where the electrode names what it stands in. */
function forSlot(
  { id, label, kind, roles, needs }: Slot,
  procedure: Procedure,
  channels: readonly RunChannel[],
  schools: Record<string, string>,
): ReferenceSnapshot[] {
  const role = roles?.[0] ?? ROOM_ROLES[id];
  const one = (name: string, components: MaterialComponent[]): ReferenceSnapshot => ({
    id: name,
    kind,
    name: label,
    lot: name,
    ...TRACED,
    ...(role ? { role } : {}),
    ...(kind === 'gas' ? { availableL: '99' } : {}),
    components,
  });
  if (needs === 'channelGases' || (kind === 'gas' && !needs))
    return [
      one(
        id,
        [...new Set(channels.flatMap((channel) => channel.calibrationGas ?? []))].map((gas) => gasOf(channels, gas)),
      ),
    ];
  if (kind === 'gas')
    return [
      one(
        id,
        needs!.map((gas) => gasOf(channels, gas)),
      ),
    ];
  if (needs?.length) return [one(id, needs.map(liquidOf))];
  const named = procedure.points.flatMap(({ target }) =>
    target.kind === 'recognised' && target.slot === id ? (buffersOfSet(schools[target.setBy ?? '']) ?? target.set) : [],
  );
  if (named.length) return [...new Set(named)].map((buffer) => one(`${id}:${buffer}`, [liquidOf(buffer)]));
  return [one(id, kind === 'tool' ? [part('quantity', 1, '1')] : [])];
}

/**
 * Something for every place of a procedure, so that it can be walked without a workshop: materials in the middle of the channels' ranges, never a claim about any real bottle.
 * Errors: none.
 *
 * @example
 * walkShelf(procedure, channels)[0].id // 'cal-gas'
 */
export const walkShelf = (
  procedure: Procedure,
  channels: readonly RunChannel[],
  schools: Record<string, string> = {},
): ReferenceSnapshot[] => procedure.slots.flatMap((slot) => forSlot(slot, procedure, channels, schools));
