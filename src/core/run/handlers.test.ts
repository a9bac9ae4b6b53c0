import { describe, expect, it } from 'vitest';
import type { Procedure, Step } from '../procedure/procedure';
import { validateProcedure } from '../procedure/validate-procedure';
import {
  adjust,
  asFound,
  asLeft,
  fourGasChannels,
  mix,
  openFourGas,
  prepare,
  startedFourGas,
  technician,
  wholeRun,
} from './four-gas.fixture';
import { plan } from './plan';
import { ScriptedRun } from './scripted';
import { ROOM_REFERENCES } from '@/core/run/room.fixture';

/** A procedure of these steps for the four-gas monitor, begun. */
function begin(steps: Step[]): ScriptedRun {
  const procedure: Procedure = {
    id: 'own',
    version: 1,
    family: 4,
    title: 'Own',
    method: 'm',
    scope: 'calibration',
    warmUpSeconds: 0,
    channels: ['o2', 'ex', 'h2s', 'co'].map((role) => ({ role, label: role, measurands: [role] })),
    slots: [{ id: 'mix', label: 'gas mixture', kind: 'gas', needs: 'channelGases' }],
    points: [
      {
        id: 'span',
        label: 'Gas',
        channels: ['o2', 'ex', 'h2s', 'co'],
        target: { kind: 'material', slot: 'mix', component: 'channelGas', via: 'certified' },
      },
    ],
    steps,
    cautions: [],
  };
  expect(validateProcedure(procedure)).toEqual([]);
  return new ScriptedRun(procedure, {
    run: 'run-1',
    actor: technician,
    start: new Date('2026-11-24T08:00:00.000Z'),
    references: [mix, ...ROOM_REFERENCES],
  }).start(startedFourGas);
}
const keys = (run: ScriptedRun) => plan(run.procedure, run.state).map((step) => step.key);

describe('bump test', () => {
  const all = (change: Record<string, { moved: boolean; rightWay: boolean }> = {}) => ({
    ...Object.fromEntries(fourGasChannels.map((channel) => [channel.id, { moved: true, rightWay: true }])),
    ...change,
  });
  const bump = (method: 'timed' | 'watched' | 'station'): Step => ({
    id: 'bump',
    kind: 'bump',
    title: 'Bump',
    channels: ['o2', 'ex', 'h2s', 'co'],
    method,
    outputs: ['sound', 'light'],
    follows: ['mend', 'service', 'outOfService'],
  });
  it.each([
    ['watched', {}, { sound: true, light: true }, 'passed'],
    ['watched', {}, { sound: false, light: true }, 'failed'],
    ['watched', { 'c-ex': { moved: false, rightWay: true } }, { sound: true, light: true }, 'failed'],
    ['watched', { 'c-o2': { moved: true, rightWay: false } }, { sound: true, light: true }, 'failed'],
    // The instrument's own test mutes the alarms: it proves no buzzer (common practice).
    ['timed', {}, {}, 'passed'],
  ] as const)(
    '%s with %j and %j has %s (oxygen goes down, every output witnessed: common practice)',
    (method, change, outputs, outcome) => {
      const run = begin([bump(method)]).do({
        type: 'bump',
        step: 'bump',
        channels: all(change),
        outputs: outputs as Record<string, boolean>,
      });
      expect(run.state.bumps[0]).toMatchObject({ outcome, method });
    },
  );
  it('nobody passes a bump without having looked: a channel left out is asked for', () => {
    const run = begin([bump('watched')]);
    expect(run.try({ type: 'bump', step: 'bump', channels: {}, outputs: { sound: true, light: true } })).toMatchObject({
      code: 'unseen',
      field: 'channels',
    });
    const { 'c-co': _gone, ...three } = all();
    expect(_gone).toBeDefined();
    expect(run.try({ type: 'bump', step: 'bump', channels: three, outputs: { sound: true, light: true } })).toMatchObject({
      sentence: expect.stringContaining('CO'),
    });
  });
  it('after a failed bump the procedure may ask for more', () => {
    const run = begin([
      bump('watched'),
      {
        id: 'then',
        kind: 'check',
        title: 'Tag it',
        when: { is: 'bumpFailed' },
        items: [{ id: 'tag', label: 'Tagged', answer: 'yesNo', bad: 'none' }],
      },
    ]);
    expect(keys(run)).toEqual(['bump']);
    run.do({
      type: 'bump',
      step: 'bump',
      channels: all({ 'c-ex': { moved: false, rightWay: true } }),
      outputs: { sound: true, light: true },
    });
    expect(keys(run)).toEqual(['bump', 'bump!', 'then']);
  });
});

