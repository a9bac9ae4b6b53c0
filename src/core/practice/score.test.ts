import { describe, expect, it } from 'vitest';
import { MODELS } from '@/processes/seed/catalogue';
import { SCENARIOS } from '@/standins/instrument/scenario';
import { PROBE_FAULTS } from '@/standins/meter/probe-fault';
import { PROCEDURES, shippedProcedure } from '@/procedures';
import { often } from '../often.fixture';
import { channelsOfPlace, drawExercise, type Exercise } from './exercise';
import { FAULT_IDS, possibleFaults, type FaultId, type Hidden } from './fault';
import { FINDING_CODES, type FindingCode } from './finding';
import { hurried } from './hurried';
import { INCIDENTS } from './incident';
import type { Doing, Next } from './doing';
import { workAsMaster, type Habit } from './master';
import { scoreOf } from './score';

const of = {
  start: new Date('2026-03-02T09:00:00.000Z'),
  actor: { id: 'p', name: 'Pilot', role: 'technician' } as const,
  id: 'p',
};
const on = (id: string) => {
  const model = MODELS.find((one) => one.procedureId === id) ?? MODELS.find((one) => one.name === 'OF-120')!;
  return { procedure: hurried(shippedProcedure(id)!), model: { ...model, id: model.name } };
};
/** One fault of so many is worked: of fifteen on an ordinary day, of three in full. */
const APART = Math.round(45 / often(15));
const FOUR = 'four-gas-leak-monitor';
const guided = (id = FOUR) => drawExercise({ kind: 'guided', seed: 1, on: [on(id)] });
const hiding = (hidden: Hidden[], id = FOUR): Exercise => {
  const exercise = drawExercise({ kind: 'findFault', seed: 1, on: [on(id)] });
  return { ...exercise, places: exercise.places.map((one) => ({ ...one, hidden })) };
};
const busy = () => drawExercise({ kind: 'busyBench', seed: 1, on: [on(FOUR), on('single-gas-co-monitor'), on(FOUR)] });
const possible = (id: string) => {
  const { procedure, model } = on(id);
  return possibleFaults({ channels: channelsOfPlace({ procedure, model }), procedure, traits: model.traits });
};

describe('the good pilot', () => {
  it.each(PROCEDURES.map((one) => one.id))(
    '%s: at least 95 of a hundred in every exercise, guided, with a fault, on a dangerous day',
    (id) => {
      const faults = possible(id);
      const exercises = [
        guided(id),
        hiding([], id),
        // Some faults of each instrument, others for others; all of them are worked below for two of them.
        ...faults.filter((_one, index) => index % APART === id.length % APART).map((one) => hiding([one], id)),
        drawExercise({ kind: 'dangerousDay', seed: id.length, on: [on(id)] }),
      ];
      for (const exercise of exercises) {
        const worked = workAsMaster(exercise, of);
        const { points, findings } = scoreOf(worked);
        expect({ hidden: exercise.places[0]!.hidden, findings, good: points !== null && points >= 95 }).toEqual({
          hidden: exercise.places[0]!.hidden,
          findings,
          good: true,
        });
        expect(worked.done.filter((one) => one.refusal)).toEqual([]);
      }
    },
  );
  it.each([FOUR, 'combined-ph-ec-tester'])('%s: every fault that it can have, and two at once', (id) => {
    const faults = possible(id);
    for (const [index, one] of faults.entries()) {
      expect(scoreOf(workAsMaster(hiding([one], id), of)).points).toBeGreaterThanOrEqual(95);
      const other = faults[(index + 5) % faults.length]!;
      if (index % 4 === 0 && other.channel !== one.channel)
        expect(scoreOf(workAsMaster(hiding([one, other], id), of)).points).toBeGreaterThanOrEqual(95);
    }
  });
  it('a busy bench of three is worked sooner than one after another, and no zero is set beside open gas', () => {
    const worked = workAsMaster(busy(), of);
    const { points, seconds } = scoreOf(worked);
    expect(points).toBeGreaterThanOrEqual(95);
    const alone = [FOUR, 'single-gas-co-monitor', FOUR].map((id) => workAsMaster(guided(id), of).done.at(-1)!.act.at / 1000);
    expect(seconds.own).toBeLessThan(0.8 * alone.reduce((sum, one) => sum + one, 0));
  });
});

