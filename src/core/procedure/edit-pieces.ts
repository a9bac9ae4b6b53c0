import { OWN_UNIT } from './faults-of-pieces';
import { flatSteps } from './flat-steps';
import type { Point, Procedure, ProcedureChannel, Slot, Target } from './procedure';

/** Parts of a procedure that its steps work with. */
export type Piece = 'channel' | 'slot' | 'point';

export const TARGET_KINDS = ['fixed', 'material', 'recognised', 'computed', 'strip', 'comparison', 'observe'] as const;

/**
 * A target of a kind as it is before anybody said more, with the first place of the procedure where it needs one.
 *
 * @example
 * newTarget('fixed', []) // { kind: 'fixed', value: '0', unit: 'channel' }
 */
export function newTarget(kind: Target['kind'], slots: readonly Slot[]): Target {
  const slot = slots[0]?.id ?? '';
  switch (kind) {
    case 'fixed':
      return { kind, value: '0', unit: OWN_UNIT };
    case 'material':
      return { kind, slot, component: 'channelGas', via: 'certified' };
    case 'recognised':
      return { kind, set: ['technical-4.01', 'technical-7.00', 'technical-10.01'] };
    case 'computed':
      return { kind, function: 'cleanAirOxygen' };
    case 'strip':
      return { kind };
    case 'comparison':
      return { kind, slot };
    case 'observe':
      return { kind, direction: 'rise' };
  }
}

const free = (base: string, taken: readonly string[]): string => {
  for (let n = 1; ; n += 1) if (!taken.includes(n === 1 ? base : `${base}-${n}`)) return n === 1 ? base : `${base}-${n}`;
};

/**
 * A piece more, with an id that is free: a channel for any quantity, an empty place, a point of the first channel.
 *
 * @example
 * addPiece(procedure, 'point', 'New point').id // 'point'
 */
export function addPiece(procedure: Procedure, piece: Piece, label: string): { procedure: Procedure; id: string } {
  const { channels, slots, points } = procedure;
  if (piece === 'channel') {
    const role = free(
      'channel',
      channels.map((one) => one.role),
    );
    const made: ProcedureChannel = { role, label, measurands: [] };
    return { procedure: { ...procedure, channels: [...channels, made] }, id: role };
  }
  if (piece === 'slot') {
    const id = free(
      'place',
      slots.map((one) => one.id),
    );
    return { procedure: { ...procedure, slots: [...slots, { id, label, kind: 'gas' }] }, id };
  }
  const id = free(
    'point',
    points.map((one) => one.id),
  );
  const made: Point = { id, label, channels: channels.slice(0, 1).map((one) => one.role), target: newTarget('fixed', slots) };
  return { procedure: { ...procedure, points: [...points, made] }, id };
}

/**
 * What still uses a piece: titles of steps, labels of points. It can be left out when nothing does.
 *
 * @example
 * usesOf(procedure, 'slot', 'gas') // ['Choose the bottle', 'Gas on', 'Gas off', 'span']
 */
export function usesOf({ points, steps }: Procedure, piece: Piece, id: string): string[] {
  const ofPoints = points.filter(({ channels, target }) =>
    piece === 'channel' ? channels.includes(id) : piece === 'slot' && slotsOf(target).includes(id),
  );
  const ofSteps = flatSteps(steps).filter(({ step }) => {
    if (piece === 'point') return (step.kind === 'read' || step.kind === 'adjust') && step.points.includes(id);
    if (piece === 'slot')
      return (step.kind === 'reference' && step.slots.includes(id)) || (step.kind === 'stimulus' && step.slot === id);
    return (
      (step.kind === 'bump' && step.channels.includes(id)) ||
      (step.kind === 'care' && step.resets.includes(id)) ||
      (step.kind === 'check' && step.items.some((item) => item.reads?.role === id)) ||
      (step.kind === 'decide' && step.options.some((one) => one.resets?.includes(id) || one.again?.includes(id)))
    );
  });
  return [...new Set([...ofSteps.map(({ step }) => step.title), ...ofPoints.map((one) => one.label)])];
}

const slotsOf = (target: Target): string[] =>
  'slot' in target && target.slot ? [target.slot, ...('others' in target ? (target.others ?? []) : [])] : [];

/** A piece less. Errors: RangeError while something uses it. */
export function leavePieceOut(procedure: Procedure, piece: Piece, id: string): Procedure {
  if (usesOf(procedure, piece, id).length > 0) throw new RangeError(`${piece} ${id} must not be in use`);
  const { channels, slots, points } = procedure;
  if (piece === 'channel') return { ...procedure, channels: channels.filter((one) => one.role !== id) };
  if (piece === 'slot') return { ...procedure, slots: slots.filter((one) => one.id !== id) };
  return { ...procedure, points: points.filter((one) => one.id !== id) };
}
