import { differenceInMilliseconds, parseISO } from 'date-fns';
import { Dec } from '../quantity/decimal';
import { pointed } from '../quantity/pointed';
import type { Command } from './command';
import { checkReference } from './check-reference';
import type { Fact } from '../words/say';
import { deviated } from './deviated';
import '@/core/words/en/deviations';
import type { EventDraft } from '../record/event';
import type { Handling } from './handling';
import { at, stepInTurn } from './step-in-turn';
import { currentSteps } from './plan';
import { refused } from '../words/refused';
import { isRefusal, refuse, type Refusal } from '../words/refusal';
import type { ReferenceSnapshot } from '../record/reference-snapshot';
import { secondsOnPaper } from './paper';
import { matchRegulator } from '../supply/match-regulator';
import { boundReference, measuredChannels, openStimulus, traitsOf } from '../record/state';

const LIQUID: string[] = ['buffer', 'standard'];

/** The first dip into a liquid books the dose that was poured; it serves the rest of the run and is then thrown away. */
function dose(binding: number, reference: ReferenceSnapshot, { state }: Handling): { litres?: string } {
  const ml = reference.detail?.doseMl;
  if (!ml || state.stimuli.some((span) => span.binding === binding)) return {};
  return { litres: new Dec(ml).div(1000).toFixed() };
}

/** A reference may be chosen in its step, and changed later (a bottle that runs out): both stay on record. */
export function handleBind(command: Extract<Command, { type: 'bindReference' }>, handling: Handling): EventDraft[] | Refusal {
  const { procedure, state, context, draft } = handling;
  const slot = procedure.slots.find((candidate) => candidate.id === command.slot);
  if (!slot) return refuse('noSlot', 'This procedure has no such place for a reference.');
  const reference = context.references[command.reference];
  if (!reference) return refuse('unknownReference', 'This reference is not on the shelf.', { field: 'reference' });
  const problem = checkReference({ reference, slot, channels: measuredChannels(state), today: context.today });
  if (problem) return problem;
  const needsFlow = slot.kind === 'gas';
  const fed = needsFlow && command.regulator ? regulatorFor(command.regulator, reference, handling) : null;
  if (isRefusal(fed)) return fed;
  const flow = fed?.flowLPerMin ?? (command.flowLPerMin === undefined ? undefined : pointed(command.flowLPerMin));
  if (needsFlow && !(Number(flow) > 0 && Number(flow) <= 10))
    return refuse('noFlow', 'Type the regulator’s flow in L/min (0.3, 0.5, 1.0 …).', { field: 'flowLPerMin' });
  if (needsFlow && slot.flows && !slot.flows.some((one) => Number(one) === Number(flow)))
    return refused('flow', { slot: slot.label, flows: slot.flows.join(', '), flow: flow! }, 'flowLPerMin');
  if (openStimulus(state, slot.id)) return refuse('gasOpen', 'Close the gas before the bottle is changed.');
  const step = currentSteps(procedure, state).find(
    (candidate) => candidate.step.kind === 'reference' && candidate.step.slots.includes(slot.id),
  );
  const bound = draft(
    'referenceBound',
    { slot: slot.id, reference, ...(needsFlow ? { flowLPerMin: flow! } : {}), ...(fed ? { regulator: fed.regulator } : {}) },
    step ? at(step) : undefined,
  );
  const said = fed?.caution
    ? [
        deviated(
          { draft },
          { code: 'deviation.regulator', numbers: { regulator: fed.regulator.name } },
          fed.caution,
          step ? at(step) : undefined,
        ),
      ]
    : [];
  if (!step || step.step.kind !== 'reference') return [bound, ...said];
  const open = step.step.slots.filter((id) => id !== slot.id && !boundReference(state, id));
  return open.length ? [bound, ...said] : [bound, ...said, draft('stepDone', {}, at(step))];
}

/** The regulator as it stands on the shelf: overdue or taken out of use is refused, an ill-suited one is a deviation on record. */
function regulatorFor(
  id: string,
  bottle: ReferenceSnapshot,
  { state, context }: Handling,
): { flowLPerMin: string; caution: Fact | null; regulator: { id: string; name: string; lot: string } } | Refusal {
  const regulator = context.references[id];
  const beside = { field: 'regulator' };
  if (!regulator || regulator.role !== 'regulator') return refuse('noRegulator', 'This regulator is not on the shelf.', beside);
  if (regulator.expires && regulator.expires < context.today)
    return refuse('overdue', `${regulator.name} ${regulator.lot} was due for its check on ${regulator.expires}.`, beside);
  const traits = traitsOf(state);
  const advice = matchRegulator({ regulator, bottle, traits });
  if (advice.verdict === 'refused') return refuse(advice.code, advice.sentence, beside);
  // With a demand regulator the pump sets the flow: what it draws is a figure of the model, else the usual one.
  return {
    flowLPerMin: advice.code === 'demandFits' && traits.drawsLPerMin ? traits.drawsLPerMin : advice.flowLPerMin!,
    caution: cautionOf(advice),
    regulator: { id: regulator.id, name: regulator.name, lot: regulator.lot },
  };
}

