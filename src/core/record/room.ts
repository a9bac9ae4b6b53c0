import type { RoomQuantity } from '../procedure/room-quantity';
import type { RunState, Binding } from './state';
import type { MaterialComponent } from './reference-snapshot';

/** What equipment for a quantity of the room has to bring, the place it takes in a procedure, and what it leaves open where no certificate is on record (common practice). */
export const ROOM: Record<RoomQuantity, { substance: string; slot: string; unit: string; openHalf: number }> = {
  temperatureC: { substance: 'temperature', slot: 'room-thermometer', unit: '°C', openHalf: 1 },
  pressureHPa: { substance: 'pressure', slot: 'barometer', unit: 'hPa', openHalf: 2 },
  humidityPercent: { substance: 'humidity', slot: 'hygrometer', unit: '%', openHalf: 5 },
};

/** A quantity of the room as last recorded: its figure, and the equipment that read it with what its certificate states. */
export interface RoomFigure {
  value: number;
  text: string;
  binding: Binding | null;
  component: MaterialComponent | null;
}

/** Latest record of a quantity of the room; null where none was made. */
export function roomFigure(state: RunState, quantity: RoomQuantity): RoomFigure | null {
  for (let i = state.conditions.length - 1; i >= 0; i -= 1) {
    const one = state.conditions[i]!;
    const text = one[quantity];
    if (!text) continue;
    const seq = one.by?.[quantity]?.binding;
    const binding = state.bindings.find((candidate) => candidate.seq === seq) ?? null;
    return { value: Number(text), text, binding, component: measures(binding, ROOM[quantity].substance) };
  }
  return null;
}

/** What a piece of equipment states of a quantity. */
export const measures = (binding: Pick<Binding, 'reference'> | null, substance: string): MaterialComponent | null =>
  binding?.reference.components.find((one) => one.substance === substance) ?? null;
