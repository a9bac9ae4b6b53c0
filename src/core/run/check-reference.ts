import { Dec, greaterOf } from '../quantity/decimal';
import type { Slot } from '../procedure/procedure';
import type { RunChannel } from '../record/event';
import type { ReferenceSnapshot } from '../record/reference-snapshot';
import type { EquipmentRole } from '../procedure/equipment-role';
import { say, type Fact } from '../words/say';
import { refuse, type Refusal } from '../words/refusal';
import '@/core/words/en/refusals-acts';

/**
 * Whether a reference may be used today for these channels: recalled, expired, empty, missing component, no oxygen for a catalytic sensor.
 * Expiry is hard: the last valid day is the one on the bottle. `today` is a calendar date in the workshop's zone.
 * Source: common practice; catalytic sensors commonly need at least 10 %vol of oxygen (maker's manual).
 */
export function checkReference({
  reference,
  slot,
  channels,
  today,
}: {
  reference: ReferenceSnapshot;
  slot: Slot;
  channels: RunChannel[];
  today: string;
}): Refusal | null {
  const name = `${reference.name}, lot ${reference.lot}`;
  const beside = { field: 'reference' };
  if (reference.kind !== slot.kind) return refuse('wrongKind', `${name} is not a ${slot.label}.`, beside);
  if (slot.roles && !slot.roles.includes(reference.role ?? ''))
    return refuse('wrongEquipment', say({ code: 'refused.wrongEquipment', numbers: { name, what: slot.label } }), beside);
  if (reference.unusable) return refuse('unusable', `${name} is not to be used: ${reference.unusable}.`, beside);
  if (reference.recalled) return refuse('recalled', `${name} was recalled: ${reference.recalled}.`, beside);
  if (reference.expires && reference.expires < today)
    return refuse(
      'expired',
      slot.kind === 'tool'
        ? `${name} was due for its check on ${reference.expires}. Overdue equipment is never used.`
        : `${name} expired on ${reference.expires}. Expired references are never used.`,
      {
        ...beside,
        numbers: { expires: reference.expires, today },
      },
    );
  if (reference.availableL !== undefined && new Dec(reference.availableL).lt(1))
    return refuse('empty', `${name} is empty: ${reference.availableL} L left.`, {
      ...beside,
      numbers: { availableL: reference.availableL },
    });
  if (reference.openedUntil && reference.openedUntil < today)
    return refuse(
      'opened',
      `${name} was opened on ${reference.openedOn} and was good until ${reference.openedUntil}. Past its life it is never used: open a fresh one.`,
      { ...beside, numbers: { openedUntil: reference.openedUntil, today } },
    );
  const dose = reference.detail?.doseMl ?? '0';
  if (reference.leftMl !== undefined && new Dec(reference.leftMl).lt(greaterOf(dose, 1)))
    return refuse('empty', `${name} is used up: ${reference.leftMl} mL left, a dose is ${dose} mL.`, beside);
  const untraced = untraceable(reference);
  if (untraced)
    return refuse(
      'noTraceability',
      say({ code: 'refused.noTraceability', numbers: { name: reference.name, lot: reference.lot, what: say(untraced) } }),
      beside,
    );
  if (untraced !== undefined && reference.accepted === undefined)
    return refuse(
      'notAccepted',
      say({ code: 'refused.notAccepted', numbers: { name: reference.name, lot: reference.lot } }),
      beside,
    );
  const has = (substance: string) => reference.components.some((component) => component.substance === substance);
  const needed = slot.needs === 'channelGases' ? channels.flatMap((channel) => channel.calibrationGas ?? []) : (slot.needs ?? []);
  const missing = needed.filter((substance) => !has(substance));
  if (missing.length > 0 && ['buffer', 'standard'].includes(slot.kind))
    return refuse(
      'otherPoint',
      `${name} is ${reference.components.map((one) => one.substance).join(', ')}; the next in order is ${slot.label}. Out of order nothing is recorded: take the right one.`,
      beside,
    );
  if (missing.length > 0)
    return refuse(
      'missingComponent',
      `${name} has no ${[...new Set(missing)].join(', no ')}: it can't serve every channel of this instrument.`,
      beside,
    );
  if (slot.kind === 'gas')
    return checkGas(
      reference,
      name,
      channels.filter((channel) => channel.calibrationGas && needed.includes(channel.calibrationGas)),
    );
  return null;
}

const MEASURING: EquipmentRole[] = ['thermometer', 'barometer', 'hygrometer', 'flowMeter', 'balance'];

/** What is missing for a value to be traced through it; null where nothing is, undefined where nothing is traced through it at all (a scrubber, clean air). */
function untraceable(reference: ReferenceSnapshot): Fact | null | undefined {
  const traced = ['gas', 'buffer', 'standard'].includes(reference.kind) || MEASURING.includes(reference.role ?? '');
  if (!traced) return undefined;
  if (!reference.certificate?.trim()) return { code: 'reference.certificate' };
  return reference.traceability?.trim() ? null : { code: 'reference.traceability' };
}

function checkGas(reference: ReferenceSnapshot, name: string, channels: RunChannel[]): Refusal | null {
  const oxygen = reference.components.find((component) => component.substance === 'O2')?.value ?? '0';
  if (channels.some((channel) => channel.principle === 'catalytic') && new Dec(oxygen).lt(10)) {
    return refuse(
      'noOxygen',
      `${name} brings ${oxygen} %vol oxygen; a catalytic sensor needs at least 10 %vol to respond truly.`,
      { field: 'reference', numbers: { oxygen } },
    );
  }
  for (const channel of channels) {
    const component = reference.components.find((candidate) => candidate.substance === channel.calibrationGas);
    if (component && component.unit === channel.unit && new Dec(component.value).gt(channel.highest)) {
      return refuse(
        'aboveRange',
        `${component.substance} ${component.value} ${component.unit} in ${name} is above the range of ${channel.label} (${channel.highest} ${channel.unit}).`,
        { field: 'reference' },
      );
    }
  }
  return null;
}