/** Why a regulator that may be used should not be. */
function cautionOf({ verdict, code }: ReturnType<typeof matchRegulator>): Fact | null {
  if (verdict !== 'caution') return null;
  return { code: code === 'pumpOff' ? 'deviation.pumpOff' : 'deviation.fixedOnPump' };
}

/** Gas on or off. Off books the litres: flow times time. Off is always possible, whatever step the run is in. */
export function handleStimulus(
  command: Extract<Command, { type: 'changeStimulus' }>,
  handling: Handling,
): EventDraft[] | Refusal {
  const { procedure, state, context, draft } = handling;
  const slot = procedure.slots.find((candidate) => candidate.id === command.slot);
  if (!slot) return refuse('noSlot', 'This procedure has no such place for a reference.');
  const span = openStimulus(state, slot.id);
  if (command.on && span) return refuse('alreadyOn', 'It is open already.');
  const inTurn = stepInTurn(command.step, handling);
  const step =
    'refused' in inTurn || inTurn.step.kind !== 'stimulus' || inTurn.step.on !== command.on || inTurn.step.slot !== slot.id
      ? null
      : inTurn;
  if (!command.on && !span) {
    // Closed before its turn, by the gas bar's key: the step that asks for it has nothing left to do.
    return step ? [draft('stepDone', {}, at(step))] : refuse('alreadyOff', 'It is closed already.');
  }
  if (command.on) {
    const last = state.stimuli.filter((one) => one.slot === slot.id).at(-1);
    // Closed before its time, for another bottle or a break: the step that needs it is still going on.
    const again = last?.closedEarly === true && !('refused' in inTurn) && inTurn.step.kind !== 'stimulus';
    if (!step && !again) return refuse('notNow', 'No step asks for it now.');
    const other = state.stimuli.find((one) => one.offAt === null && one.slot !== slot.id);
    const otherSlot = procedure.slots.find((one) => one.id === other?.slot);
    if (slot.kind === 'gas' && otherSlot?.kind === 'tool')
      return refuse('filterOn', `Take off the ${otherSlot.label} first: it must never be in line with gas.`);
    const binding = boundReference(state, slot.id);
    if (otherSlot && LIQUID.includes(otherSlot.kind) && LIQUID.includes(slot.kind))
      return refuse('stillIn', `The probe is still in the ${otherSlot.label}: lift it out and rinse first.`);
    if (!binding && (slot.kind === 'gas' || LIQUID.includes(slot.kind)))
      return refuse('noReference', `Choose the ${slot.label} first.`);
    if (binding?.reference.expires && binding.reference.expires < context.today)
      return refuse('expired', `${binding.reference.name} has expired meanwhile.`);
    if (binding?.reference.openedUntil && binding.reference.openedUntil < context.today)
      return refuse('opened', `${binding.reference.name} is past its life after opening (${binding.reference.openedUntil}).`);
  }
  const binding = boundReference(state, slot.id);
  const now = context.origin?.occurredAt ?? context.now;
  const passed = span ? Math.max(0, differenceInMilliseconds(parseISO(now), parseISO(span.onAt))) / 60000 : 0;
  // Keys are pressed faster than gas flows: from paper at least what the procedure asks for is booked.
  const minutes = span && state.paper ? Math.max(passed, secondsOnPaper(procedure) / 60) : passed;
  const litres =
    span && binding?.flowLPerMin ? { litres: new Dec(binding.flowLPerMin).times(minutes).toDecimalPlaces(3).toFixed() } : {};
  const poured = command.on && binding && LIQUID.includes(slot.kind) ? dose(binding.seq, binding.reference, handling) : {};
  const means = step?.step.kind === 'stimulus' ? step.step.means : (span?.means ?? 'gas');
  const changed = draft(
    'stimulusChanged',
    { slot: slot.id, means, on: command.on, ...litres, ...poured },
    step ? at(step) : undefined,
  );
  return step ? [changed, draft('stepDone', {}, at(step))] : [changed];
}
