import type { Answer } from '../run/command';
import { readPairs, type PlannedStep } from '../run/plan';
import { openStimulus } from '../record/state';
import { waitSeconds } from '../run/wait-seconds';
import { handAt } from '../walk/walk-hand';
import type { Act } from './act';
import { Attempt, type AttemptPlace } from './attempt';
import type { Exercise } from './exercise';
import { faultOf, type Hidden } from './fault';
import { HURRY } from './hurried';
import { rightChoice } from './incident';
import { SPARE } from './practice-instrument';

/** A hand does one thing in so many ms. */
const HAND_MS = 2000;
/** So many s of a sensor's own time until nothing moves any more: eight time constants. */
const SETTLED = 80;
const MOST = 1200;
/** Refusals by which the sheet says that what is read can't be what stands there: with a sound beaker the probe is broken. */
const BROKEN = ['contradictsBottle', 'notRecognised'];
export type Doing = Act extends infer One ? (One extends Act ? Omit<One, 'at' | 'place'> : never) : never;

/** What a master does next at a place: after so many ms, this. Null when all is done there. */
export interface Next {
  after: number;
  doing: Doing[];
}

/** What a pilot does otherwise than a master: each thing that comes next, changed or as it is; and whether zeros wait for gas beside them. */
export interface Habit {
  change: (next: Next, at: { attempt: Attempt; place: AttemptPlace; present: PlannedStep | undefined }) => Next;
  zeroesBesideGas?: true;
}

/** What a master remembers of a place. */
interface Memory {
  diagnosed: boolean;
  looked: Set<string>;
  /** The step whose time was waited for. */
  waited: string;
}

/**
 * An exercise as a master would work it: what is none of the instrument's is put right first, as found is read before anything is set, each reading when it stands still, keys are pressed before the sheet says so, what was
 * found is named. `habit`: what a pilot does otherwise, for tests. With several places whoever is ready first is served, and nothing is zeroed while gas is open beside it.
 * Errors: none; what can't be ended is left where it stood.
 *
 * @example
 * workAsMaster(exercise, { start, actor, id: 'm' }).ended() // true
 */
export function workAsMaster(exercise: Exercise, of: Attempt['of'], habit?: Habit): Attempt {
  const attempt = new Attempt(exercise, of);
  const memory = new Map<number, Memory>(
    attempt.places.map(({ of: { place } }) => [place, { diagnosed: false, looked: new Set<string>(), waited: '' }]),
  );
  const ready = new Map<number, number>(attempt.places.map(({ of: { place } }) => [place, 0]));
  const planned = new Map<number, Next>();
  let now = 0;
  for (let given = 0; given < MOST; given += 1) {
    for (const place of attempt.places) {
      const { place: number } = place.of;
      if (planned.has(number)) continue;
      const [present] = place.run.current();
      const best = nextAt(attempt, place, memory.get(number)!);
      const next = best && habit ? habit.change(best, { attempt, place, present }) : best;
      if (next) planned.set(number, next);
      ready.set(number, now + (next?.after ?? 0));
    }
    const free = [...planned.keys()].filter((one) => habit?.zeroesBesideGas || !zeroesBesideGas(attempt, one, planned.get(one)!));
    const [place] = free.sort((a, b) => ready.get(a)! - ready.get(b)! || a - b);
    if (place === undefined) break;
    now = Math.max(now + HAND_MS, ready.get(place)!);
    attempt.pass(now);
    const { doing } = planned.get(place)!;
    planned.delete(place);
    for (const one of doing) attempt.act({ ...one, place, at: now } as Act);
  }
  return attempt;
}

/** Its zero would be set in a room in which gas of another place is open. */
function zeroesBesideGas(attempt: Attempt, place: number, { doing }: Next): boolean {
  const zeroes = doing.some((one) => one.do === 'press' && one.key === 'zero');
  return zeroes && attempt.places.some((one) => one.of.place !== place && gasOpen(one));
}

export function gasOpen({ run }: Pick<AttemptPlace, 'run'>): boolean {
  const open = openStimulus(run.state);
  return open !== null && run.procedure.slots.find((one) => one.id === open.slot)?.kind === 'gas';
}

const command = (given: Extract<Doing, { do: 'command' }>['command']): Doing => ({ do: 'command', command: given });

function nextAt(attempt: Attempt, place: AttemptPlace, memory: Memory): Next | null {
  const { run, of } = place;
  const { state } = run;
  const open = openStimulus(state);
  const [present] = run.current();
  const soon = (...doing: Doing[]): Next => ({ after: 0, doing });
  if (place.incidentAt !== null && !place.heeded) {
    const shut =
      open && gasOpen(place)
        ? [command({ type: 'changeStimulus', step: present?.key ?? 'gas', slot: open.slot, on: false })]
        : [];
    return soon(...shut, { do: 'heed', choice: rightChoice(of.incident!.incident) });
  }
  const found = lookFor(place, present, memory);
  if (found) return found;
  if (!present) {
    if (state.status !== 'open') return null;
    const diagnosis: Doing[] =
      attempt.exercise.kind === 'findFault' && !memory.diagnosed ? [{ do: 'diagnose', fault: 'none' }] : [];
    memory.diagnosed = true;
    return soon(...diagnosis, command({ type: 'finish' }));
  }
  return stepOf(attempt, place, present, memory);
}