const each = (change: (doing: Doing) => Doing[]): Habit => ({
  change: (next) => ({ ...next, doing: next.doing.flatMap(change) }),
});
const skip = (step: string): Next => ({
  after: 0,
  doing: [{ do: 'command', command: { type: 'skipStep', step, reason: 'no time' } }],
});
const isCommand = (one: Doing, type: string) => one.do === 'command' && one.command.type === type;

/** One habit each, on an exercise that it shows in. */
const HABITS: Record<FindingCode, { exercise: () => Exercise; habit: Habit }> = {
  asFoundLost: {
    exercise: guided,
    habit: {
      change: (next, { present }) =>
        present?.step.kind === 'read' && present.step.phase === 'asFound' ? skip(present.key) : next,
    },
  },
  leftUndone: {
    exercise: guided,
    habit: {
      change: (next, { present }) =>
        present?.step.kind === 'read' && present.step.phase === 'asLeft' ? skip(present.key) : next,
    },
  },
  wrongBottle: {
    exercise: guided,
    habit: each((one) =>
      one.do === 'command' && one.command.type === 'bindReference'
        ? [{ do: 'command', command: { ...one.command, reference: `${one.command.reference}:expired` } }, one]
        : [one],
    ),
  },
  exposureCut: {
    exercise: guided,
    habit: {
      change: (next, { present, place, attempt }) => {
        if (present?.step.kind !== 'read' || !present.step.exposureSeconds || next.doing.length) return next;
        const { readings } = attempt.frame(place.of.place);
        const { points } = present.step;
        const doing = place.run.state.channels.map((one, index): Doing => ({
          do: 'command',
          command: {
            type: 'captureReading',
            step: present.key,
            point: points[0]!,
            channel: one.id,
            text: readings[index]!.text,
            inputs: {},
            deviation: 'in a hurry',
          },
        }));
        return { after: 0, doing };
      },
    },
  },
  gasWasted: {
    exercise: guided,
    habit: {
      change: (next, { present }) =>
        present?.step.kind === 'read' && !next.doing.length ? { ...next, after: next.after * 4 } : next,
    },
  },
  forgottenValve: {
    exercise: guided,
    habit: {
      change: (next) =>
        next.doing.some((one) => one.do === 'command' && one.command.type === 'changeStimulus' && !one.command.on)
          ? { ...next, after: 60_000 }
          : next,
    },
  },
  cautionPassed: {
    exercise: () => {
      const drawn = drawExercise({ kind: 'dangerousDay', seed: 3, on: [on(FOUR)] });
      return { ...drawn, places: drawn.places.map((one) => ({ ...one, incident: { ...one.incident!, incident: 'areaAlarm' } })) };
    },
    habit: each((one) => (one.do === 'heed' ? [{ do: 'heed', choice: INCIDENTS.areaAlarm.choices[1] }] : [one])),
  },
  wrongDiagnosis: {
    exercise: () => hiding([{ fault: 'kinkedTube' }]),
    habit: each((one) => (one.do === 'diagnose' ? [{ do: 'diagnose', fault: 'stuckSensor', channel: 'c-o2' }] : [one])),
  },
  needlessRepair: {
    exercise: () => hiding([{ fault: 'kinkedTube' }]),
    habit: each((one) => (one.do === 'mend' ? [{ do: 'mend', remedy: 'air' }, one] : [one])),
  },
  silentThirdTry: {
    exercise: () => hiding([{ fault: 'weakSensor', channel: 'c-h2s' }]),
    habit: each((one) => (one.do === 'press' && one.key === 'span' ? [one, one, one] : [one])),
  },
  saveNotProved: {
    exercise: () => guided('hydrogen-breath-monitor'),
    habit: each((one) =>
      one.do === 'press' && one.key === 'save'
        ? []
        : isCommand(one, 'save') && one.do === 'command' && one.command.type === 'save'
          ? [{ do: 'command', command: { type: 'save', step: one.command.step } }]
          : [one],
    ),
  },
  notAsShown: {
    exercise: guided,
    habit: each((one) =>
      one.do === 'command' && one.command.type === 'captureReading' && one.command.channel === 'c-co'
        ? [{ do: 'command', command: { ...one.command, text: String(Number(one.command.text) + 20) } }]
        : [one],
    ),
  },
  keyNotPressed: {
    exercise: guided,
    habit: each((one) =>
      one.do === 'press' && one.key !== 'save'
        ? []
        : one.do === 'command' && one.command.type === 'adjust'
          ? [{ do: 'command', command: { ...one.command, outcome: 'passed' } }]
          : [one],
    ),
  },
  zeroBesideGas: {
    exercise: busy,
    habit: {
      zeroesBesideGas: true,
      change: (next, { place }) =>
        place.of.place === 1 &&
        next.doing.some((one) => one.do === 'command' && one.command.type === 'changeStimulus' && !one.command.on)
          ? { ...next, after: 14_000 }
          : next,
    },
  },
  tooSlow: {
    exercise: () => hiding([]),
    habit: {
      change: (next, { present }) =>
        present?.step.kind === 'check' || present?.step.kind === 'condition' ? { ...next, after: 300_000 } : next,
    },
  },
};

