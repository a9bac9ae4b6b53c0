import { Dec } from '../quantity/decimal';
import { flatSteps } from '../procedure/flat-steps';
import { ownId } from '../record/step-key';
import { readingsOf } from '../run/handle-readings';
import { INCIDENTS, HEED_WITHIN_SECONDS, rightChoice } from './incident';
import type { Attempt, AttemptPlace, Done } from './attempt';
import type { Finding, FindingCode } from './finding';
import { isWrongBottle } from './practice-shelf';

/** One finding of an attempt, before what all of a kind cost at most. */
export type Found = Omit<Finding, 'points'> & { points?: number };
type Numbers = Finding['numbers'];

const found = (code: FindingCode, place: AttemptPlace, done: number | null, numbers: Numbers = {}): Found => ({
  code,
  place: place.of.place,
  done,
  numbers,
});
/** Gas that nobody uses any more is shut within so many s (of the tenth that practice takes). */
const SHUT_WITHIN_SECONDS = 15;
/** A reading is what was shown, up to so many steps of the display. */
const STEPS_OFF = 3;
const TRIES = 3;

/** What was done at one place, in its order, with its number among all. */
const doneAt = (attempt: Attempt, { of }: AttemptPlace): { one: Done; index: number }[] =>
  attempt.done.map((one, index) => ({ one, index })).filter(({ one }) => one.act.place === of.place);

/** Bottles that expired or don't suffice, chosen or only tried. */
export const wrongBottles = (attempt: Attempt, place: AttemptPlace): Found[] =>
  doneAt(attempt, place).flatMap(({ one: { act }, index }) =>
    act.do === 'command' && act.command.type === 'bindReference' && isWrongBottle(act.command.reference)
      ? [found('wrongBottle', place, index, { lot: act.command.reference })]
      : [],
  );

/** Readings typed before gas or liquid had acted, and figures that no display showed. */
export function readingsTaken(attempt: Attempt, place: AttemptPlace): Found[] {
  return doneAt(attempt, place).flatMap(({ one, index }): Found[] => {
    if (one.act.do !== 'command' || one.refusal) return [];
    return readingsOf(one.act.command).flatMap((reading): Found[] => {
      const channel = place.run.state.channels.find(({ id }) => id === reading.channel);
      const shown = one.shown?.[reading.channel];
      const label = channel?.label ?? reading.channel;
      const cut = reading.deviation ? [found('exposureCut', place, index, { step: one.title, channel: label })] : [];
      const said = (reading.status ?? 'value') === 'value' ? reading.text : reading.status!;
      return channel && shown !== undefined && differs(said, shown, channel.resolution, one.jumps?.[reading.channel] ?? 0)
        ? [...cut, found('notAsShown', place, index, { channel: label, said, shown })]
        : cut;
    });
  });
}

function differs(said: string, shown: string, resolution: string, jumps: number): boolean {
  if (said === shown || said === 'flicker') return false;
  const [a, b] = [Number(said), Number(shown)];
  if (Number.isNaN(a) || Number.isNaN(b)) return true;
  // One that jumps about showed both a moment apart.
  return new Dec(said)
    .minus(shown)
    .abs()
    .gt(new Dec(resolution).times(STEPS_OFF).plus(Math.abs(b) * 2 * jumps));
}

/** A valve that stood open although nobody read, set or watched anything any more. */
export function valvesForgotten(attempt: Attempt, place: AttemptPlace): Found[] {
  const { run } = place;
  const isGas = (slot: string) => run.procedure.slots.find((one) => one.id === slot)?.kind === 'gas';
  const all = doneAt(attempt, place);
  const last = attempt.done.at(-1)?.act.at ?? 0;
  return run.state.stimuli
    .filter((span) => isGas(span.slot))
    .flatMap((span): Found[] => {
      const opened = all.find(({ one }) => one.seqBefore < span.onSeq && span.onSeq <= one.seq);
      const closed = all.find(({ one }) => span.offSeq !== null && one.seqBefore < span.offSeq && span.offSeq <= one.seq);
      const used = all.findLast(
        ({ one, index }) =>
          index > (opened?.index ?? 0) &&
          index < (closed?.index ?? Infinity) &&
          !one.refusal &&
          (one.act.do === 'press' ||
            one.act.do === 'look' ||
            one.act.do === 'mend' ||
            (one.act.do === 'command' && USES.has(one.act.command.type))),
      );
      const seconds = Math.round(((closed?.one.act.at ?? last) - (used ?? opened)!.one.act.at) / 1000);
      // Before anything was read it is waited for: that is the exposure.
      if (!used && closed) return [];
      return closed && seconds <= SHUT_WITHIN_SECONDS
        ? []
        : [found('forgottenValve', place, used?.index ?? opened?.index ?? null, { seconds })];
    });
}
const USES = new Set(['captureReading', 'captureReadings', 'adjust', 'bump', 'save']);

