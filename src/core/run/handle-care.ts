import type { CareMaterial } from '../procedure/procedure';
import { say } from '../words/say';
import type { Command } from './command';
import type { CareUsed, EventDraft } from '../record/event';
import type { Handling } from './handling';
import type { ReferenceSnapshot } from '../record/reference-snapshot';
import { isRefusal, refuse, type Refusal } from '../words/refusal';
import { refused } from '../words/refused';
import { at, stepInTurn } from './step-in-turn';
import '@/core/words/en/care';
import '@/core/words/en/refusals-acts';

/** A care action with what of the shelf it took. Something else may have been used: then a note says what. */
export function handleCare(command: Extract<Command, { type: 'care' }>, handling: Handling): EventDraft[] | Refusal {
  const step = stepInTurn(command.step, handling);
  if ('refused' in step) return step;
  if (step.step.kind !== 'care') return refuse('notNow', 'This step is no care action.');
  const note = command.note?.trim();
  const used = usedOf(step.step.uses ?? [], command.materials ?? [], note, handling);
  if (isRefusal(used)) return used;
  const { action, resets } = step.step;
  return [
    handling.draft('cared', { action, resets, ...(note ? { note } : {}), ...(used.length ? { used } : {}) }, at(step)),
    handling.draft('stepDone', {}, at(step)),
  ];
}

function usedOf(
  takes: readonly CareMaterial[],
  chosen: readonly string[],
  note: string | undefined,
  { context }: Handling,
): CareUsed[] | Refusal {
  const used: CareUsed[] = [];
  for (const id of chosen) {
    const reference = context.references[id];
    const role = takes.find((one) => one === reference?.role);
    if (!reference || !role) return refused('careOther', { name: reference?.name ?? id }, 'materials');
    const why = careMaterialSpent(reference, context.today);
    if (why) return refused('careSpent', { name: reference.name, lot: reference.lot, why }, 'materials');
    used.push({
      id,
      role,
      name: reference.name,
      lot: reference.lot,
      ...(reference.expires ? { expires: reference.expires } : {}),
    });
  }
  const missing = takes.find((role) => !used.some((one) => one.role === role));
  if (missing && !note) return refused('careMaterial', { what: say({ code: `care.${missing}` }) }, 'materials');
  return used;
}

/**
 * Why a solution or part of the shelf must not be used any more, by the later of its dates; null where nothing speaks against it. `today`: calendar date in the workshop's zone.
 *
 * @example
 * careMaterialSpent({ ...bottle, expires: '2026-10-31' }, '2026-11-27') // 'expired on 2026-10-31'
 */
export function careMaterialSpent(
  reference: Pick<ReferenceSnapshot, 'expires' | 'openedUntil' | 'recalled' | 'unusable'>,
  today: string,
): string | null {
  if (reference.recalled) return say({ code: 'care.recalled', numbers: { why: reference.recalled } });
  if (reference.unusable) return reference.unusable;
  if (reference.expires && reference.expires < today) return say({ code: 'care.expired', numbers: { on: reference.expires } });
  if (reference.openedUntil && reference.openedUntil < today)
    return say({ code: 'care.opened', numbers: { on: reference.openedUntil } });
  return null;
}
