import { traitsOfWords } from '../instrument/traits';
import type { Component, ComponentDistribution, InfluenceId } from '../uncertainty/component';
import { EVENT_VERSION, type RunEvent } from '../record/event';
import { checkEventData } from './read-event';

export type Lifter = (event: Record<string, unknown>) => Record<string, unknown>;

interface FirstJudgement {
  code: string;
  error: string | null;
  expanded: string | null;
  standard: string | null;
  k: number | null;
  components: { name: string; standard: string; basis: string }[];
  sentence: string;
}
const FIRST: Record<string, [InfluenceId, ComponentDistribution]> = {
  reference: ['reference', 'normal'],
  resolution: ['resolution', 'rectangular'],
  settling: ['settling', 'rectangular'],
};

/** Version 1 had components of a name and a standard uncertainty, and the sentence; figures stay what they were. */
function judgementOfVersion1(event: Record<string, unknown>): Record<string, unknown> {
  if (event.type !== 'readingCaptured') return event;
  const data = event.data as { judgement: FirstJudgement; target: { value: string } | null };
  const { components, sentence, code, standard, ...rest } = data.judgement;
  const budget = components.map(({ name, standard: size, basis }): Component => {
    const [id, distribution] = FIRST[name] ?? ['repeatability', 'normal'];
    const figure = Number(size);
    const bounds =
      distribution === 'rectangular' ? { half: Number((figure * Math.sqrt(3)).toPrecision(6)) } : { expanded: 2 * figure, k: 2 };
    const basisFact = { code: 'basis.recorded' as const, numbers: { basis } };
    return {
      id,
      basis: basisFact,
      kind: 'B',
      distribution,
      ...bounds,
      standard: figure,
      sensitivity: 1,
      dof: null,
      contribution: figure,
    };
  });
  const codes: Record<string, string> = { noNumber: 'fault', observed: 'watched' };
  return {
    ...event,
    data: {
      ...data,
      judgement: {
        ...rest,
        code: codes[code] ?? code,
        reference: data.target?.value ?? null,
        budget,
        standard: standard === null ? null : Number(standard),
        effectiveDof: null,
        coverage: 0.9545,
        why: { code: 'basis.recorded', numbers: { basis: sentence } },
      },
    },
  };
}

/** Version 2 kept what it knew of a model as a list of words, and the order among them. A bump was a procedure of its own, not an order. */
function traitsOfVersion2(event: Record<string, unknown>): Record<string, unknown> {
  if (event.type !== 'started') return event;
  const data = event.data as { items: { properties: string[] }[] };
  const asFoundOnly = data.items.some((item) => item.properties.includes('as-found-only'));
  return {
    ...event,
    data: {
      ...data,
      service: asFoundOnly ? 'asFoundOnly' : 'calibrate',
      items: data.items.map(({ properties, ...item }) => ({ ...item, traits: traitsOfWords(properties) })),
    },
  };
}

/** Version 3 knew what a bump led to by the option's name alone. */
function bumpOfVersion3(event: Record<string, unknown>): Record<string, unknown> {
  if (event.type !== 'decided') return event;
  const data = event.data as { question: string; option: string };
  if (data.question !== 'afterBump') return event;
  return { ...event, data: { ...data, consequence: data.option === 'out' ? 'outOfService' : 'calibrate' } };
}

/** From version n to n + 1. */
const LIFTERS: Record<number, Lifter> = { 1: judgementOfVersion1, 2: traitsOfVersion2, 3: bumpOfVersion3 };

/**
 * Brings a stored event up to today's version, one step at a time, and checks it. Errors: RangeError for a version from the future or without a way up, and for data that its type does not allow.
 */
export function lift(
  stored: Record<string, unknown>,
  lifters: Record<number, Lifter> = LIFTERS,
  today = EVENT_VERSION,
): RunEvent {
  let event = stored;
  let version = Number(event.version);
  if (!(version >= 1 && version <= today)) throw new RangeError(`version must be 1 to ${today}, got ${String(event.version)}`);
  for (; version < today; version += 1) {
    const lifter = lifters[version];
    if (!lifter) throw new RangeError(`version ${version} has no way up to ${version + 1}`);
    event = { ...lifter(event), version: version + 1 };
  }
  checkEventData(String(event.type), event.data);
  return event as unknown as RunEvent;
}