/** What was dangerous and not heeded in time, with gas shut first; and steps with a caution that were left out. */
export function cautionsPassed(attempt: Attempt, place: AttemptPlace): Found[] {
  const all = doneAt(attempt, place);
  const skipped = all.flatMap(({ one, index }): Found[] => {
    if (one.act.do !== 'command' || one.act.command.type !== 'skipStep' || one.refusal) return [];
    return hasCaution(place, one.step) ? [found('cautionPassed', place, index, { what: one.title })] : [];
  });
  const { incident } = place.of;
  if (!incident || place.incidentAt === null) return skipped;
  const heed = all.find(({ one }) => one.act.do === 'heed' && one.act.at >= place.incidentAt!);
  const about = { incident: incident.incident, choice: heed?.one.act.do === 'heed' ? heed.one.act.choice : 'nothing' };
  const seconds = Math.round(((heed?.one.act.at ?? Infinity) - place.incidentAt) / 1000);
  const right = about.choice === rightChoice(incident.incident) && seconds <= HEED_WITHIN_SECONDS;
  const shut = !INCIDENTS[incident.incident].closesGas || !heed || !wasOpenAt(place, heed.one.seqBefore);
  return right && shut
    ? skipped
    : [...skipped, found('cautionPassed', place, heed?.index ?? null, { ...about, seconds: heed ? seconds : '–' })];
}

const wasOpenAt = ({ run }: AttemptPlace, seq: number): boolean =>
  run.state.stimuli.some(
    (one) =>
      one.onSeq <= seq &&
      (one.offSeq === null || one.offSeq > seq) &&
      run.procedure.slots.find(({ id }) => id === one.slot)?.kind === 'gas',
  );

const stepsAt = ({ run }: AttemptPlace, key: string | null) =>
  key === null ? [] : flatSteps(run.procedure.steps).filter(({ step }) => step.id === ownId(key));
const hasCaution = (place: AttemptPlace, key: string | null): boolean =>
  stepsAt(place, key).some(({ step }) => step.caution !== undefined);

/** Keys: said to have passed without having been pressed, a third try without having looked, a save that nothing proved. */
export function keysPressed(attempt: Attempt, place: AttemptPlace): Found[] {
  const out: Found[] = [];
  const failed = new Map<number, number>();
  const passed = new Set<number>();
  let saved = false;
  const slotOf = (id: string) => place.run.state.channels.findIndex((one) => one.id === id) + 1;
  for (const { one, index } of doneAt(attempt, place)) {
    const { act } = one;
    if (act.do === 'look' || act.do === 'mend' || act.do === 'diagnose') failed.clear();
    if (act.do === 'press') {
      saved = one.notices?.some((each) => each.notice === 'saved') ?? false;
      for (const { notice, slot } of one.notices ?? []) {
        if (slot === undefined) continue;
        if (notice === 'zeroed' || notice === 'spanned') {
          passed.add(slot);
          failed.delete(slot);
        } else {
          passed.delete(slot);
          failed.set(slot, (failed.get(slot) ?? 0) + 1);
          if (failed.get(slot) === TRIES)
            out.push(found('silentThirdTry', place, index, { channel: place.run.state.channels[slot - 1]?.label ?? slot }));
        }
      }
    }
    if (act.do !== 'command' || one.refusal) continue;
    const { command } = act;
    if (command.type === 'decide') failed.clear();
    if (command.type === 'adjust') {
      const unproved = command.channels.filter((id) => command.outcome === 'passed' && !passed.has(slotOf(id)));
      for (const id of unproved)
        out.push(
          found('keyNotPressed', place, index, { channel: place.run.state.channels.find((each) => each.id === id)?.label ?? id }),
        );
      command.channels.forEach((id) => passed.delete(slotOf(id)));
    }
    const skipsSave = command.type === 'skipStep' && isSave(place, one.step);
    if ((command.type === 'save' && !command.lost && !saved) || skipsSave)
      out.push(found('saveNotProved', place, index, { step: one.title }));
  }
  return out;
}

const isSave = (place: AttemptPlace, key: string | null): boolean => stepsAt(place, key).some(({ step }) => step.kind === 'save');

/** Zeros that were set while gas was open at another place. */
export const zeroesBesideGas = (attempt: Attempt, place: AttemptPlace): Found[] =>
  doneAt(attempt, place).flatMap(({ one: { act, notices }, index }) => {
    if (act.do !== 'press' || act.key !== 'zero' || !notices?.length) return [];
    const beside = attempt.places.find((other) => other !== place && openBetween(attempt, other, index));
    return beside ? [found('zeroBesideGas', place, index, { other: beside.of.place })] : [];
  });

/** Whether gas was open at a place when a thing was done elsewhere. */
function openBetween(attempt: Attempt, other: AttemptPlace, index: number): boolean {
  const before = attempt.done.slice(0, index).findLast((one) => one.act.place === other.of.place);
  return before !== undefined && wasOpenAt(other, before.seq);
}
