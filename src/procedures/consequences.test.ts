import { describe, expect, it } from 'vitest';
import { certificateContent } from '@/core/certificate/content';
import { sourceOf } from '@/core/certificate/source.fixture';
import { STATUS_AFTER } from '@/core/results/instrument-status';
import { failedIn, leftUncovered } from '@/core/results/failed';
import { notPlain } from '@/core/results/not-plain';
import { LABEL_OF, outcomeOf } from '@/core/results/outcome';
import { findings } from '@/core/run/findings';
import type { ScriptedRun } from '@/core/run/scripted';
import { open, plainly, toTheEnd, upTo } from './plain-day.fixture';

/** What a bad answer leads to: the least that the trade asks (common practice), each row on a whole run. */
const answer = (run: ScriptedRun, change: Record<string, { value: string; note?: string }>): ScriptedRun => {
  const planned = run.step();
  if (planned.step.kind !== 'check') throw new Error(`${planned.key} asks nothing`);
  const rest = Object.fromEntries(
    planned.step.items.map((item) => [
      item.id,
      { value: item.answer === 'passFault' ? 'pass' : item.answer === 'yesNo' ? 'yes' : item.answer === 'number' ? '0' : 'none' },
    ]),
  );
  return run.do({ type: 'completeStep', step: planned.key, answers: { ...rest, ...change } });
};
const outcome = (run: ScriptedRun) => outcomeOf(run.procedure, run.state);
const options = (run: ScriptedRun) => {
  const { step } = run.step();
  return step.kind === 'decide' ? step.options.map((one) => one.id) : [];
};

describe('what a bad answer leads to (common practice); a remark is never enough', () => {
  const ROWS: [what: string, model: string, step: RegExp, bad: Record<string, { value: string; note?: string }>][] = [
    ['the pump does not stop when blocked', 'VT-47', /^block$/, { alarm: { value: 'fault', note: 'pump runs on' } }],
    ['the flow block is not seen', 'OF-125', /^block$/, { alarm: { value: 'fault', note: 'says nothing' } }],
    ['a dead horn', 'OF-410', /^alarms$/, { sound: { value: 'fault', note: 'silent' } }],
    ['no light', 'OF-120', /^alarms$/, { light: { value: 'fault', note: 'dark' } }],
    ['not back in clean air', 'VT-47', /^return$/, { clean: { value: 'no' } }],
    ['the module names another agent', 'BN-G', /^host$/, { agent: { value: 'fault', note: 'names another' } }],
    ['a wrong clock', 'OF-125', /^clock$/, { deviation: { value: '-3600' } }],
    ['an alarm point that was not agreed', 'OF-120', /^settings-before$/, { low: { value: '60' }, high: { value: '70' } }],
    ['cracked glass', 'PG-22', /^look$/, { glass: { value: 'fault', note: 'cracked' }, dry: { value: 'no' } }],
    ['a rusty cell', 'PG-70', /^look-cell$/, { electrodes: { value: 'fault', note: 'rust' } }],
    ['a torn membrane', 'SM-20', /^look-membrane$/, { membrane: { value: 'fault', note: 'torn' } }],
    ['electrolyte under half', 'SM-20', /^look-membrane$/, { electrolyte: { value: 'no' } }],
  ];
  it.each(ROWS)('%s (%s)', (_what, model, step, bad) => {
    const run = answer(upTo(open(model), step), bad);
    expect(options(run)).toContain('mend');
    expect(options(run)).not.toContain('remark');
    expect(run.try({ type: 'finish' })).toMatchObject({ code: 'stepsLeft' });
    expect(run.try({ type: 'skipStep', step: run.step().key, reason: 'no time for it' })).toMatchObject({ code: 'decideFirst' });
    expect(run.try({ type: 'decide', step: run.step().key, option: 'mend' })).toMatchObject({ code: 'decideWhy', field: 'note' });
    // Put right, and looked at again: the same question, and bad again it can't be mended for ever.
    for (const look of [2, 3]) {
      run.do({ type: 'decide', step: run.step().key, option: 'mend', note: 'seen to' });
      expect(run.step().key).toMatch(new RegExp(`~${look}$`));
      answer(run, bad);
    }
    expect(options(run)).not.toContain('mend');
    const last = options(run).at(-1)!;
    run.do({ type: 'decide', step: run.step().key, option: last });
    expect(run.current()).toEqual([]);
    run.do({ type: 'finish' });
    expect(outcome(run)).toMatch(/service|outOfService|returned/);
    expect(LABEL_OF[outcome(run)]).toBe('tag');
    expect(STATUS_AFTER[outcome(run)]).not.toBeNull();
    const content = certificateContent(sourceOf(run));
    expect(content.kind).not.toBe('calibration');
    expect(content.conformity.sentences.join(' ')).toMatch(/Not fit for use/);
    expect(content.checks.some((one) => one.consequence)).toBe(true);
    expect(notPlain(run.procedure, run.state)[0]).toMatchObject({ kind: 'finding', weight: 'bad' });
  });
  it('put right it goes on, and what was bad stays on the document', () => {
    const run = answer(upTo(open('OF-410'), /^alarms$/), { sound: { value: 'fault', note: 'silent' } });
    run.do({ type: 'decide', step: run.step().key, option: 'mend', note: 'new buzzer' });
    toTheEnd(run);
    expect(outcome(run)).toBe('passed');
    expect(findings(run.procedure, run.state)).toMatchObject([
      { what: 'Horn sounds', followed: { follow: 'mend', note: 'new buzzer' } },
    ]);
    expect(certificateContent(sourceOf(run)).checks.filter((one) => one.what === 'Horn sounds')).toMatchObject([
      { answer: 'fault: silent', consequence: 'Put right and looked at again: new buzzer' },
      { answer: 'in order' },
    ]);
  });
  it('a new glass begins a new series', () => {
    const run = answer(upTo(open('PG-22'), /^look$/), { glass: { value: 'fault', note: 'cracked' }, dry: { value: 'no' } });
    run.do({ type: 'decide', step: run.step().key, option: 'mend', note: 'new electrode 4711' });
    expect(run.state.cares).toMatchObject([{ action: 'new electrode 4711', resets: ['ph'] }]);
  });
  it('what this model does not have is not asked', () => {
    const run = upTo(open('VT-47'), /^bump$/);
    expect(
      run.try({
        type: 'bump',
        step: 'bump',
        channels: Object.fromEntries(run.state.channels.map((one) => [one.id, { moved: true, rightWay: true }])),
        outputs: { sound: true },
      }),
    ).toMatchObject({ code: 'untold', field: 'outputs', sentence: expect.stringContaining('light') });
    plainly(run, 'four');
    expect(run.state.bumps.at(-1)!.outputs).toEqual({ sound: true, light: true });
  });
  it('a plain day ends with a calibration label', () => {
    for (const model of ['OF-410', 'OF-440', 'OF-120', 'OF-125', 'VT-47', 'BN-G']) {
      const run = toTheEnd(open(model));
      expect(outcome(run), model).toBe('passed');
      expect(notPlain(run.procedure, run.state).filter((one) => one.weight === 'bad')).toEqual([]);
    }
  });
});

