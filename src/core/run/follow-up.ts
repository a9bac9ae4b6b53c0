import { FOLLOWS, isBad, isEnding, type Follow } from '../procedure/follow';
import type { CheckItem, DecideOption, Step } from '../procedure/procedure';
import { say } from '../words/say';
import type { RunState } from '../record/state';

/** A step of which an outcome may be bad. */
export type Watched = Extract<Step, { kind: 'check' | 'bump' }>;
/** How often a thing may be mended and looked at again before it has to be decided otherwise. */
const MOST_LOOKS = 3;

/** Something bad in one look at a step. */
export interface BadThing {
  what: string;
  answer: string;
  note?: string;
  item?: CheckItem;
  follows: Follow[];
}

export const lookKey = (key: string, look: number) => (look === 1 ? key : `${key}~${look}`);
export const decisionKey = (key: string) => `${key}!`;

export const canBeBad = (step: Step): step is Watched =>
  (step.kind === 'check' && step.items.some((item) => typeof item.bad === 'object')) ||
  (step.kind === 'bump' && step.follows !== undefined);

/** What was bad in one look at a step; nothing for a look that was not taken. */
export function badIn(step: Watched, key: string, state: RunState): BadThing[] {
  if (step.kind === 'bump')
    return state.bumps
      .filter((bump) => bump.step === key && bump.outcome === 'failed')
      .map((bump) => ({ what: step.title, answer: (bump.reasons ?? []).join(' '), follows: step.follows ?? [] }));
  return step.items.flatMap((item) => {
    const given = state.answers[`${key}/${item.id}`];
    if (!given || typeof item.bad !== 'object' || !isBad(item.bad, given)) return [];
    return [
      {
        what: item.label,
        answer: given.value,
        ...(given.note ? { note: given.note } : {}),
        item,
        follows: item.bad.follows,
      },
    ];
  });
}

/** The decision that a look with something bad opens: what every bad thing of it allows. After the last look nothing is mended any more. */
export function decisionOn(step: Watched, bad: BadThing[], look: number): Extract<Step, { kind: 'decide' }> {
  const follows = FOLLOWS.filter((one) => bad.every((thing) => thing.follows.includes(one)));
  const left = follows.filter((one) => one !== 'mend' || look < MOST_LOOKS);
  const resets = [...new Set(bad.flatMap((one) => (typeof one.item?.bad === 'object' ? (one.item.bad.resets ?? []) : [])))];
  return {
    id: step.id,
    kind: 'decide',
    title: say({ code: 'follow.title', numbers: { what: bad.map((one) => one.what).join('; ') } }),
    reason: step.reason ?? say({ code: 'follow.reason' }),
    question: 'follows',
    options: left.map((id): DecideOption => ({
      id,
      label: say({ code: `follow.${id}` }),
      ...(isEnding(id) || id === 'calibrate' ? { consequence: id } : {}),
      ...(id === 'mend' || id === 'remark' ? { needsNote: true } : {}),
      ...(id === 'mend' && resets.length ? { resets } : {}),
    })),
  };
}
