import type { Procedure, Step } from './procedure';

export const PIECE_KINDS = ['head', 'channel', 'slot', 'point', 'step', 'order', 'cautions', 'school'] as const;
export type PieceKind = (typeof PIECE_KINDS)[number];

/** A part of a procedure that can differ by itself: its name says which, `text` how people know it. */
export interface Piece {
  key: string;
  kind: PieceKind;
  text: string;
  value: string;
}

/** One part that differs: left out on a side where it isn't there. */
export interface Difference {
  key: string;
  kind: PieceKind;
  text: string;
  before?: string;
  after?: string;
}

const HEAD = ['title', 'method', 'scope', 'warmUpSeconds'] as const;

/**
 * The parts of a procedure, each with its content as canonical text. A group is a part without its steps; the order of each list of steps is a part of its own.
 *
 * @example
 * pieces(family4).find((one) => one.key === 'step/try/zero')?.text // 'Zero'
 */
export function pieces(procedure: Procedure): Piece[] {
  const piece = (kind: PieceKind, name: string, text: string, value: unknown): Piece => ({
    kind,
    key: `${kind}/${name}`,
    text,
    value: canonical(value),
  });
  const stepsOf = (steps: readonly Step[], path: string, text: string): Piece[] => [
    piece(
      'order',
      path,
      text,
      steps.map((one) => one.id),
    ),
    ...steps.flatMap((step) => {
      const at = path ? `${path}/${step.id}` : step.id;
      if (step.kind !== 'group') return [piece('step', at, step.title, step)];
      const { steps: inner, ...group } = step;
      return [piece('step', at, step.title, group), ...stepsOf(inner, at, step.title)];
    }),
  ];
  return [
    ...HEAD.map((name) => piece('head', name, String(procedure[name]), procedure[name])),
    ...procedure.channels.map((one) => piece('channel', one.role, one.label, one)),
    ...procedure.slots.map((one) => piece('slot', one.id, one.label, one)),
    ...procedure.points.map((one) => piece('point', one.id, one.label, one)),
    ...stepsOf(procedure.steps, '', procedure.title),
    piece('cautions', '', procedure.title, procedure.cautions),
    ...(procedure.schools ?? []).map((one) => piece('school', one.id, one.label, one)),
  ];
}

const canonical = (value: unknown): string =>
  JSON.stringify(value, (_key, one: unknown) =>
    one && typeof one === 'object' && !Array.isArray(one)
      ? Object.fromEntries(Object.entries(one).sort(([a], [b]) => (a < b ? -1 : 1)))
      : one,
  );

/**
 * What differs between two versions of a procedure, part by part, in the order of the later one.
 * Errors: none.
 *
 * @example
 * differences(family4, { ...family4, title: 'Ours' }) // [{ key: 'head/title', kind: 'head', text: 'Ours', before: '"Four-gas …"', after: '"Ours"' }]
 */
export function differences(before: Procedure, after: Procedure): Difference[] {
  const [old, now] = [pieces(before), pieces(after)];
  const was = new Map(old.map((one) => [one.key, one]));
  const is = new Map(now.map((one) => [one.key, one]));
  return [
    ...now.flatMap(({ key, kind, text, value }): Difference[] => {
      const earlier = was.get(key);
      if (earlier?.value === value) return [];
      return [{ key, kind, text, ...(earlier ? { before: earlier.value } : {}), after: value }];
    }),
    ...old.flatMap(({ key, kind, text, value }): Difference[] => (is.has(key) ? [] : [{ key, kind, text, before: value }])),
  ];
}

/** A correction of what was copied from: one that both sides changed is a choice, not a matter of course. */
export interface Correction extends Difference {
  both: boolean;
}

/**
 * What changed in the shipped procedure since it was copied, and whether the copy changed the same part otherwise. Parts that the copy has already are left out.
 * Errors: none.
 *
 * @example
 * corrections({ base: family4, theirs: family4, mine }) // []
 */
export function corrections({ base, theirs, mine }: { base: Procedure; theirs: Procedure; mine: Procedure }): Correction[] {
  const own = new Map(pieces(mine).map((one) => [one.key, one.value]));
  const old = new Map(pieces(base).map((one) => [one.key, one.value]));
  return differences(base, theirs)
    .filter(({ key, after }) => own.get(key) !== after)
    .map((one) => ({ ...one, both: own.get(one.key) !== old.get(one.key) }));
}
