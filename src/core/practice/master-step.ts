import type { Answer } from '../run/command';
import type { PlannedStep } from '../run/plan-node';
import { readPairs } from '../run/read-pairs';
import { openStimulus } from '../record/state';
import { waitSeconds } from '../run/wait-seconds';
import { handAt } from '../walk/walk-hand';
import type { Attempt, AttemptPlace } from './attempt';
import { command, type Doing, type Memory, type Next } from './doing';
import { faultOf } from './fault';
import { HURRY } from './hurried';

/** So many s of a sensor's own time until nothing moves any more: eight time constants. */
const SETTLED = 80;
/** Refusals by which the sheet says that what is read can't be what stands there: with a sound beaker the probe is broken. */
const BROKEN = ['contradictsBottle', 'notRecognised'];
const plainly = (place: AttemptPlace, present: PlannedStep): Doing[] =>
  handAt(place.run, present, 'good').map((one) => command(one as never));
const slotIn = (place: AttemptPlace, id: string): number => place.run.state.channels.findIndex((one) => one.id === id) + 1;

/** What a master does at a step, and after how long. */
export function stepOf(attempt: Attempt, place: AttemptPlace, present: PlannedStep, memory: Memory): Next {
  const { run } = place;
  const { step, key } = present;
  switch (step.kind) {
    case 'wait':
      return { after: (waitSeconds(step, run.state) + 0.1) * 1000, doing: [command({ type: 'completeStep', step: key })] };
    case 'check': {
      const ways = plainly(place, present).map((one) =>
        one.do === 'command' && one.command.type === 'completeStep' && one.command.answers
          ? command({ ...one.command, answers: honest(place, present, one.command.answers) })
          : one,
      );
      // Figures that so few points can't give are answered with “none”, where the program says so.
      const taken = ways.find((one) => one.do === 'command' && !run.would(one.command)) ?? ways[0]!;
      return { after: 0, doing: [taken] };
    }
    case 'reference':
      return { after: 0, doing: step.slots.flatMap((slot) => goodOne(place, slot)) };
    case 'read':
      return readStep(attempt, place, present, memory);
    case 'adjust':
      return adjustStep(attempt, place, present, memory);
    case 'save':
      return saveStep(attempt, place, present, memory);
    case 'bump':
      return bumpStep(place, present);
    case 'decide':
      return {
        after: 0,
        doing: [command({ type: 'decide', step: key, option: decided(place, present), note: 'as found in practice' })],
      };
    default:
      return { after: 0, doing: plainly(place, present) };
  }
}

/** What is really so, where a fault makes an answer other than the plain one. */
function honest(
  { instrument, run }: AttemptPlace,
  { step }: PlannedStep,
  answers: Record<string, Answer>,
): Record<string, Answer> {
  if (step.kind !== 'check') return answers;
  const hidden = instrument.faults();
  return Object.fromEntries(
    step.items.map((item): [string, Answer] => {
      const plain = answers[item.id]!;
      if (item.output === 'sound' && hidden.some(({ fault }) => faultOf(fault).effect.silent))
        return [item.id, { value: item.answer === 'yesNo' ? 'no' : 'fault', note: 'nothing is heard' }];
      if (item.reads?.figure === 'slope') {
        const channel = run.state.channels.find((one) => one.role === item.reads!.role);
        const gain = hidden
          .filter((one) => one.channel === channel?.id)
          .reduce((share, one) => share * (faultOf(one.fault).effect.gain ?? 1), 1);
        if (plain.value !== 'none' && gain < 1) return [item.id, { value: (98 * gain).toFixed(1) }];
      }
      return [item.id, plain];
    }),
  );
}

/** The good one of the shelf for a place. */
function goodOne({ run, shelf }: AttemptPlace, slot: string): Doing[] {
  const fitting = shelf.filter(
    (one) => (one.id === slot || one.id.startsWith(`${slot}:`)) && !/:(expired|nearly-empty|spare)$/.test(one.id),
  );
  const before = run.state.bindings.filter((one) => one.slot === slot && !one.struck).length;
  const { flows } = run.procedure.slots.find((one) => one.id === slot)!;
  const flow = flows?.[0] ?? '0.5';
  return [
    command({
      type: 'bindReference',
      slot,
      reference: fitting[before % Math.max(1, Math.min(2, fitting.length))]?.id ?? slot,
      flowLPerMin: flow,
    }),
  ];
}

/** Where several things may be decided: to service with what can't be mended here, else what the procedure names first. */
function decided({ instrument }: AttemptPlace, { step, channel }: PlannedStep): string {
  if (step.kind !== 'decide') return '';
  const bad = instrument
    .faults()
    .some((one) => faultOf(one.fault).remedy === 'service' && (!one.channel || !channel || one.channel === channel));
  const way = bad
    ? (step.options.find((one) => one.consequence === 'service') ??
      step.options.find((one) => one.consequence === 'outOfService'))
    : undefined;
  return (way ?? step.options.find((one) => one.id === 'mend') ?? step.options[0]!).id;
}

/** The gas that the present reading is about, where the procedure opens it by a step. */
function gasOf({ run: { procedure } }: AttemptPlace, { step }: PlannedStep): string | undefined {
  if (step.kind !== 'read') return undefined;
  return procedure.points
    .filter((one) => step.points.includes(one.id))
    .flatMap(({ target }) => ('slot' in target && target.slot ? [target.slot] : []))
    .find((slot) => procedure.slots.find((one) => one.id === slot)?.kind === 'gas');
}
const needsGas = (place: AttemptPlace, present: PlannedStep): boolean => {
  const slot = gasOf(place, present);
  return slot !== undefined && place.run.state.stimuli.some((one) => one.slot === slot);
};

