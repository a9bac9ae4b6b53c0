import { describe, expect, it } from 'vitest';
import { family04 } from '@/procedures/family-04-four-gas-leak-monitor';
import { PROCEDURES } from '@/procedures';
import { addPiece, leavePieceOut, newTarget, TARGET_KINDS, usesOf } from './edit-pieces';
import { validateProcedure } from './validate-procedure';

describe('pieces of a procedure', () => {
  it('are added with ids of their own, and what is added alone leaves every shipped procedure sound', () => {
    for (const procedure of PROCEDURES) {
      const slot = addPiece(procedure, 'slot', 'Second bottle');
      const again = addPiece(slot.procedure, 'slot', 'Third bottle');
      const point = addPiece(again.procedure, 'point', 'Half scale');
      const channel = addPiece(point.procedure, 'channel', 'Ammonia');
      expect(new Set([slot.id, again.id]).size).toBe(2);
      // What is new says of itself what it still lacks.
      expect(validateProcedure(channel.procedure), procedure.id).toEqual(['channel “Ammonia” measures nothing']);
      const back = leavePieceOut(leavePieceOut(channel.procedure, 'channel', channel.id), 'point', point.id);
      expect(leavePieceOut(leavePieceOut(back, 'slot', again.id), 'slot', slot.id)).toEqual(procedure);
    }
  });
  it('in use are not left out, and it is said where they are used', () => {
    for (const procedure of PROCEDURES)
      for (const [piece, ids] of [
        ['channel', procedure.channels.map((one) => one.role)],
        ['slot', procedure.slots.map((one) => one.id)],
        ['point', procedure.points.map((one) => one.id)],
      ] as const)
        for (const id of ids) {
          const uses = usesOf(procedure, piece, id);
          // What usesOf says decides: without it the validator would find a name that is not defined.
          const without = {
            ...procedure,
            channels: procedure.channels.filter((one) => piece !== 'channel' || one.role !== id),
            slots: procedure.slots.filter((one) => piece !== 'slot' || one.id !== id),
            points: procedure.points.filter((one) => piece !== 'point' || one.id !== id),
          };
          const undefinedThen = validateProcedure(without).length > validateProcedure(procedure).length;
          if (undefinedThen) expect(uses, `${procedure.id} ${piece} ${id}`).not.toEqual([]);
          if (uses.length) expect(() => leavePieceOut(procedure, piece, id)).toThrow(RangeError);
        }
    expect(usesOf(family04, 'slot', family04.slots[0]!.id).length).toBeGreaterThan(2);
  });
  it('a target of every kind names a place that there is', () => {
    for (const kind of TARGET_KINDS) {
      const made = addPiece(family04, 'point', 'x');
      const points = made.procedure.points.map((one) =>
        one.id === made.id ? { ...one, target: newTarget(kind, family04.slots) } : one,
      );
      expect(validateProcedure({ ...made.procedure, points }), kind).toEqual([]);
    }
  });
});