describe('save with a deadline', () => {
  const steps: Step[] = [
    {
      id: 'round',
      kind: 'group',
      title: 'Zero and save',
      order: 'fixed',
      repeat: { atMost: 3, until: { is: 'saved' } },
      restartOn: { is: 'saveLost' },
      steps: [
        { id: 'bind', kind: 'reference', title: 'Bottle', slots: ['mix'], when: { not: { is: 'anythingAdjusted' } } },
        { id: 'zero', kind: 'adjust', title: 'Zero', points: ['span'], action: 'zero', together: true },
        { id: 'save', kind: 'save', title: 'Save', evidence: 'confirm', deadlineSeconds: 60 },
      ],
    },
  ];
  const zero = (run: ScriptedRun) =>
    run.do({ type: 'adjust', step: run.step().key, channels: fourGasChannels.map((channel) => channel.id), outcome: 'passed' });
  it('in time it is saved; too late it is lost, on record, and the round begins anew', () => {
    const run = begin(steps).do({ type: 'bindReference', slot: 'mix', reference: 'ref-mix', flowLPerMin: '0.5' });
    zero(run).wait(61).do({ type: 'save', step: run.step().key });
    expect(run.state.saves.map((save) => save.outcome)).toEqual(['lost']);
    expect(run.step().key).toBe('round#2/zero');
    zero(run).wait(60).do({ type: 'save', step: run.step().key });
    expect(run.state.saves.map((save) => save.outcome)).toEqual(['lost', 'saved']);
    expect(run.current()).toEqual([]);
  });
  it('ends after its rounds, whatever happened', () => {
    const run = begin(steps).do({ type: 'bindReference', slot: 'mix', reference: 'ref-mix', flowLPerMin: '0.5' });
    for (let round = 0; round < 3; round += 1) zero(run).wait(90).do({ type: 'save', step: run.step().key });
    expect(run.current()).toEqual([]);
    expect(run.state.saves.map((save) => save.outcome)).toEqual(['lost', 'lost', 'lost']);
  });
});

