import { ROOM_EQUIPMENT } from './room.fixture';
import { describe, expect, it } from 'vitest';
import { family04 } from '@/procedures/family-04-four-gas-leak-monitor';
import {
  adjust,
  asFound,
  asLeft,
  FOUND,
  gas,
  mix,
  openFourGas,
  prepare,
  readAll,
  signatory,
  technician,
  wholeRun,
  ZERO,
} from './four-gas.fixture';
import { allowed } from './handle';
import { plan } from './plan';
import { reduce } from './reduce';
import { standingReading } from '../record/state';
import { summarise } from '../results/summary';

describe('the four-gas run', () => {
  it('goes from warm-up to finish, and every reading keeps its digits', () => {
    const run = wholeRun();
    expect(run.state.status).toBe('finished');
    expect(standingReading(run.state, { channel: 'c-h2s', phase: 'asLeft', point: 'span' })?.reading.text).toBe('25.0');
    expect(summarise(family04, run.state)).toMatchObject({ asFound: 'outside', asLeft: 'within', adjusted: true });
  });

  it('uses the certified value of this bottle on the channel’s scale: 2.50 %vol methane is 50 %LEL at 5.0 %vol (NFPA 497 LEL; common practice)', () => {
    const reading = standingReading(wholeRun().state, { channel: 'c-ex', phase: 'asLeft', point: 'span' })!;
    expect(reading.target).toMatchObject({ value: '50', unit: '%LEL', expanded: '1', k: 2 });
  });

  it('replays to the same state from its events alone', () => {
    const run = wholeRun({ 'c-h2s': 1 });
    expect(reduce('run-1', JSON.parse(JSON.stringify(run.events)))).toEqual(run.state);
  });

  it('does not judge the as-found zero of a monitor that zeroed itself at switch-on', () => {
    const found = standingReading(wholeRun().state, { channel: 'c-co', phase: 'asFound', point: 'zero' })!;
    expect(found).toMatchObject({ counts: false, remark: 'auto-zeroed at power-on' });
  });

  it('refuses to end the warm-up early without a reason and records the deviation with one', () => {
    const run = openFourGas().wait(120);
    expect(run.try({ type: 'completeStep', step: 'warm-up' })).toMatchObject({
      code: 'tooEarly',
      numbers: { secondsLeft: '180' },
    });
    run.do({ type: 'completeStep', step: 'warm-up', deviation: 'was on all morning' });
    expect(run.state.deviations[0]).toMatchObject({ reason: 'was on all morning' });
  });

  it.each([
    ['', 'empty'],
    ['abc', 'notANumber'],
    ['1,000', 'notANumber'],
    ['25.25', 'tooManyDigits'],
    ['25.3', 'notAStep'],
    ['2500', 'farOutside'],
  ])('refuses “%s” typed for H₂S as %s, beside the field', (text, code) => {
    const run = prepare(openFourGas());
    readAll(run, ZERO);
    gas(run, true);
    expect(run.try({ type: 'captureReading', step: 'found-gas', point: 'span', channel: 'c-h2s', text })).toMatchObject({
      code,
      field: 'text',
    });
  });

  it('does not overwrite a reading: the second one is refused until the first is struck out with a reason', () => {
    const run = prepare(openFourGas());
    const again = { type: 'captureReading', step: 'found-zero', point: 'zero', channel: 'c-co', text: '1' } as const;
    run.do({ ...again, text: '0' });
    expect(run.try(again)).toMatchObject({ code: 'alreadyRead' });
    run.do({ type: 'strike', seq: run.state.readings[0]!.seq, reason: 'wrong channel read' }).do(again);
    expect(run.state.readings.map((reading) => reading.flags.length)).toEqual([1, 0]);
    expect(run.try({ type: 'strike', seq: run.state.readings[0]!.seq, reason: 'again' })).toMatchObject({
      code: 'alreadyStruck',
    });
  });

  it('opens a read step again when one of its readings is struck', () => {
    const run = prepare(openFourGas());
    readAll(run, ZERO);
    expect(run.step().key).toBe('found-gas-on');
    run.do({ type: 'strike', seq: run.state.readings[1]!.seq, reason: 'misread' });
    expect(run.step().key).toBe('found-zero');
  });

  it('an as-found reading struck after the adjustment becomes “not measured”', () => {
    const run = wholeRun();
    run.do({ type: 'sendBack', note: 'CO as found looks wrong' }, signatory);
    run.do({
      type: 'strike',
      seq: standingReading(run.state, { channel: 'c-co', phase: 'asFound', point: 'span' })!.seq,
      reason: 'typed for another channel',
    });
    expect(run.current()).toEqual([]);
    expect(
      summarise(family04, run.state).lines.find((line) => line.channel === 'c-co' && line.point === 'span')?.found,
    ).toBeNull();
  });

  it('striking a reference flags every reading that used it', () => {
    const run = wholeRun().do({ type: 'sendBack', note: 'bottle was recalled' }, signatory);
    run.do({ type: 'strike', seq: run.state.bindings.find((one) => one.slot === 'mix')!.seq, reason: 'lot recalled' });
    const flagged = run.state.readings.filter((reading) => reading.flags.some((flag) => flag.code === 'referenceStruck'));
    expect(flagged.map((reading) => reading.point)).toEqual(Array(8).fill('span'));
    expect(summarise(family04, run.state).asLeft).toBe('notMeasured');
  });
});

