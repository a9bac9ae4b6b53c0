import type { Difference } from './differences';
import type { Procedure, Step } from './procedure';

type Listed = 'channels' | 'slots' | 'points' | 'schools';
const LIST: Partial<Record<Difference['kind'], { name: Listed; id: 'role' | 'id' }>> = {
  channel: { name: 'channels', id: 'role' },
  slot: { name: 'slots', id: 'id' },
  point: { name: 'points', id: 'id' },
  school: { name: 'schools', id: 'id' },
};

/**
 * A procedure with one part as the other side has it: changed, added at the end of its list, or taken away. An order is taken over for the steps that both have.
 * Errors: none; a part whose group is not there changes nothing.
 *
 * @example
 * takeOver(mine, { key: 'cautions/', kind: 'cautions', text: '', after: '["Mind the gas."]' }).cautions // ['Mind the gas.']
 */
export function takeOver(procedure: Procedure, { key, kind, after }: Difference): Procedure {
  const name = key.slice(key.indexOf('/') + 1);
  const value: unknown = after === undefined ? undefined : JSON.parse(after);
  if (kind === 'head') return value === undefined ? procedure : { ...procedure, [name]: value };
  if (kind === 'cautions') return { ...procedure, cautions: (value as string[] | undefined) ?? [] };
  const list = LIST[kind];
  if (list) return { ...procedure, [list.name]: inList(procedure[list.name] ?? [], list.id, name, value) };
  if (kind === 'order')
    return { ...procedure, steps: ordered(procedure.steps, name.split('/').filter(Boolean), (value as string[]) ?? []) };
  return { ...procedure, steps: inSteps(procedure.steps, name.split('/'), value as Step | undefined) };
}

function inList(list: readonly object[], id: string, name: string, value: unknown): object[] {
  const at = list.findIndex((one) => (one as Record<string, unknown>)[id] === name);
  if (value === undefined) return list.filter((_one, index) => index !== at);
  return at < 0 ? [...list, value as object] : list.map((one, index) => (index === at ? (value as object) : one));
}

function inSteps(steps: readonly Step[], [id, ...rest]: string[], value: Step | undefined): Step[] {
  const at = steps.findIndex((one) => one.id === id);
  if (rest.length)
    return steps.map((one) => (one.id === id && one.kind === 'group' ? { ...one, steps: inSteps(one.steps, rest, value) } : one));
  if (value === undefined) return steps.filter((_one, index) => index !== at);
  const before = steps[at];
  const made = value.kind === 'group' ? { ...value, steps: before?.kind === 'group' ? before.steps : [] } : value;
  return at < 0 ? [...steps, made] : steps.map((one, index) => (index === at ? made : one));
}

function ordered(steps: readonly Step[], [id, ...rest]: string[], ids: readonly string[]): Step[] {
  if (id)
    return steps.map((one) => (one.id === id && one.kind === 'group' ? { ...one, steps: ordered(one.steps, rest, ids) } : one));
  const known = steps.filter((one) => ids.includes(one.id)).sort((a, b) => ids.indexOf(a.id) - ids.indexOf(b.id));
  // What only this side has keeps its place.
  let next = 0;
  return steps.map((one) => (ids.includes(one.id) ? known[next++]! : one));
}