describe('a bump that fails', () => {
  const failed = () => {
    const run = upTo(open('VT-47'), /^bump$/);
    run.do({
      type: 'bump',
      step: 'bump',
      channels: Object.fromEntries(run.state.channels.map((one) => [one.id, { moved: one.role !== 'ex', rightWay: true }])),
      outputs: { sound: true, light: true },
    });
    return run;
  };
  it('gas is closed, then it is decided; a later pass is a new bump, and the last one counts', () => {
    const run = failed();
    expect(run.step().key).toBe('bump!off');
    plainly(run, 'four');
    expect(options(run)).toEqual(['mend', 'service', 'outOfService']);
    run.do({ type: 'decide', step: run.step().key, option: 'mend', note: 'filter put in' });
    expect(run.step().key).toBe('bump~2!on');
    plainly(run, 'four');
    expect(run.step().key).toBe('bump~2');
    toTheEnd(run);
    expect(run.state.bumps.map((one) => one.outcome)).toEqual(['failed', 'passed']);
    expect(outcome(run)).toBe('passed');
    expect(run.state.stimuli.every((span) => span.offAt !== null)).toBe(true);
  });
  it('out of service it ends at once; a passed run that covers the channel and hears the horn brings it back, one that does not leaves it open', () => {
    const run = failed();
    plainly(run, 'four');
    run.do({ type: 'decide', step: run.step().key, option: 'outOfService' }).do({ type: 'finish' });
    const what = failedIn(run.procedure, run.state);
    expect(what).toMatchObject({ moved: ['c-ex'], outputs: [], channels: [] });
    expect(leftUncovered({ ...what, outputs: ['sound'] }, toTheEnd(open('VT-47')))).toEqual({
      channels: [],
      moved: [],
      outputs: [],
      items: [],
    });
    const deaf = { ...what, outputs: ['sound' as const], items: [{ question: 'block/alarm', label: 'Block' }] };
    expect(leftUncovered(deaf, toTheEnd(open('BN-G')))).toMatchObject({
      moved: ['c-ex'],
      outputs: ['sound'],
      items: [{ question: 'block/alarm' }],
    });
  });
});