/** Gas opened where it is needed, waited for until nothing moves, then what the display shows. */
function readStep(attempt: Attempt, place: AttemptPlace, present: PlannedStep, memory: Memory): Next {
  const { step, key } = present;
  if (step.kind !== 'read') return { after: 0, doing: [] };
  const { run, of } = place;
  const { state } = run;
  const number = of.place;

  if (needsGas(place, present) && !openStimulus(state)) {
    memory.waited = '';
    const slot = gasOf(place, present)!;
    return { after: 0, doing: [command({ type: 'changeStimulus', step: key, slot, on: true })] };
  }
  const slow = attempt
    .at(number)
    .instrument.faults()
    .some(({ fault }) => (faultOf(fault).effect.slower ?? 1) > 1 || (faultOf(fault).effect.reaches ?? 1) < 1);
  const settle = (SETTLED * (slow ? 6 : 1)) / HURRY;
  if (memory.waited !== key) {
    memory.waited = key;
    // Nothing is done while it settles: the reading is taken when the time has come.
    return { after: Math.max(step.exposureSeconds ?? 0, settle) * 1000 + 500, doing: [] };
  }
  memory.waited = '';
  const { readings } = attempt.frame(number);
  const taken = plainly(place, present).map((one) => {
    if (one.do !== 'command' || one.command.type !== 'captureReading') return one;
    const shown = readings[slotIn(place, one.command.channel) - 1]!;
    return command({
      ...one.command,
      ...(shown.status === 'value' ? { text: shown.text } : { text: '', status: shown.status }),
      ...(one.command.inputs?.millivolts !== undefined && shown.raw
        ? { inputs: { ...one.command.inputs, millivolts: shown.raw } }
        : {}),
    });
  });
  const [one] = taken;
  const refused = one?.do === 'command' && one.command.type === 'captureReading' ? run.would(one.command) : null;
  return {
    after: 0,
    doing:
      refused && BROKEN.includes(refused.code)
        ? [command({ type: 'skipStep', step: key, reason: 'broken: it does not tell one liquid from another' })]
        : taken,
  };
}

/** Its own keys first; what they said is what is noted. */
function adjustStep(attempt: Attempt, place: AttemptPlace, present: PlannedStep, memory: Memory): Next {
  const { step, key, channel } = present;
  if (step.kind !== 'adjust') return { after: 0, doing: [] };
  const { run, of } = place;
  const { state, procedure } = run;
  const number = of.place;

  const zero = step.action === 'zero' || step.action === 'fineZero' || step.action === 'quick';
  const channels = [...new Set(readPairs(step, step.together ? undefined : channel, procedure, state).map((one) => one.channel))];
  if (memory.waited !== key) {
    memory.waited = key;
    return {
      after: (SETTLED / HURRY) * 1000,
      doing: channels.map((one): Doing => ({ do: 'press', key: zero ? 'zero' : 'span', slot: slotIn(place, one) })),
    };
  }
  memory.waited = '';
  const passed = (id: string) => {
    const said = attempt.done.findLast(
      (one) => one.act.place === number && one.notices?.some((each) => each.slot === slotIn(place, id)),
    );
    return (
      said?.notices?.some((each) => each.slot === slotIn(place, id) && (each.notice === 'zeroed' || each.notice === 'spanned')) ??
      false
    );
  };
  const took = channels.filter(passed);
  const refused = channels.filter((id) => !passed(id));
  return {
    after: 0,
    doing: [
      ...(took.length ? [command({ type: 'adjust', step: key, channels: took, outcome: 'passed' })] : []),
      ...(refused.length ? [command({ type: 'adjust', step: key, channels: refused, outcome: 'failed' })] : []),
    ],
  };
}

/** Its save key, and whether it said that it kept it. */
function saveStep(attempt: Attempt, place: AttemptPlace, present: PlannedStep, memory: Memory): Next {
  const { step, key } = present;
  if (step.kind !== 'save') return { after: 0, doing: [] };
  const number = place.of.place;

  if (memory.waited !== key) {
    memory.waited = key;
    return { after: 0, doing: [{ do: 'press', key: 'save' }] };
  }
  memory.waited = '';
  const kept = attempt.done
    .findLast((one) => one.act.place === number && one.act.do === 'press')
    ?.notices?.some((one) => one.notice === 'saved');
  return { after: 0, doing: kept ? plainly(place, present) : [command({ type: 'save', step: key, lost: true })] };
}

/** What really moves, and what is really heard. */
function bumpStep(place: AttemptPlace, present: PlannedStep): Next {
  const { step, key } = present;
  if (step.kind !== 'bump') return { after: 0, doing: [] };
  const { state } = place.run;

  const hidden = place.instrument.faults();
  const dead = (id: string) =>
    hidden.some((one) => {
      const { effect } = faultOf(one.fault);
      return (one.channel === id && ((effect.gain ?? 1) < 0.3 || effect.stuck || effect.absent)) || effect.reaches === 0;
    });
  const silent = hidden.some(({ fault }) => faultOf(fault).effect.silent);
  const moved = Object.fromEntries(
    state.channels.filter((one) => one.status === 'fitted').map(({ id }) => [id, { moved: !dead(id), rightWay: !dead(id) }]),
  );
  const outputs = Object.fromEntries(step.outputs.map((one) => [one, !(silent && one === 'sound')]));
  return { after: (SETTLED / HURRY) * 1000, doing: [command({ type: 'bump', step: key, channels: moved, outputs })] };
}