describe('the order of steps', () => {
  const look = (id: string): Step => ({
    id,
    kind: 'check',
    title: id,
    items: [{ id: 'seen', label: 'Seen', answer: 'yesNo', bad: 'none' }],
  });
  const done = (run: ScriptedRun, step: string) => run.do({ type: 'completeStep', step, answers: { seen: { value: 'yes' } } });
  it('fixed: one after the other; any: several at once, and the next only when all are done', () => {
    const run = begin([
      { id: 'any', kind: 'group', title: '', order: 'any', steps: [look('a'), look('b'), look('c')] },
      look('last'),
    ]);
    expect(run.current().map((step) => step.key)).toEqual(['any/a', 'any/b', 'any/c']);
    done(run, 'any/c');
    expect(run.current().map((step) => step.key)).toEqual(['any/a', 'any/b']);
    expect(run.try({ type: 'completeStep', step: 'last', answers: { seen: { value: 'yes' } } })).toMatchObject({
      code: 'notNow',
    });
    done(done(run, 'any/a'), 'any/b');
    expect(run.step().key).toBe('last');
  });
  it('a step whose condition comes true later is not asked for once the run went past it; one that was done stays', () => {
    const run = begin([
      { ...look('maybe'), when: { is: 'answered', step: 'ask', item: 'seen', equals: 'no' } },
      look('ask'),
      { ...look('after'), when: { is: 'answered', step: 'ask', item: 'seen', equals: 'no' } },
    ]);
    run.do({ type: 'completeStep', step: 'ask', answers: { seen: { value: 'no' } } });
    expect(keys(run)).toEqual(['ask', 'after']);
    done(run, 'after');
    expect(run.current()).toEqual([]);
  });
  it('leaving a step out needs a reason, is a deviation on record, and is refused for closing the gas', () => {
    const run = begin([
      look('a'),
      { id: 'bind', kind: 'reference', title: 'Bottle', slots: ['mix'] },
      { id: 'on', kind: 'stimulus', title: 'Gas on', slot: 'mix', means: 'valve', on: true },
      { id: 'off', kind: 'stimulus', title: 'Gas off', slot: 'mix', means: 'valve', on: false },
    ]);
    run.do({ type: 'skipStep', step: 'a', reason: 'no light to see by' });
    expect(run.state.deviations[0]).toMatchObject({
      what: 'Left out: a',
      reason: 'no light to see by',
      said: { code: 'deviation.leftOut', numbers: { title: 'a' } },
    });
    run
      .do({ type: 'bindReference', slot: 'mix', reference: 'ref-mix', flowLPerMin: '0.5' })
      .do({ type: 'changeStimulus', step: 'on', slot: 'mix', on: true });
    expect(run.try({ type: 'skipStep', step: 'off', reason: 'in a hurry' })).toMatchObject({ code: 'gasOpen' });
  });
  it('an answer is asked for, a number must be one, a fault needs a note', () => {
    const run = begin([
      {
        id: 'a',
        kind: 'check',
        title: 'Look',
        items: [
          { id: 'volts', label: 'Battery', answer: 'number' },
          { id: 'case', label: 'Case', answer: 'passFault', bad: { when: 'negative', follows: ['mend', 'service'] } },
        ],
      },
    ]);
    const tell = (answers: Record<string, { value: string; note?: string }>) =>
      run.try({ type: 'completeStep', step: 'a', answers });
    expect(tell({})).toMatchObject({ code: 'unanswered', field: 'volts' });
    expect(tell({ volts: { value: '3,700' }, case: { value: 'pass' } })).toMatchObject({ code: 'notANumber', field: 'volts' });
    expect(tell({ volts: { value: '3.7' }, case: { value: 'fault' } })).toMatchObject({ code: 'faultNeedsNote', field: 'case' });
    expect(tell({ volts: { value: '3.7' }, case: { value: 'fault', note: 'cracked' } })).toBeNull();
  });
});

describe('beside the steps', () => {
  it('a new sensor is on record with both serials, and the channel carries the new one', () => {
    const run = prepare(openFourGas()).do({ type: 'replacePart', channel: 'c-h2s', part: 'H2S sensor', newSerial: 'N-2' });
    expect(run.state.channels.find((channel) => channel.id === 'c-h2s')!.sensorSerial).toBe('N-2');
    run.do({ type: 'replacePart', channel: 'c-h2s', part: 'H2S sensor', newSerial: 'N-3' });
    expect(run.state.parts.at(-1)).toMatchObject({ oldSerial: 'N-2', newSerial: 'N-3' });
    expect(run.try({ type: 'replacePart', channel: 'nobody', part: 'x', newSerial: 'y' })).toMatchObject({ code: 'noChannel' });
  });
  it('an alarm point is a safety setting: a change needs who agreed; a clock is just set right', () => {
    const run = prepare(openFourGas());
    const change = { type: 'changeSetting', kind: 'alarm', setting: 'CO low alarm', before: '35', after: '30' } as const;
    expect(run.try(change)).toMatchObject({ code: 'settingAgreed', field: 'agreedBy' });
    run
      .do({ ...change, agreedBy: 'R. Oskeld' })
      .do({ type: 'changeSetting', kind: 'clock', setting: 'clock', before: '08:00', after: '08:03' });
    expect(run.state.settings.map((setting) => setting.agreedBy)).toEqual(['R. Oskeld', undefined]);
  });
  it('a given-up run stays on record with its reason and takes nothing more', () => {
    const run = prepare(openFourGas()).do({ type: 'abort', reason: 'the display died' });
    expect(run.state).toMatchObject({ status: 'aborted', abortedReason: 'the display died' });
    expect(run.try({ type: 'note', text: 'late' })).toMatchObject({ code: 'wrongStatus' });
  });
  it('a reference that was struck is no longer at hand, and cannot be struck twice', () => {
    const run = asLeft(adjust(asFound(prepare(openFourGas()))));
    const { seq } = run.state.bindings[0]!;
    run.do({ type: 'strike', seq, reason: 'wrong bottle at hand' });
    expect(run.try({ type: 'strike', seq, reason: 'again' })).toMatchObject({ code: 'alreadyStruck' });
    expect(run.try({ type: 'strike', seq: 1, reason: 'the start itself' })).toMatchObject({ code: 'nothingToStrike' });
  });
  it('every event names its command, its person and its time, and they are numbered without a gap', () => {
    const { events } = wholeRun({ 'c-co': 1 });
    expect(events.map((event) => event.seq)).toEqual(events.map((_event, index) => index + 1));
    for (const event of events) {
      expect(event.actor.name).toBe('Tess Bench');
      expect(event.command).toMatch(/^run-1\/\d+$/);
      expect(Date.parse(event.occurredAt)).not.toBeNaN();
      expect(event.source).toBe('typed');
    }
  });
});