/** What is hidden and shows at this step: looked at, put right where it can be, named. */
function lookFor({ of, run }: AttemptPlace, present: PlannedStep | undefined, memory: Memory): Next | null {
  for (const hidden of of.hidden) {
    if (memory.looked.has(hidden.fault) || !shows(hidden, present)) continue;
    const { look, remedy } = faultOf(hidden.fault);
    memory.looked.add(hidden.fault);
    memory.diagnosed = true;
    const doing: Doing[] = [
      { do: 'look', look },
      { do: 'diagnose', fault: hidden.fault, ...(hidden.channel ? { channel: hidden.channel } : {}) },
    ];
    if (hidden.fault === 'absentSensor')
      doing.push(command({ type: 'setChannel', channel: hidden.channel!, status: 'removed', reason: 'no sensor is fitted' }));
    if (remedy === 'otherBottle') doing.push(...otherBottle({ run }, present));
    else if (remedy !== 'service') doing.push({ do: 'mend', remedy });
    return { after: 0, doing };
  }
  return null;
}

/** What a master sees at which step. */
function shows({ fault }: Hidden, present: PlannedStep | undefined): boolean {
  const { first, look } = faultOf(fault);
  if (!present) return true;
  const { step } = present;
  if (fault === 'absentSensor') return true;
  if (look === 'clock') return step.kind === 'check' && step.items.some((one) => one.about === 'clock');
  if (look === 'outputs')
    return step.kind === 'bump' || (step.kind === 'check' && step.items.some((one) => one.output === 'sound'));
  if (look === 'save') return step.kind === 'save';
  if (step.kind === 'read') return first === true || step.phase === 'adjustment';
  return ['adjust', ...(first ? ['bump'] : ['save'])].includes(step.kind);
}

/** Shut, the other bottle connected, opened again where it was open. */
function otherBottle({ run: { state } }: Pick<AttemptPlace, 'run'>, present: PlannedStep | undefined): Doing[] {
  const bound = state.bindings.findLast((one) => !one.struck && !one.released && one.reference.kind === 'gas');
  if (!bound) return [];
  const open = openStimulus(state);
  const turn = (on: boolean): Doing[] =>
    open ? [command({ type: 'changeStimulus', step: present?.key ?? 'gas', slot: open.slot, on })] : [];
  const id = bound.reference.id;
  return [
    ...turn(false),
    command({
      type: 'bindReference',
      slot: bound.slot,
      reference: id.endsWith(SPARE) ? id : id + SPARE,
      flowLPerMin: bound.flowLPerMin ?? '0.5',
    }),
    ...turn(true),
  ];
}

function stepOf(attempt: Attempt, place: AttemptPlace, present: PlannedStep, memory: Memory): Next {
  const { run, of } = place;
  const { state, procedure } = run;
  const { step, key, channel } = present;
  const plain = () => handAt(run, present, 'good').map((one) => command(one as never));
  const number = of.place;
  const slotOf = (id: string) => state.channels.findIndex((one) => one.id === id) + 1;
  switch (step.kind) {
    case 'wait':
      return { after: (waitSeconds(step, state) + 0.1) * 1000, doing: [command({ type: 'completeStep', step: key })] };
    case 'check': {
      const ways = plain().map((one) =>
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
    case 'read': {
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
      const taken = plain().map((one) => {
        if (one.do !== 'command' || one.command.type !== 'captureReading') return one;
        const shown = readings[slotOf(one.command.channel) - 1]!;
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
    case 'adjust': {
      const zero = step.action === 'zero' || step.action === 'fineZero' || step.action === 'quick';
      const channels = [
        ...new Set(readPairs(step, step.together ? undefined : channel, procedure, state).map((one) => one.channel)),
      ];
      if (memory.waited !== key) {
        memory.waited = key;
        return {
          after: (SETTLED / HURRY) * 1000,
          doing: channels.map((one): Doing => ({ do: 'press', key: zero ? 'zero' : 'span', slot: slotOf(one) })),
        };
      }
      memory.waited = '';
      const passed = (id: string) => {
        const said = attempt.done.findLast(
          (one) => one.act.place === number && one.notices?.some((each) => each.slot === slotOf(id)),
        );
        return (
          said?.notices?.some((each) => each.slot === slotOf(id) && (each.notice === 'zeroed' || each.notice === 'spanned')) ??
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
    case 'save': {
      if (memory.waited !== key) {
        memory.waited = key;
        return { after: 0, doing: [{ do: 'press', key: 'save' }] };
      }
      memory.waited = '';
      const kept = attempt.done
        .findLast((one) => one.act.place === number && one.act.do === 'press')
        ?.notices?.some((one) => one.notice === 'saved');
      return { after: 0, doing: kept ? plain() : [command({ type: 'save', step: key, lost: true })] };
    }
    case 'bump': {
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
    case 'decide':
      return {
        after: 0,
        doing: [command({ type: 'decide', step: key, option: decided(place, present), note: 'as found in practice' })],
      };
    default:
      return { after: 0, doing: plain() };
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
