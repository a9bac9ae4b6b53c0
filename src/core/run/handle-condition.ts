import { correctedBy } from '../measurand/liquid-temperature';
import { measures, ROOM } from '../record/room';
import { type RoomQuantity } from '../procedure/room-quantity';
import { pointed } from '../quantity/pointed';
import { say } from '../words/say';
import { checkReference } from './check-reference';
import type { Command } from './command';
import type { EventData, EventDraft } from '../record/event';
import { at } from './step-in-turn';
import type { Handling } from './handling';
import type { PlannedStep } from './plan-node';
import { isRefusal, refuse, type Refusal } from '../words/refusal';
import type { ReferenceSnapshot } from '../record/reference-snapshot';
import { boundReference, measuredChannels } from '../record/state';
import '@/core/words/en/refusals-acts';

const RANGE: Record<RoomQuantity, [lowest: number, highest: number]> = {
  temperatureC: [-10, 50],
  pressureHPa: [500, 1100],
  humidityPercent: [0, 100],
};

/** The room, each figure by the equipment that read it: bound in its place, corrected by its certificate. Without equipment, or with one that may not be used, nothing is taken. */
export function recordConditions(
  quantities: RoomQuantity[],
  step: PlannedStep,
  { conditions = {}, equipment = {} }: Extract<Command, { type: 'completeStep' }>,
  handling: Handling,
): EventDraft[] | Refusal {
  const { draft, state } = handling;
  const bound: EventDraft[] = [];
  const record: EventData['conditionRecorded'] = {};
  for (const quantity of quantities) {
    const shown = pointed(conditions[quantity] ?? '');
    const [lowest, highest] = RANGE[quantity];
    const number = /^[+-]?\d+(\.\d+)?$/.test(shown) ? Number(shown) : NaN;
    if (!(number >= lowest && number <= highest))
      return refuse(
        'badCondition',
        say({
          code: shown ? 'refused.badCondition' : 'refused.noCondition',
          numbers: { label: say({ code: `room.${quantity}` }), typed: shown, lowest, highest, unit: ROOM[quantity].unit },
        }),
        { field: quantity },
      );
    const read = equipmentFor(quantity, equipment[quantity], handling);
    if (isRefusal(read)) return { ...read, field: quantity };
    if (!read) {
      record[quantity] = shown;
      continue;
    }
    const value = correctedBy(measures({ reference: read.reference }, ROOM[quantity].substance), shown, read);
    if (typeof value !== 'string') return { ...value, field: quantity };
    record[quantity] = value;
    let binding = read.binding;
    if (binding === null) {
      binding = state.seq + bound.length + 1;
      bound.push(draft('referenceBound', { slot: ROOM[quantity].slot, reference: read.reference }, at(step)));
    }
    record.by = { ...record.by, [quantity]: { binding, shown } };
  }
  return [...bound, draft('conditionRecorded', record, at(step))];
}

/** The equipment for a quantity: the one chosen, else the one that stands in its place. Null in procedures from before equipment was asked for. */
function equipmentFor(
  quantity: RoomQuantity,
  chosen: string | undefined,
  { procedure, state, context }: Handling,
): { reference: ReferenceSnapshot; binding: number | null } | null | Refusal {
  const slot = procedure.slots.find((one) => one.id === ROOM[quantity].slot);
  if (!slot) return null;
  const standing = boundReference(state, slot.id);
  if (standing && (!chosen || chosen === standing.reference.id)) return { reference: standing.reference, binding: standing.seq };
  const reference = chosen ? context.references[chosen] : undefined;
  if (!reference) return refuse('noEquipment', say({ code: 'refused.noEquipment', numbers: { what: slot.label } }));
  return (
    checkReference({ reference, slot, channels: measuredChannels(state), today: context.today }) ?? { reference, binding: null }
  );
}