describe('what was said in error', () => {
  it('a note, a part, a setting and a photo are struck with a reason: they count no more, and stay readable', () => {
    const run = openFourGas();
    const co = run.channel('co');
    const before = co.sensorSerial;
    const photo = 'ab'.repeat(32);
    run.do({ type: 'note', text: 'wrong run' });
    run.do({ type: 'replacePart', channel: co.id, part: 'sensor', newSerial: 'CO-NEW' });
    run.do({ type: 'changeSetting', kind: 'alarm', setting: 'low alarm of CO', before: '35', after: '30', agreedBy: 'Customer' });
    run.do({ type: 'takePaper', day: '2026-11-24', by: 'Tech', photos: [photo] });
    const { notes, parts, settings, sheets } = run.state;
    expect(run.channel('co').sensorSerial).toBe('CO-NEW');
    for (const entry of [notes[0]!, parts[0]!, settings[0]!, sheets[0]!])
      run.do({ type: 'strike', seq: entry.seq, reason: 'another instrument' });
    expect([run.state.notes, run.state.parts, run.state.settings, run.state.paper]).toEqual([[], [], [], null]);
    expect(run.channel('co').sensorSerial).toBe(before);
    expect(run.state.struckOut.map((one) => [one.was, one.reason])).toEqual(
      ['note', 'part', 'setting', 'paper'].map((kind) => [kind, 'another instrument']),
    );
    expect(run.try({ type: 'strike', seq: notes[0]!.seq, reason: 'again' })).toMatchObject({ code: 'alreadyStruck' });
    expect(run.try({ type: 'strike', seq: 1, reason: 'the start' })).toMatchObject({ code: 'nothingToStrike' });
  });
  it('of two parts in one place the later stays when the earlier is struck; of two photos the other one', () => {
    const run = openFourGas();
    const co = run.channel('co');
    for (const newSerial of ['CO-1', 'CO-2']) run.do({ type: 'replacePart', channel: co.id, part: 'sensor', newSerial });
    run.do({ type: 'strike', seq: run.state.parts[0]!.seq, reason: 'never fitted' });
    expect(run.channel('co').sensorSerial).toBe('CO-2');
    const [one, other] = ['ab'.repeat(32), 'cd'.repeat(32)];
    for (const photo of [one, other]) run.do({ type: 'takePaper', day: '2026-11-24', by: 'Tech', photos: [photo] });
    run.do({ type: 'strike', seq: run.state.sheets[0]!.seq, reason: 'blurred' });
    expect(run.state.paper?.photos).toEqual([other]);
  });
});