describe('a bad habit', () => {
  it.each(FINDING_CODES)('%s loses its points, and is named with where it was', (code) => {
    const { exercise, habit } = HABITS[code];
    const { points, findings } = scoreOf(workAsMaster(exercise(), of, habit));
    const named = findings.filter((one) => one.code === code);
    expect({ findings, named: named.length > 0 }).toEqual({ findings, named: true });
    expect(named[0]!.points).toBeGreaterThan(0);
    // No point is lost without a reason.
    if (points !== null)
      expect(
        100 -
          Math.min(
            100,
            findings.reduce((sum, one) => sum + one.points, 0),
          ),
      ).toBe(points);
  });
  it('left in the middle there is no score, only what was seen', () => {
    const worked = workAsMaster(guided(), of, { change: (next, { present }) => (present ? next : { after: 0, doing: [] }) });
    expect(worked.ended()).toBe(false);
    expect(scoreOf(worked).points).toBeNull();
  });
});

describe('the library of faults', () => {
  it('has every fault that the stand-ins know', () => {
    const known: Record<string, FaultId | null> = {
      sound: null,
      poisonedCombustible: 'poisonedSensor',
      stuckOxygen: 'stuckSensor',
      slowResponse: 'slowSensor',
      dyingToxic: 'weakSensor',
      dirtyBackground: 'background',
      spentScrubber: 'spentFilter',
      kinkedTube: 'kinkedTube',
      weakPump: 'weakPump',
      wrongRegulator: 'wrongRegulator',
      fadedSulphide: 'fadedBottle',
      missedSave: 'missesSave',
      deadBuzzer: 'deadBuzzer',
      wrongClock: 'wrongClock',
      absentSensor: 'absentSensor',
      agedElectrode: 'agedElectrode',
      tiredElectrode: 'tiredElectrode',
      greasyElectrode: 'greasyElectrode',
      coatedElectrode: 'coatedElectrode',
      driedOut: 'driedElectrode',
      crackedGlass: 'crackedGlass',
      spentReference: 'spentReference',
      wrongBuffer: 'swappedLiquid',
      contaminatedBuffer: 'spoiltLiquid',
      warmBuffer: 'warmLiquid',
      temperatureSensor: 'temperatureSensor',
      bubbles: 'bubbles',
      dirtyCell: 'dirtyCell',
      polarisedCell: 'polarisedCell',
      wrongStandard: 'wrongStandard',
      wrinkledMembrane: 'wrinkledMembrane',
      lowElectrolyte: 'lowElectrolyte',
      notPolarised: 'notPolarised',
      wetMembrane: 'wetMembrane',
    };
    expect(Object.keys(known).sort()).toEqual([...new Set([...Object.keys(SCENARIOS), ...Object.keys(PROBE_FAULTS)])].sort());
    expect([...new Set(Object.values(known).filter(Boolean))].sort()).toEqual([...FAULT_IDS].sort());
  });
  it('each of them can be had by an instrument of some family, and every family has some', () => {
    const all = PROCEDURES.map((one) => possible(one.id));
    expect([...new Set(all.flatMap((one) => one.map(({ fault }) => fault)))].sort()).toEqual([...FAULT_IDS].sort());
  });
});