describe('zero', () => {
  const zeros = (run: ScriptedRun, outcomes: ('passed' | 'failed')[]) => {
    for (const result of outcomes) {
      upTo(run, /zeroing#\d\/zero$/);
      run.do({ type: 'adjust', step: run.step().key, channels: ['c-co'], outcome: result });
    }
    return run;
  };
  it('fails, is tried a second time, then the fine zero, and goes on', () => {
    const run = zeros(open('OF-120'), ['failed', 'failed']);
    expect(run.step()).toMatchObject({ channel: 'c-co', step: { kind: 'decide', question: 'failedZero' } });
    run.do({ type: 'decide', step: run.step().key, option: 'fineZero' });
    expect(run.step().step).toMatchObject({
      kind: 'adjust',
      action: 'fineZero',
      reason: expect.stringContaining('never the coarse one'),
    });
    toTheEnd(run);
    expect(outcome(run)).toBe('passed');
    expect(certificateContent(sourceOf(run)).adjustments.join(' ')).toMatch(
      /Zero: CO, failed\..*second try.*Fine zero: CO, passed/,
    );
  });
  it('and the fine zero too: service or out of service, never span and “within”', () => {
    const run = zeros(open('OF-120'), ['failed', 'failed']);
    run.do({ type: 'decide', step: run.step().key, option: 'fineZero' });
    run.do({ type: 'adjust', step: run.step().key, channels: ['c-co'], outcome: 'failed' });
    run.do({ type: 'decide', step: run.step().key, option: 'out' }).do({ type: 'finish' });
    expect(outcome(run)).toBe('outOfService');
    expect(run.state.adjustments.some((one) => one.action === 'span')).toBe(false);
  });
  it('waits until the display is back, by what it shows; five minutes where its zero hides gas', () => {
    const plain = upTo(open('OF-120'), /^found-purge$/);
    expect(plain.try({ type: 'completeStep', step: 'found-purge', shown: { 'c-co': '40' } })).toMatchObject({ code: 'notBack' });
    plain.do({ type: 'completeStep', step: 'found-purge', shown: { 'c-co': '0' } });
    expect(plain.state.deviations).toEqual([]);
    const hidden = upTo(open('OF-125'), /^found-purge$/).wait(120);
    expect(hidden.try({ type: 'completeStep', step: 'found-purge', shown: { 'c-co': '0' } })).toMatchObject({ code: 'tooEarly' });
  });
  it('is refused while gas is open', () => {
    const run = upTo(open('OF-120'), /zeroing#1\/zero$/);
    const zero = run.step().key;
    const state = { ...run.state, stimuli: [{ ...run.state.stimuli[0]!, offAt: null }] };
    Object.assign(run.state, state);
    expect(run.try({ type: 'adjust', step: zero, channels: ['c-co'], outcome: 'passed' })).toMatchObject({ code: 'zeroInGas' });
  });
});

describe('save, span value, exposure', () => {
  it('the date read back has to be today’s; lost it leads back, lost twice it is decided', () => {
    const run = upTo(open('OF-125'), /save$/);
    const { key } = run.step();
    expect(run.try({ type: 'save', step: key, readBack: '12 Mar 2019' })).toMatchObject({ code: 'notToday', field: 'readBack' });
    expect(run.try({ type: 'save', step: key, readBack: 'done' })).toMatchObject({ code: 'noDate' });
    run.do({ type: 'save', step: key, readBack: '12 Mar 2019', lost: true });
    upTo(run, /try#2\/save$/).do({ type: 'save', step: run.step().key, lost: true });
    expect(run.step().step).toMatchObject({ kind: 'decide', question: 'notSaved' });
    run.do({ type: 'decide', step: run.step().key, option: 'out' }).do({ type: 'finish' });
    expect(outcome(run)).toBe('outOfService');
  });
  it('a stored span value that is not the bottle’s: set it, or the bottle that fits; without a cable', () => {
    const run = answer(upTo(open('OF-120'), /^stored-span/), { span: { value: '50' } });
    expect(options(run)).toEqual(['mend', 'return']);
    run.do({ type: 'decide', step: run.step().key, option: 'mend', note: 'the bottle that fits' });
    run.do({ type: 'bindReference', slot: 'mix', reference: 'other', flowLPerMin: '0.5' });
    answer(run, { span: { value: '50' } });
    expect(run.step().step.kind).not.toBe('decide');
  });
  it('a reading sooner than gas acts needs its reason, once a step, and stands as a deviation', () => {
    const run = upTo(open('OF-410'), /^found-gas-on$/);
    run.do({ type: 'changeStimulus', step: 'found-gas-on', slot: 'mix', on: true }).wait(20);
    const reading = { type: 'captureReading', step: 'found-gas', point: 'span', channel: 'c-co', text: '100' } as const;
    expect(run.try(reading)).toMatchObject({ code: 'tooSoon', field: 'deviation' });
    run.do({ ...reading, deviation: 'stood still' }).do({ ...reading, channel: 'c-o2', text: '18.0' });
    expect(run.state.deviations).toMatchObject([{ what: expect.stringContaining('after 20 s'), reason: 'stood still' }]);
    run.do({ ...reading, channel: 'c-ex', text: '', status: 'fault' });
    expect(run.state.readings.at(-1)!.reading.status).toBe('fault');
  });
});

it('a breath tester whose blank is not zero waits and blanks again; after three it is decided', () => {
  const run = open('BN-A');
  for (const round of [1, 2, 3]) {
    upTo(run, new RegExp(`blanking#${round}/blank$`));
    run.do({ type: 'captureReading', step: run.step().key, point: 'blank', channel: 'c-alcohol', text: '0.004' });
  }
  expect(run.step().step).toMatchObject({ kind: 'decide', question: 'blank' });
  run.do({ type: 'decide', step: run.step().key, option: 'service' }).do({ type: 'finish' });
  expect(outcome(run)).toBe('service');
});
