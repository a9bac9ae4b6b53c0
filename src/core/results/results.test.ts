import { describe, expect, it } from 'vitest';
import { shippedProcedure } from '@/procedures';
import { fourGasChannels, startedFourGas, wholeRun } from '../run/four-gas.fixture';
import { nothingJudged, type Judgement } from '../record/judgement';
import { emptyState, type RecordedReading, type RunState } from '../record/state';
import type { StandingValue } from '../uncertainty/standing';
import { bounded, type Component } from '../uncertainty/component';
import { confirmedSince } from './confirmed-since';
import { judgedOf } from './judged';
import { results } from './results';

const procedure = shippedProcedure('four-gas-leak-monitor')!;
const co = fourGasChannels.find((one) => one.role === 'co')!;
const within: Judgement = {
  ...nothingJudged({ code: 'within', rule: 'simple', coverage: 0.9545, state: 'within' }),
  reference: '100.0',
  error: '1.0',
  lower: '-5',
  upper: '5',
  expanded: '2.8',
};
const reading = (rest: Partial<RecordedReading>): RecordedReading =>
  ({
    seq: 7,
    at: '2026-11-26T08:00:00Z',
    by: 'T',
    step: 'found-span',
    point: procedure.points.find((one) => one.channels.includes('co') && one.target.kind === 'material')!.id,
    channel: co.id,
    phase: 'asFound',
    reading: { text: '101', unit: 'ppm', status: 'value' },
    inputs: {},
    target: null,
    judgement: within,
    counts: true,
    flags: [],
    ...rest,
  }) as RecordedReading;
const lineOf = (readings: RecordedReading[], rest: Partial<RunState> = {}) => {
  const state = Object.assign(emptyState('r'), {
    started: { ...startedFourGas, procedure: { id: procedure.id, version: procedure.version } },
    channels: fourGasChannels,
    steps: wholeRun().state.steps,
    readings,
    ...rest,
  });
  return results({ procedure, state }).find((one) => one.channel === co.id && one.found)!;
};

describe('as found and as left, joined once', () => {
  it('where nothing was adjusted, as found stands for both and says so; a reading that does not count never does', () => {
    expect(lineOf([reading({})])).toMatchObject({ leftIsFound: true, left: { seq: 7 } });
    expect(lineOf([reading({})]).notes.map((one) => one.code)).toContain('note.leftIsFound');
    expect(lineOf([reading({ counts: false })])).toMatchObject({ leftIsFound: false, left: null });
  });
  it('after an adjustment as found never stands for as left', () => {
    const adjustment = {
      seq: 8,
      at: '',
      step: 's',
      channels: [co.id],
      action: 'span',
      outcome: 'passed',
      iteration: 1,
      struck: false,
      readBack: {},
    };
    expect(lineOf([reading({})], { adjustments: [adjustment] as never })).toMatchObject({
      leftIsFound: false,
      left: null,
      adjusted: true,
    });
    // Struck, dropped or the quick one of a meter: nothing was adjusted.
    for (const rest of [{ struck: true }, { outcome: 'discarded' }, { action: 'quick' }])
      expect(lineOf([reading({})], { adjustments: [{ ...adjustment, ...rest }] as never })).toMatchObject({
        leftIsFound: true,
        adjusted: false,
      });
  });
  it('a value beyond the scope is marked, on whichever side it was read', () => {
    const beyond = reading({ judgement: { ...within, outsideScope: true } });
    expect(lineOf([beyond]).notes.map((one) => one.code)).toContain('note.outsideScope');
    expect(lineOf([reading({}), { ...beyond, seq: 9, phase: 'asLeft' }]).notes.map((one) => one.code)).toContain(
      'note.outsideScope',
    );
    expect(lineOf([reading({})]).notes.map((one) => one.code)).not.toContain('note.outsideScope');
  });
  it('why is said of what was not judged, and not beside a verdict that speaks for itself', () => {
    expect(judgedOf(reading({})).why).toBeNull();
    const over = { ...within, code: 'over', state: 'outside' } as const;
    expect(judgedOf(reading({ judgement: over })).why).toEqual({ code: 'judged.over' });
    expect(judgedOf(reading({ judgement: { ...over, code: 'under' } })).why).toEqual({ code: 'judged.under' });
    const beyond = { code: 'judged.cautionBeyond' } as const;
    expect(judgedOf(reading({ judgement: { ...within, code: 'caution', why: beyond } })).why).toEqual(beyond);
    expect(judgedOf(reading({ judgement: { ...within, why: beyond } })).why).toBeNull();
    expect(judgedOf(reading({ judgement: { ...within, code: 'outside', state: 'outside' } })).why).toBeNull();
    const watched = { ...within, code: 'watched', state: 'notMeasured', why: { code: 'judged.watched' } } as const;
    expect(judgedOf(reading({ judgement: watched }))).toMatchObject({ verdict: 'notJudged', why: { code: 'judged.watched' } });
    const struck = judgedOf(reading({ flags: [{ code: 'referenceStruck', reason: 'another bottle' }] as never }));
    expect(struck).toMatchObject({ reference: null, deviation: null, expanded: null, counts: false, verdict: 'notJudged' });
    expect(struck.why).toMatchObject({ code: 'judged.referenceStruck' });
  });
});

describe('a value that got its source after the reading was taken', () => {
  const remembered: Component = {
    ...bounded({
      id: 'flow',
      half: 1,
      basis: { code: 'basis.percent', numbers: { percent: 1, value: '100', unit: 'ppm', source: 'from memory, not confirmed' } },
    }),
    unconfirmed: { standing: 'flow', measurand: co.measurand, value: 1 },
  };
  const lines = [lineOf([reading({ judgement: { ...within, budget: [remembered] } })])];
  const value = (rest: Partial<StandingValue>): StandingValue => ({
    id: 'flow',
    measurand: co.measurand,
    value: 1,
    form: 'percent',
    source: { kind: 'confirmed', text: 'Trial of the flow', on: '2026-11-20', by: 'S' },
    ...rest,
  });
  const source = (standing: StandingValue[]) => confirmedSince(lines, standing)[0]!.found!.budget[0]!.basis.numbers!.source;

  it('is named by it on the document, and its figure stays', () => {
    expect(source([value({})])).toBe('Trial of the flow, confirmed 2026-11-20 by S');
    const [after] = confirmedSince(lines, [value({})])[0]!.found!.budget;
    expect(after).toMatchObject({ half: 1, contribution: remembered.contribution });
  });
  it('another figure, quantity or influence, or one still only remembered, confirms nothing', () => {
    const others = [
      { value: 2 },
      { measurand: 'hydrogen' },
      { id: 'stability' as const },
      { source: { kind: 'memory' as const } },
    ];
    for (const rest of others) expect(source([value(rest)])).toBe('from memory, not confirmed');
    expect(confirmedSince(lines, [])).toBe(lines);
  });
});
