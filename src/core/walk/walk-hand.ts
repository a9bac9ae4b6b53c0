import type { CheckItem } from '../procedure/procedure';
import type { Answer, Command } from '../run/command';
import { expectedAnswer } from '../run/expected-answer';
import type { PlannedStep } from '../run/plan-node';
import { missingReadings, readPairs } from '../run/read-pairs';
import type { ScriptedRun } from '../run/scripted';
import { valueBefore } from '../run/value-before';
import { waitSeconds } from '../run/wait-seconds';
import { walkReading } from './walk-reading';

/** What a step can come to; the first is the plain day. */
export function outcomesOf({ step }: PlannedStep): readonly string[] {
  switch (step.kind) {
    case 'check':
      return [
        'good',
        ...step.items.filter((item) => item.bad !== undefined && item.answer !== 'text').map((item) => `bad ${item.id}`),
      ];
    case 'read':
      return ['good', 'off'];
    case 'adjust':
    case 'bump':
      return ['passed', 'failed'];
    case 'save':
      return ['kept', 'lost'];
    case 'decide':
      return step.options.map((one) => one.id);
    default:
      return ['done'];
  }
}

const FIGURES: Record<string, string> = { slope: '98', offset: '0', cellConstant: '1.000', response: '20' };
const GOOD = { passFault: 'pass', yesNo: 'yes', text: 'none', number: '0', sensorSerial: 'WALK-1' };

function answer(item: CheckItem, planned: PlannedStep, run: ScriptedRun, bad: boolean): Answer {
  const { bad: when } = item;
  const expected = valueBefore(item, run.state) ?? expectedAnswer(item, planned, run);
  const good = expected ?? (item.reads ? FIGURES[item.reads.figure]! : /slope/.test(item.id) ? '98' : GOOD[item.answer]);
  const note = { note: 'walked' };
  // Two liquids are the usual number where one asks for another.
  const another = item.about === 'another' && planned.iteration >= 2;
  if (typeof when !== 'object') return { value: item.answer === 'yesNo' && bad !== another ? 'no' : good };
  if (when.when === 'positive') return bad ? { value: 'yes', ...note } : { value: 'no' };
  if (!bad) return { value: good };
  if (when.when === 'negative') return { value: item.answer === 'passFault' ? 'fault' : 'no', ...note };
  if ('beyond' in when.when) return { value: String(Number(when.when.beyond) + 1), ...note };
  return { value: String(Number(expected ?? good) + 1), ...note };
}

const ROOM = {
  conditions: { temperatureC: '21', pressureHPa: '1013', humidityPercent: '40' },
  equipment: { temperatureC: 'room-thermometer', pressureHPa: 'barometer', humidityPercent: 'hygrometer' },
};

/**
 * The commands by which a hand brings a step to an outcome. Waiting is done on the run's own clock.
 * Errors: none; a step at which nothing can be done gives no command.
 *
 * @example
 * handAt(run, run.step(), 'good')[0].type // 'completeStep'
 */
export function handAt(run: ScriptedRun, planned: PlannedStep, outcome: string): Command[] {
  const { step, key, channel } = planned;
  const { procedure, state } = run;
  switch (step.kind) {
    case 'check':
      // Figures that so few points can't give are answered with “none”, where the program says so.
      return [false, true].map((none) => ({
        type: 'completeStep',
        step: key,
        answers: Object.fromEntries(
          step.items.map((item) => [
            item.id,
            none && item.needsPoints ? { value: 'none' } : answer(item, planned, run, outcome === `bad ${item.id}`),
          ]),
        ),
      }));
    case 'condition':
      return [{ type: 'completeStep', step: key, ...ROOM }];
    case 'wait':
      run.wait(waitSeconds(step, state));
      return [{ type: 'completeStep', step: key }];
    case 'reference':
      return step.slots.map((slot) => bind(run, slot));
    case 'stimulus':
      return [{ type: 'changeStimulus', step: key, slot: step.slot, on: step.on }];
    case 'read':
      run.wait((step.exposureSeconds ?? 0) + 90);
      return missingReadings(step, key, channel, procedure, state).map((pair): Command => {
        const point = procedure.points.find((one) => one.id === pair.point)!;
        const of = state.channels.find((one) => one.id === pair.channel)!;
        const shown = walkReading({ procedure, state, point, channel: of }, outcome === 'off' ? 'off' : 'good');
        // Where nothing can be shown the program says itself why not.
        return { type: 'captureReading', step: key, ...pair, ...(shown ?? { text: '0', inputs: {} }) };
      });
    case 'adjust':
      return [
        {
          type: 'adjust',
          step: key,
          channels: [
            ...new Set(readPairs(step, step.together ? undefined : channel, procedure, state).map((one) => one.channel)),
          ],
          outcome: outcome === 'failed' ? 'failed' : 'passed',
        },
      ];
    case 'save':
      return [
        { type: 'save', step: key, readBack: run.now.toISOString().slice(0, 10), ...(outcome === 'lost' ? { lost: true } : {}) },
      ];
    case 'bump': {
      const good = outcome === 'passed';
      return [
        {
          type: 'bump',
          step: key,
          channels: Object.fromEntries(state.channels.map((one) => [one.id, { moved: good, rightWay: good }])),
          outputs: Object.fromEntries(step.outputs.map((output) => [output, good])),
        },
      ];
    }
    case 'care':
      return [{ type: 'care', step: key, ...(step.uses ? { note: 'walked' } : {}) }];
    case 'decide':
      return [{ type: 'decide', step: key, option: outcome, note: 'walked' }];
  }
}

/** Where several things may stand in a place, two of them in turn: more would be another calibration each round. */
function bind(run: ScriptedRun, slot: string): Command {
  const fitting = run.options.references.filter((one) => one.id === slot || one.id.startsWith(`${slot}:`));
  const before = run.state.bindings.filter((one) => one.slot === slot && !one.struck).length;
  const { flows } = run.procedure.slots.find((one) => one.id === slot)!;
  return {
    type: 'bindReference',
    slot,
    reference: fitting[before % Math.max(1, Math.min(2, fitting.length))]?.id ?? slot,
    flowLPerMin: flows?.[0] ?? '0.5',
  };
}