describe('references', () => {
  const bind = (change: Partial<typeof mix>) => {
    const run = openFourGas({}, [{ ...mix, ...change }])
      .wait(300)
      .do({ type: 'completeStep', step: 'warm-up' });
    run.do({
      type: 'completeStep',
      step: 'place',
      conditions: { temperatureC: '21', pressureHPa: '1009', humidityPercent: '45' },
      equipment: ROOM_EQUIPMENT,
    });
    return run.try({ type: 'bindReference', slot: 'mix', reference: 'ref-mix', flowLPerMin: '0.5' });
  };
  it('is good on its last day and refused the day after', () => {
    expect(bind({ expires: '2026-11-24' })).toBeNull();
    expect(bind({ expires: '2026-11-23' })).toMatchObject({ code: 'expired', field: 'reference' });
  });
  it('is refused when empty, recalled, or lacking a component', () => {
    expect(bind({ availableL: '0.4' })).toMatchObject({ code: 'empty' });
    expect(bind({ recalled: 'H2S fades' })).toMatchObject({ code: 'recalled' });
    expect(bind({ components: mix.components.filter((component) => component.substance !== 'H2S') })).toMatchObject({
      code: 'missingComponent',
    });
  });
  it('methane without oxygen must not span a catalytic sensor (at least 10 %vol: common practice)', () => {
    expect(
      bind({
        components: mix.components.map((component) =>
          component.substance === 'O2' ? { ...component, value: '2.0' } : component,
        ),
      }),
    ).toMatchObject({ code: 'noOxygen' });
  });
  it('books flow times time: 90 s at 0.5 L/min is 0.75 L (arithmetic)', () => {
    expect(asFound(prepare(openFourGas())).state.stimuli[0]).toMatchObject({ litres: '0.75' });
  });
});

describe('two tries', () => {
  it('clears, zeroes again and spans a second time', () => {
    const run = adjust(asFound(prepare(openFourGas())), { 'c-h2s': 1 });
    const keys = plan(family04, run.state).map((step) => step.key);
    expect(keys.filter((key) => key.startsWith('span[c-h2s]/try'))).toEqual([
      'span[c-h2s]/try#1/adjust',
      'span[c-h2s]/try#2/again/off',
      'span[c-h2s]/try#2/again/clear',
      'span[c-h2s]/try#2/again/zeroing#1/zero',
      'span[c-h2s]/try#2/gas',
      'span[c-h2s]/try#2/adjust',
    ]);
    expect(
      run.state.adjustments
        .filter((adjustment) => adjustment.channels.includes('c-h2s') && adjustment.action === 'span')
        .map((adjustment) => adjustment.outcome),
    ).toEqual(['failed', 'passed']);
  });
  it('ends in a decision after the second failure; the channel is not asked for again and the run is not in tolerance', () => {
    const run = asLeft(adjust(asFound(prepare(openFourGas()), { ...FOUND, 'c-h2s': '5.0' }), { 'c-h2s': 2 })).do({
      type: 'finish',
    });
    expect(run.state.retired['c-h2s']).toMatchObject({ consequence: 'service' });
    expect(standingReading(run.state, { channel: 'c-h2s', phase: 'asLeft' })).toBeNull();
    expect(summarise(family04, run.state).asLeft).toBe('notMeasured');
  });
});

describe('finish and approval', () => {
  it('is refused while steps are left or gas is open', () => {
    const run = prepare(openFourGas());
    readAll(run, ZERO);
    expect(run.try({ type: 'finish' })).toMatchObject({ code: 'stepsLeft' });
    gas(run, true);
    expect(run.try({ type: 'finish' })).toMatchObject({ code: 'gasOpen' });
    expect(run.try({ type: 'abort', reason: 'broken off' })).toMatchObject({ code: 'gasOpen' });
  });
  it('is for another person than the technician, unless the workshop’s setting allows it, and the record says so', () => {
    const run = wholeRun();
    expect(run.try({ type: 'approve' })).toMatchObject({ code: 'notAllowed' });
    const both = { ...technician, role: 'signatory' as const };
    expect(run.try({ type: 'approve' }, both)).toMatchObject({ code: 'samePerson' });
    run.options.allowSamePerson = true;
    run.do({ type: 'approve' }, both);
    expect(run.state).toMatchObject({ status: 'approved', samePerson: true });
    expect(run.try({ type: 'note', text: 'late thought' })).toMatchObject({ code: 'wrongStatus' });
  });
  it('names what is allowed at each stage', () => {
    const run = openFourGas();
    expect(allowed({ procedure: family04, state: run.state })).toContain('completeStep');
    expect(allowed({ procedure: family04, state: wholeRun().state })).toEqual(['approve', 'sendBack', 'note', 'abort']);
  });
  it('an absent sensor is neither asked for nor counted', () => {
    const run = openFourGas({
      channels: openFourGas().state.channels.map((channel) =>
        channel.role === 'h2s' ? { ...channel, status: 'removed' as const } : channel,
      ),
    });
    asLeft(adjust(asFound(prepare(run)))).do({ type: 'finish' });
    expect(run.state.readings.some((reading) => reading.channel === 'c-h2s')).toBe(false);
    expect(summarise(family04, run.state).asLeft).toBe('within');
  });
});
